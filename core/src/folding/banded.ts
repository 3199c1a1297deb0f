/** Edges with a weight each, between points whose numbers are no further apart than the band is wide. */
export interface Weighted {
  count: number;
  edges: readonly (readonly [number, number])[];
  weights: Float64Array;
  /** The point that stays at nought. */
  held: number;
}

/**
 * Solves for points whose differences along edges are as near as can be to what is wanted, weighed least squares: the
 * normal matrix is factored once (Cholesky within its band) and used for any number of wishes.
 */
export function heldTogether({
  count,
  edges,
  weights,
  held,
}: Weighted): (wanted: Float64Array) => Float64Array {
  const band = edges.reduce((most, [a, b]) => Math.max(most, Math.abs(a - b)), 0);
  const wide = band + 1;
  // Row i holds its columns from i − band up to i.
  const factor = new Float64Array(count * wide);
  const at = (i: number, k: number): number => i * wide + (k - i + band);
  edges.forEach(([a, b], e) => {
    const w = weights[e]!;
    factor[at(a, a)]! += w;
    factor[at(b, b)]! += w;
    factor[at(Math.max(a, b), Math.min(a, b))]! -= w;
  });
  factor[at(held, held)]! += weights.reduce((most, w) => Math.max(most, w), 1);
  for (let i = 0; i < count; i++)
    for (let k = Math.max(0, i - band); k <= i; k++) {
      let sum = factor[at(i, k)]!;
      for (let m = Math.max(0, i - band, k - band); m < k; m++) sum -= factor[at(i, m)]! * factor[at(k, m)]!;
      factor[at(i, k)] = i === k ? Math.sqrt(Math.max(sum, 1e-12)) : sum / factor[at(k, k)]!;
    }
  return (wanted) => {
    const x = new Float64Array(count);
    edges.forEach(([a, b], e) => {
      x[a]! -= weights[e]! * wanted[e]!;
      x[b]! += weights[e]! * wanted[e]!;
    });
    for (let i = 0; i < count; i++) {
      let sum = x[i]!;
      for (let k = Math.max(0, i - band); k < i; k++) sum -= factor[at(i, k)]! * x[k]!;
      x[i] = sum / factor[at(i, i)]!;
    }
    for (let i = count - 1; i >= 0; i--) {
      let sum = x[i]!;
      for (let k = i + 1; k <= Math.min(count - 1, i + band); k++) sum -= factor[at(k, i)]! * x[k]!;
      x[i] = sum / factor[at(i, i)]!;
    }
    const nought = x[held]!;
    return x.map((v) => v - nought);
  };
}
