import { gaugeMm } from '../materials';
import { add3, dist3, dot3, scale3, type Vec2, type Vec3 } from '../geometry';
import { gridNormals, nearestOn, onGrid } from '../panel';
import type { WireRun } from '../circuit';
import type { PartReport } from '../parts';
import { byId, printMm, trimNumber } from '../units';
import { about, each } from './circuitContext';
import type { Finding } from '../document';

/** A wire with its sleeve is about twice its copper across; from memory. */
const SLEEVED = 2;
/** Padding and clothes give a wire this much, mm; from memory. */
const GIVES_MM = 0.5;
/** A wire that ends so near to a thing ends at it, mm. */
const AT_MM = 15;

type Solid = PartReport['bodies'][number]['solids'][number];

/** Whether a spot lies within a convex solid. */
const within = ({ points, normals }: Solid, p: Vec3): boolean =>
  normals.every((n) => {
    const along = points.map((q) => dot3(n, q));
    const at = dot3(n, p);
    return at > Math.min(...along) && at < Math.max(...along);
  });

const near = ({ points }: Solid, p: Vec3): boolean => {
  const middle = scale3(
    points.reduce((sum, q) => add3(sum, q), { x: 0, y: 0, z: 0 }),
    1 / points.length,
  );
  return dist3(middle, p) < AT_MM + Math.max(...points.map((q) => dist3(middle, q)));
};

/** How far a piece stands off the body at a spot of it; nothing where nobody wears it. */
function gapAt(part: PartReport, pieceId: string, at: Vec2): number | undefined {
  const gaps = part.wear?.standOff.find((s) => s.pieceId === pieceId)?.gapMm;
  const row = gaps?.[Math.round(at.y * (gaps.length - 1))];
  return row?.[Math.round(at.x * (row.length - 1))];
}

interface Lie {
  /** Where it has the least room between foam and body. */
  tight?: { pieceId: string; gapMm: number };
  /** What it runs under. */
  under?: string;
}

const known = new WeakMap<WireRun, { part: PartReport; thickMm: number; lie: Lie }>();

/** How a run of wires lies in a part; worked out once for the two. */
function lieOf(run: WireRun, part: PartReport, thickMm: number): Lie {
  const before = known.get(run);
  if (before?.part === part && before.thickMm === thickMm) return before.lie;
  const lie: Lie = {};
  const [from, to] = [run.points[0], run.points.at(-1)];
  if (from && to) {
    const crossed = part.bodies.filter(
      (b) =>
        !part.items.some((i) => i.featureId === b.featureId && i.lamp) &&
        !b.solids.some((s) => near(s, from) || near(s, to)),
    );
    for (const p of run.points) {
      const picked = nearestOn(part.surfaces, p);
      const surface = picked && part.surfaces.find((s) => s.pieceId === picked.pieceId);
      if (!picked || !surface) continue;
      // A channel in the piece takes its wires.
      if (byId(part.pieces, picked.pieceId)?.marks.some((m) => m.wires === true)) continue;
      const gapMm = gapAt(part, picked.pieceId, picked.at);
      if (gapMm !== undefined && gapMm + GIVES_MM < thickMm && gapMm < (lie.tight?.gapMm ?? Infinity))
        lie.tight = { pieceId: picked.pieceId, gapMm };
      const inner = onGrid(surface.grid, picked.at);
      const inwards = scale3(onGrid(gridNormals(surface.grid), picked.at), -thickMm / 2);
      const body = crossed.find((b) => b.solids.some((s) => within(s, add3(inner, inwards))));
      if (body) lie.under = body.name;
    }
  }
  known.set(run, { part, thickMm, lie });
  return lie;
}

/** Wires are bodies too: they want their own thickness between foam and body, and none lies under a pack. */
export const wiresHaveRoom = each((input): Finding[] => {
  const { made, report } = input;
  const thickMm = SLEEVED * gaugeMm(made.awg);
  let tight: { part: PartReport; pieceId: string; gapMm: number } | undefined;
  let under: { part: PartReport; name: string } | undefined;
  for (const run of made.runs) {
    const part = byId(report.parts, run.partId);
    if (!part) continue;
    const lie = lieOf(run, part, thickMm);
    if (lie.tight && lie.tight.gapMm < (tight?.gapMm ?? Infinity)) tight = { part, ...lie.tight };
    if (lie.under !== undefined) under = { part, name: lie.under };
  }
  return [
    ...(tight
      ? [
          {
            ...about(input, 'wires-tight'),
            partId: tight.part.id,
            severity: 'mind' as const,
            title: `${made.name}: its wires are ${printMm(thickMm, 1)} thick, ${byId(tight.part.pieces, tight.pieceId)?.name ?? tight.pieceId} of ${tight.part.name} is ${printMm(Math.max(0, tight.gapMm), 1)} off the body where they run.`,
            why: 'They press into the wearer and chafe through. Cut channels along the wires, or lead them another way.',
            provenance: 'memory' as const,
            excess: thickMm - tight.gapMm,
            remedies: [],
          },
        ]
      : []),
    ...(under
      ? [
          {
            ...about(input, 'wires-under'),
            partId: under.part.id,
            severity: 'note' as const,
            title: `${made.name}: its shortest way runs under ${under.name} in ${under.part.name}.`,
            why: `A wire ${trimNumber(thickMm, 1)} mm thick lifts what lies on it. Lead it round, or cut a channel for it.`,
            provenance: 'standard' as const,
            excess: 1,
            remedies: [],
          },
        ]
      : []),
  ];
});
