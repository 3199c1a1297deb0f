import { dot3, length3, sub3, type Vec3 } from '../../geometry';
import { secondMomentMm4, sectionAreaMm2, type Section, sizeOf } from '../../panel';
import { itemAt } from '../../units';
import { largest } from './largest';
import type { EndForce, Moved, SpaceFrame } from './spaceFrame';

/** Where a frame is bent most, and by how much. */
export interface Bent {
  node: number;
  mpa: number;
}

/**
 * The highest stress at an end of a bar, whichever of the directions of gravity it has: the bending moment over the section
 * modulus, and what pulls along the bar over its area.
 * @param ways what every bar bears under each direction.
 */
export function mostBent(section: Section, ways: readonly EndForce[][][]): Bent | undefined {
  const [across] = sizeOf(section);
  const [second, area] = [secondMomentMm4(section), sectionAreaMm2(section)];
  const bars = ways[0]?.length ?? 0;
  const ends = Array.from({ length: bars }, (_, bar) =>
    [0, 1].map((end) => ways.map((w) => itemAt(itemAt(w, bar), end))),
  );
  return ends
    .flat()
    .map((forces): Bent => {
      const bend = largest(forces.map(({ bendNmm: [x, y] }): Vec3 => ({ x, y, z: 0 })));
      const along = largest(forces.map(({ alongN }): Vec3 => ({ x: alongN, y: 0, z: 0 })));
      return { node: itemAt(forces, 0).node, mpa: (bend * across) / 2 / second + along / area };
    })
    .reduce<Bent | undefined>((a, b) => (a && a.mpa >= b.mpa ? a : b), undefined);
}

/** Standard gravity, mm/s². */
const GRAVITY = 9806.65;

/** Half the mass of each bar at either end, and all that is mounted at a node; g. */
export function massesAt(
  { nodes, bars }: Pick<SpaceFrame, 'nodes' | 'bars'>,
  gPerMm: number,
  mounted: readonly { node: number; massG: number }[],
): number[] {
  const masses = nodes.map(() => 0);
  for (const { from, to } of bars) {
    const half = (gPerMm * length3(sub3(itemAt(nodes, to), itemAt(nodes, from)))) / 2;
    masses[from]! += half;
    masses[to]! += half;
  }
  for (const { node, massG } of mounted) masses[node]! += massG;
  return masses;
}

/**
 * How often a second a frame swings by itself, by the energy of the shape it takes under its own weight (Rayleigh):
 * 2πf = √(g·Σmu / Σmu²), u the way each mass falls. The least of the directions.
 */
export function swingHz(
  masses: readonly number[],
  ways: readonly { way: Vec3; moved: readonly Moved[] }[],
): number | undefined {
  const each = ways.map(({ way, moved }) => {
    const fallen = masses.reduce((sum, m, i) => sum + m * dot3(itemAt(moved, i).by, way), 0);
    const squares = masses.reduce((sum, m, i) => sum + m * length3(itemAt(moved, i).by) ** 2, 0);
    return squares > 0 && fallen > 0 ? Math.sqrt((GRAVITY * fallen) / squares) / (2 * Math.PI) : Infinity;
  });
  const least = Math.min(...each);
  return Number.isFinite(least) ? least : undefined;
}
