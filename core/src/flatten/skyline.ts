/**
 * A symmetric positive definite matrix factored as L·D·Lᵀ in skyline (profile) storage.
 * After a bandwidth-reducing order the profile is narrow and the factor is small.
 * Source: profile solution of structural equations, e.g. Jennings, Matrix Computation (1977).
 */
export class SkylineFactor {
  private readonly first: Int32Array;
  private readonly start: Int32Array;
  private readonly low: Float64Array;
  private readonly diagonal: Float64Array;

  /** @param rows for each row its entries at columns below the diagonal, and the diagonal values. */
  constructor(
    size: number,
    entries: Iterable<[row: number, column: number, value: number]>,
    diagonal: Float64Array,
  ) {
    const all = [...entries].map(([r, c, v]): [number, number, number] => (r > c ? [r, c, v] : [c, r, v]));
    this.first = Int32Array.from({ length: size }, (_, i) => i);
    for (const [r, c] of all) this.first[r] = Math.min(this.first[r]!, c);
    this.start = new Int32Array(size + 1);
    for (let i = 0; i < size; i++) this.start[i + 1] = this.start[i]! + (i - this.first[i]!);
    this.low = new Float64Array(this.start[size]!);
    for (const [r, c, v] of all) this.low[this.start[r]! + c - this.first[r]!]! += v;
    this.diagonal = Float64Array.from(diagonal);
    this.factor(size);
  }

  private factor(size: number): void {
    const { first, start, low, diagonal } = this;
    for (let i = 0; i < size; i++) {
      const fi = first[i]!;
      const si = start[i]! - fi;
      for (let j = fi; j < i; j++) {
        const fj = first[j]!;
        const sj = start[j]! - fj;
        let sum = low[si + j]!;
        for (let k = Math.max(fi, fj); k < j; k++) sum -= low[si + k]! * low[sj + k]!;
        low[si + j] = sum;
      }
      let d = diagonal[i]!;
      for (let j = fi; j < i; j++) {
        const scaled = low[si + j]! / diagonal[j]!;
        d -= scaled * low[si + j]!;
        low[si + j] = scaled;
      }
      if (!(d > 0)) throw new Error('The matrix is not positive definite.');
      diagonal[i] = d;
    }
  }

  /** Solves for one right-hand side, in place. */
  solve(b: Float64Array): Float64Array {
    const { first, start, low, diagonal } = this;
    const size = diagonal.length;
    for (let i = 0; i < size; i++) {
      const si = start[i]! - first[i]!;
      let sum = b[i]!;
      for (let j = first[i]!; j < i; j++) sum -= low[si + j]! * b[j]!;
      b[i] = sum;
    }
    for (let i = 0; i < size; i++) b[i]! /= diagonal[i]!;
    for (let i = size - 1; i >= 0; i--) {
      const si = start[i]! - first[i]!;
      const value = b[i]!;
      for (let j = first[i]!; j < i; j++) b[j]! -= low[si + j]! * value;
    }
    return b;
  }
}

/** Reverse Cuthill–McKee order (1969): neighbours get near numbers. @returns new index of each old one. */
export function reverseCuthillMcKee(neighbours: readonly (readonly number[])[]): Int32Array {
  const size = neighbours.length;
  const order: number[] = [];
  const seen = new Uint8Array(size);
  const byDegree = Array.from({ length: size }, (_, i) => i).sort(
    (a, b) => neighbours[a]!.length - neighbours[b]!.length,
  );
  for (const root of byDegree) {
    if (seen[root]) continue;
    seen[root] = 1;
    order.push(root);
    for (let at = order.length - 1; at < order.length; at++) {
      const next = neighbours[order[at]!]!.filter((n) => !seen[n]).sort(
        (a, b) => neighbours[a]!.length - neighbours[b]!.length,
      );
      for (const n of next) {
        seen[n] = 1;
        order.push(n);
      }
    }
  }
  const place = new Int32Array(size);
  order.forEach((old, i) => (place[old] = size - 1 - i));
  return place;
}
