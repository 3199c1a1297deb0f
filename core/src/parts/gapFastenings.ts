import { itemAt, findIn } from '../units';
import type { Fastening, Model } from '../forms';
import { dist3, type Vec3 } from '../geometry';
import { type ClosureKind, closures } from '../materials';
import { edgeVertices, type Panel } from '../panel';

const run = (panel: Panel, edge: string): Vec3[] => {
  const points = panel.grid.flat();
  return edgeVertices(panel, edge).map((v) => itemAt(points, v));
};

const lengthOf = (points: readonly Vec3[]): number =>
  points.slice(1).reduce((sum, p, i) => sum + dist3(p, itemAt(points, i)), 0);

/** What shuts one gap. */
function across(closure: ClosureKind, a: readonly Vec3[], b: readonly Vec3[], which: string): Fastening[] {
  const gapMm = (t: number): number =>
    dist3(itemAt(a, Math.round(t * (a.length - 1))), itemAt(b, Math.round((1 - t) * (b.length - 1))));
  return closures[closure]
    .across(lengthOf(a), gapMm)
    .map(({ where, ...run }) => ({ closure, where: `${which}, ${where}`, ...run }));
}

/** Everything that shuts the gaps of one copy. */
export const gapFastenings = ({ panels, joins, closure }: Model): Fastening[] => {
  const gaps = joins.filter((j) => j.kind === 'closure');
  return gaps.flatMap(({ a, b }) => {
    const [from, to] = [a, b].map(([id, side]) => {
      const panel = findIn(panels, (p) => p.id === id);
      return run(panel, side);
    }) as [Vec3[], Vec3[]];
    const name = findIn(panels, (p) => p.id === a[0]).name;
    return across(closure, from, to, gaps.length > 1 ? `across the gap of ${name}` : 'across the gap');
  });
};

/** Mass and work of fastenings, all of them together. */
export const fasteningsG = (all: readonly Fastening[]): number =>
  all.reduce((sum, f) => {
    const { eachG, perMG } = closures[f.closure];
    return sum + f.count * (eachG + (perMG * f.lengthMm) / 1000);
  }, 0);
