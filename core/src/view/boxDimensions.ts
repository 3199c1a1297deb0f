import type { Mesh, Vec2, Vec3 } from '../geometry';
import { type Eye, seen } from './eye';
import { type Frame, inFrame } from './frame';
import type { Shown } from './shown';

/** How wide, high or deep something is, drawn along an edge of the box round it: from where to where in the picture. */
export interface BoxDimension {
  of: 'wide' | 'high' | 'deep';
  mm: number;
  from: Vec2;
  to: Vec2;
}

/** An edge that is seen shorter than this says nothing, pixels. */
const LEAST_PX = 24;

/** The box round what is shown: its lowest corner and its highest; nothing where nothing is shown. */
function boxOf(shown: readonly Shown[]): { low: Vec3; high: Vec3 } | undefined {
  const low: Vec3 = { x: Infinity, y: Infinity, z: Infinity };
  const high: Vec3 = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const { mesh, from, to } of shown)
    for (let t = from; t < to; t++)
      for (const i of mesh.triangles[t]!)
        for (const k of ['x', 'y', 'z'] as const) {
          low[k] = Math.min(low[k], mesh.points[i]![k]);
          high[k] = Math.max(high[k], mesh.points[i]![k]);
        }
  return low.x > high.x ? undefined : { low, high };
}

/** The box round what is shown as something to be framed: its eight corners. */
export function boxShown(shown: readonly Shown[]): Shown[] {
  const box = boxOf(shown);
  if (!box) return [];
  const { low, high } = box;
  const points = [low.x, high.x].flatMap((x) =>
    [low.y, high.y].flatMap((y) => [low.z, high.z].map((z) => ({ x, y, z }))),
  );
  const triangles: Mesh['triangles'] = [
    [0, 1, 2],
    [3, 4, 5],
    [5, 6, 7],
  ];
  return [{ id: '·box', mesh: { points, triangles }, from: 0, to: triangles.length }];
}

/**
 * The three sizes of what is shown, each along an edge of its box: width and depth along the lowest there is, height along
 * the one furthest to the right; those seen end on are left out.
 */
export function boxDimensions(shown: readonly Shown[], eye: Eye, frame: Frame): BoxDimension[] {
  const box = boxOf(shown);
  if (!box) return [];
  const { low, high } = box;
  const at = (p: Vec3): Vec2 => inFrame(frame, seen(eye, p));
  return (
    [
      ['wide', 'x', 'y', 'z'],
      ['high', 'y', 'x', 'z'],
      ['deep', 'z', 'x', 'y'],
    ] as const
  ).flatMap(([of, along, a, b]): BoxDimension[] => {
    const edges = [low, high].flatMap((p) =>
      [low, high].map((q) => {
        const from = { ...low, [a]: p[a], [b]: q[b] };
        return { from: at(from), to: at({ ...from, [along]: high[along] }) };
      }),
    );
    const out = ({ from, to }: { from: Vec2; to: Vec2 }): number =>
      of === 'high' ? from.x + to.x : from.y + to.y;
    const best = edges.reduce((most, e) => (out(e) > out(most) + 1e-9 ? e : most));
    const long = Math.hypot(best.to.x - best.from.x, best.to.y - best.from.y);
    return long < LEAST_PX ? [] : [{ of, mm: high[along] - low[along], ...best }];
  });
}
