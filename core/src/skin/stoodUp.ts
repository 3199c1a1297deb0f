import type { Mesh, Vec3 } from '../geometry';

export type UpAxis = 'x' | 'y' | 'z';

/** How far a surface reaches along x, y and z. */
export function spanOf({ points }: Mesh): [number, number, number] {
  const span = (key: keyof Vec3): number => {
    let [low, high] = [Infinity, -Infinity];
    for (const p of points) {
      low = Math.min(low, p[key]);
      high = Math.max(high, p[key]);
    }
    return high - low;
  };
  return [span('x'), span('y'), span('z')];
}

/** A surface in millimetres with another axis up; its hand stays. With y up, z looks at the viewer and comes ahead. */
export const stoodUp = ({ points, triangles }: Mesh, perUnitMm: number, up: UpAxis): Mesh => ({
  triangles,
  points: points.map(({ x, y, z }) => {
    const [a, b, c] = up === 'z' ? [x, y, z] : up === 'y' ? [-x, z, y] : [y, z, x];
    return { x: a * perUnitMm, y: b * perUnitMm, z: c * perUnitMm };
  }),
});
