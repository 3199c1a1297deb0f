import type { Fastening, Model } from '../forms';
import { dist3, type Vec3 } from '../geometry';
import { type ClosureKind, closures } from '../materials';
import { edgeVertices, type Panel } from '../panel';

/** Hook-and-loop that holds: 50 mm of overlap, and 30 mm glued at either end; common practice, no source. */
const OVERLAP_MM = 50;
const ANCHOR_MM = 30;
/** Eyelets of a laced edge stand this far apart; common practice, no source. */
const EYELETS_MM = 30;

/** A lace crossed from eyelet to eyelet over an edge, and a forearm's length to tie. */
export function laceMm(edgeMm: number, gapMm: number): number {
  const crossings = Math.max(2, Math.floor(edgeMm / EYELETS_MM));
  return 2 * crossings * Math.hypot(EYELETS_MM, gapMm + 20) + 400;
}

const run = (panel: Panel, edge: string): Vec3[] => {
  const points = panel.grid.flat();
  return edgeVertices(panel, edge).map((v) => points[v]!);
};

const lengthOf = (points: readonly Vec3[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + dist3(p, points[i]!), 0);

/** What shuts one gap: a lace, or straps at a third and at two thirds of it, one in the middle of a short one. */
function across(closure: ClosureKind, a: readonly Vec3[], b: readonly Vec3[], which: string): Fastening[] {
  const edgeMm = lengthOf(a);
  const gapAt = (t: number): number =>
    dist3(a[Math.round(t * (a.length - 1))]!, b[Math.round((1 - t) * (b.length - 1))]!);
  if (closures[closure].kind === 'lacing')
    return [
      {
        closure,
        where: `${which}, eyelets ${EYELETS_MM} mm apart on both edges`,
        count: 1,
        lengthMm: laceMm(edgeMm, gapAt(0.5)),
        overlapMm: 0,
      },
    ];
  const shares: [number, string][] =
    edgeMm < 80
      ? [[0.5, 'the middle']]
      : [
          [1 / 3, 'a third up'],
          [2 / 3, 'two thirds up'],
        ];
  return shares.map(([t, words]) => ({
    closure,
    where: `${which}, ${words} (${Math.round((edgeMm * t) / 5) * 5} mm)`,
    count: 1,
    lengthMm: gapAt(t) + OVERLAP_MM + 2 * ANCHOR_MM,
    overlapMm: OVERLAP_MM,
  }));
}

/** Everything that shuts the gaps of one copy. */
export const gapFastenings = ({ panels, joins, closure }: Model): Fastening[] => {
  const gaps = joins.filter((j) => j.kind === 'closure');
  return gaps.flatMap(({ a, b }) => {
    const [from, to] = [a, b].map(([id, side]) => {
      const panel = panels.find((p) => p.id === id)!;
      return run(panel, side);
    }) as [Vec3[], Vec3[]];
    const name = panels.find((p) => p.id === a[0])!.name;
    return across(closure, from, to, gaps.length > 1 ? `across the gap of ${name}` : 'across the gap');
  });
};

/** Mass and work of fastenings, all of them together. */
export const fasteningsG = (all: readonly Fastening[]): number =>
  all.reduce((sum, f) => {
    const { eachG, perMG } = closures[f.closure];
    return sum + f.count * (eachG + (perMG * f.lengthMm) / 1000);
  }, 0);
