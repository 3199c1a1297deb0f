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
      const a = triangle[i]!;
      const b = triangle[(i + 1) % 3]!;
      const [p, q] = [values[a]!, values[b]!];
      if (p > level !== q > level) crossings.push(mix(points[a]!, points[b]!, (level - p) / (q - p)));
    }
    return crossings.length === 2 ? [crossings] : [];
  });
}
