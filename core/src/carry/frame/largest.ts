import { dot3, type Vec3 } from '../../geometry';

/** Power iterations: the length is settled long before its direction is. */
const ROUNDS = 60;

/**
 * The longest that a combination of vectors can be whose factors are a unit vector: the largest singular value of the
 * matrix they are the columns of. With one vector its length.
 */
export function largest(columns: readonly Vec3[]): number {
  const products = columns.map((a) => columns.map((b) => dot3(a, b)));
  // Begun on the longest column, slightly towards the others, so as not to begin square to the answer.
  const most = Math.max(...products.map((row, i) => row[i]!));
  if (most === 0) return 0;
  let factors = products.map((row, i) => (row[i] === most ? 1 : 0.1 + 0.07 * i));
  let value = most;
  for (let round = 0; round < ROUNDS; round++) {
    const next = products.map((row) => row.reduce((sum, p, i) => sum + p * factors[i]!, 0));
    const size = Math.hypot(...next);
    if (size === 0) break;
    value = size / Math.hypot(...factors);
    factors = next.map((f) => f / size);
  }
  return Math.sqrt(Math.max(value, most));
}
