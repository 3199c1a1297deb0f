import { itemAt } from '../units';
/** Lines on which a value given at vertices equals `level`, as short runs across triangles, in whatever space the points are. */
export function contourLines<P>(
  triangles: readonly (readonly [number, number, number])[],
  points: readonly P[],
  values: readonly number[],
  level: number,
  mix: (a: P, b: P, t: number) => P,
): P[][] {
  return triangles.flatMap((triangle) => {
    const crossings: P[] = [];
    for (let i = 0; i < 3; i++) {
      const a = itemAt(triangle, i);
      const b = itemAt(triangle, (i + 1) % 3);
      const [p, q] = [itemAt(values, a), itemAt(values, b)];
      if (p > level !== q > level)
        crossings.push(mix(itemAt(points, a), itemAt(points, b), (level - p) / (q - p)));
    }
    return crossings.length === 2 ? [crossings] : [];
  });
}
