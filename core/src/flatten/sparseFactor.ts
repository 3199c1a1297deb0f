/**
 * A symmetric positive definite matrix factored as L·D·Lᵀ row by row, only where there are values.
 * Source: Davis, Algorithm 849: A Concise Sparse Cholesky Factorization Package (2005): the pattern of each row of L
 * is read off the elimination tree.
 */
export class SparseFactor {
  private readonly start: Int32Array;
  private readonly rows: Int32Array;
  private readonly low: Float64Array;
  private readonly diagonal: Float64Array;

  /**
   * @param entries values off the diagonal, each pair of row and column once or in parts that add up.
   * @throws Error when the matrix is not positive definite.
   */
  constructor(
    private readonly size: number,
    entries: readonly (readonly [row: number, column: number, value: number])[],
    diagonal: Float64Array,
  ) {
    // Upper triangle by columns: for each row k of L the columns before it.
    const counts = new Int32Array(size + 1);
    for (const entry of entries) counts[Math.max(entry[0], entry[1]) + 1]! += 1;
    for (let k = 0; k < size; k++) counts[k + 1]! += counts[k]!;
    const [columns, values] = [new Int32Array(entries.length), new Float64Array(entries.length)];
    const fill = Int32Array.from(counts);
    for (const entry of entries) {
      const at = fill[Math.max(entry[0], entry[1])]!++;
      columns[at] = Math.min(entry[0], entry[1]);
      values[at] = entry[2];
    }
    const parent = new Int32Array(size).fill(-1);
    this.start = starts(size, counts, columns, parent);
    this.rows = new Int32Array(this.start[size]!);
    this.low = new Float64Array(this.start[size]!);
    this.diagonal = Float64Array.from(diagonal);
    this.factor(counts, columns, values, parent);
  }

  private factor(counts: Int32Array, columns: Int32Array, values: Float64Array, parent: Int32Array): void {
    const { size, start, rows, low, diagonal } = this;
    const y = new Float64Array(size);
    const flag = new Int32Array(size).fill(-1);
    const pattern = new Int32Array(size);
    const path = new Int32Array(size);
    const used = new Int32Array(size);
    for (let k = 0; k < size; k++) {
      let top = size;
      flag[k] = k;
      for (let p = counts[k]!; p < counts[k + 1]!; p++) {
        let i = columns[p]!;
        y[i]! += values[p]!;
        let length = 0;
        for (; flag[i] !== k; i = parent[i]!) {
          path[length++] = i;
          flag[i] = k;
        }
        while (length > 0) pattern[--top] = path[--length]!;
      }
      let d = diagonal[k]!;
      for (; top < size; top++) {
        const i = pattern[top]!;
        const yi = y[i]!;
        y[i] = 0;
        const end = start[i]! + used[i]!;
        for (let p = start[i]!; p < end; p++) y[rows[p]!]! -= low[p]! * yi;
        const scaled = yi / diagonal[i]!;
        d -= scaled * yi;
        rows[end] = k;
        low[end] = scaled;
        used[i]! += 1;
      }
      if (!(d > 0)) throw new Error('The matrix is not positive definite.');
      diagonal[k] = d;
    }
  }

  /** Solves for one right-hand side, in place. */
  solve(b: Float64Array): Float64Array {
    const { size, start, rows, low, diagonal } = this;
    for (let j = 0; j < size; j++) {
      const value = b[j]!;
      for (let p = start[j]!; p < start[j + 1]!; p++) b[rows[p]!]! -= low[p]! * value;
    }
    for (let j = 0; j < size; j++) b[j]! /= diagonal[j]!;
    for (let j = size - 1; j >= 0; j--) {
      let sum = b[j]!;
      for (let p = start[j]!; p < start[j + 1]!; p++) sum -= low[p]! * b[rows[p]!]!;
      b[j] = sum;
    }
    return b;
  }
}

/** Where each column of L begins: its pattern read off the elimination tree, which is written to `parent`. */
function starts(size: number, counts: Int32Array, columns: Int32Array, parent: Int32Array): Int32Array {
  const flag = new Int32Array(size).fill(-1);
  const filled = new Int32Array(size);
  for (let k = 0; k < size; k++) {
    flag[k] = k;
    for (let p = counts[k]!; p < counts[k + 1]!; p++) {
      for (let i = columns[p]!; flag[i] !== k; i = parent[i]!) {
        if (parent[i] === -1) parent[i] = k;
        filled[i]! += 1;
        flag[i] = k;
      }
    }
  }
  const start = new Int32Array(size + 1);
  for (let k = 0; k < size; k++) start[k + 1] = start[k]! + filled[k]!;
  return start;
}
