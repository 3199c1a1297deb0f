import type { Vec2, Vec3 } from '../geometry';
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

/** The three sizes of what is shown, each along the edge of its box that stands furthest out of the picture's middle; those seen end on are left out. */
export function boxDimensions(shown: readonly Shown[], eye: Eye, frame: Frame): BoxDimension[] {
  const low: Vec3 = { x: Infinity, y: Infinity, z: Infinity };
  const high: Vec3 = { x: -Infinity, y: -Infinity, z: -Infinity };
  for (const { mesh, from, to } of shown)
    for (let t = from; t < to; t++)
      for (const i of mesh.triangles[t]!)
        for (const k of ['x', 'y', 'z'] as const) {
          low[k] = Math.min(low[k], mesh.points[i]![k]);
          high[k] = Math.max(high[k], mesh.points[i]![k]);
        }
  if (low.x > high.x) return [];
  const at = (p: Vec3): Vec2 => inFrame(frame, seen(eye, p));
  const middle = { x: frame.width / 2, y: frame.height / 2 };
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
    // Below or to the right, where a drawing has its dimensions.
    const out = ({ from, to }: { from: Vec2; to: Vec2 }): number =>
      (from.y + to.y) / 2 - middle.y + 0.6 * ((from.x + to.x) / 2 - middle.x);
    const best = edges.reduce((most, e) => (out(e) > out(most) ? e : most));
    const long = Math.hypot(best.to.x - best.from.x, best.to.y - best.from.y);
    return long < LEAST_PX ? [] : [{ of, mm: high[along] - low[along], ...best }];
  });
}
