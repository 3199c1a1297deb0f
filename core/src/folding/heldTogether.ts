import { SparseFactor } from '../flatten';

/** Edges with a weight each, and the point that stays at nought. */
export interface Weighted {
  count: number;
  edges: readonly (readonly [number, number])[];
  weights: Float64Array;
  held: number;
}

/**
 * Solves for points whose differences along edges are as near as can be to what is wanted, weighed least squares: factored
 * once and used for any number of wishes.
 */
export function heldTogether({
  count,
  edges,
  weights,
  held,
}: Weighted): (wanted: Float64Array) => Float64Array {
  const diagonal = new Float64Array(count);
  edges.forEach(([a, b], e) => {
    diagonal[a]! += weights[e]!;
    diagonal[b]! += weights[e]!;
  });
  // What hangs on no edge stays where it is.
  for (let i = 0; i < count; i++) if (diagonal[i] === 0) diagonal[i] = 1;
  diagonal[held]! += weights.reduce((most, w) => Math.max(most, w), 1);
  const factor = new SparseFactor(
    count,
    edges.map(([a, b], e): [number, number, number] => [a, b, -weights[e]!]),
    diagonal,
  );
  return (wanted) => {
    const right = new Float64Array(count);
    edges.forEach(([a, b], e) => {
      right[a]! -= weights[e]! * wanted[e]!;
      right[b]! += weights[e]! * wanted[e]!;
    });
    const at = factor.solve(right);
    const nought = at[held]!;
    return at.map((v) => v - nought);
  };
}
