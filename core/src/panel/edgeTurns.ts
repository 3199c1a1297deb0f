import { itemAt, getFrom } from '../units';
import { cross3, dot3, length3, sub3, unit3, type Vec3 } from '../geometry';
import type { Habits } from '../materials';
import { bevelsOf, cuttableBevel, squareWhenSmall } from './bevels';
import type { Flush } from './flush';
import { edgesOf, edgeVertices, gridNormals, type Join, type Panel } from './panel';

const deg = (rad: number): number => (rad * 180) / Math.PI;

/** How an edge is cut where it is not square, or how far the sheet folds there. */
export interface EdgeTurn {
  kind: 'bevel' | 'fold';
  /** Off square, or half of the fold, degrees: positive where the outer face reaches further than the inner one. */
  halfDeg: number;
  /** Least and most along an edge whose seam does not turn alike all along it. */
  spreadDeg?: [least: number, most: number];
  /** What the seam asks for, where that is steeper than a knife follows; the edge is then cut square. */
  askedDeg?: number;
  /** Fold method of this edge, when it differs from the shop's habit. */
  method?: Habits['fold'];
}

/** Turns of one panel by its edges; edges that are cut square have none. */
export type EdgeTurns = ReadonlyMap<string, EdgeTurn>;

/** Bevels that change along a seam by less than this are one bevel, degrees. */
const ALIKE_DEG = 2;

/**
 * Off-square angle of a free edge whose cut face lies in a plane of the normal given, degrees, mean along the edge:
 * going out through the foam by n, the edge moves by −(n·p)/(o·p) along its own outward direction o.
 */
function inPlaneDeg(panel: Panel, edge: string, plane: Vec3): number {
  const points = panel.grid.flat();
  const normals = gridNormals(panel.grid).flat();
  const run = edgeVertices(panel, edge);
  const angles = run.slice(1).flatMap((v, i): number[] => {
    const along = sub3(itemAt(points, v), itemAt(points, itemAt(run, i)));
    const normal = itemAt(normals, v);
    if (length3(along) < 1e-6 || length3(normal) < 0.5) return [];
    const outward = unit3(cross3(along, normal));
    const reach = dot3(outward, plane);
    return Math.abs(reach) < 1e-6 ? [] : [Math.atan(-dot3(normal, plane) / reach)];
  });
  return angles.length === 0 ? 0 : squareWhenSmall(deg(angles.reduce((s, a) => s + a, 0) / angles.length));
}

/** Every edge of a set of panels that is not cut square: seams, folds, edges flush with others, and free edges cut in a plane. */
export function edgeTurns(
  panels: readonly Panel[],
  joins: readonly Join[],
  flush: readonly Flush[] = [],
): ReadonlyMap<string, EdgeTurns> {
  const known = new Map(panels.map((p) => [p.id, p]));
  const turns = new Map(panels.map((p) => [p.id, new Map<string, EdgeTurn>()]));
  const cut = (at: Join['a'], turn: EdgeTurn): void => {
    if (turn.halfDeg !== 0 || turn.askedDeg !== undefined || turn.kind === 'fold')
      turns.get(at[0])?.set(at[1], turn);
  };
  for (const { a, b, kind, method } of joins) {
    const [one, other] = [known.get(a[0]), known.get(b[0])];
    if (kind === 'closure' || !one || !other || (a[0] === b[0] && a[1] === b[1])) continue;
    const asked = bevelsOf(one, a[1], other, b[1]);
    const halfDeg = kind === 'fold' ? asked.deg : cuttableBevel(asked.deg);
    const turn: EdgeTurn = {
      kind: kind === 'fold' ? 'fold' : 'bevel',
      halfDeg,
      ...(halfDeg !== 0 &&
        asked.mostDeg - asked.leastDeg > ALIKE_DEG && { spreadDeg: [asked.leastDeg, asked.mostDeg] }),
      ...(halfDeg !== asked.deg && { askedDeg: asked.deg }),
      ...(method && { method }),
    };
    cut(a, turn);
    cut(b, turn);
  }
  for (const { laid, side, along, bevelDeg } of flush)
    for (const at of [[laid.panel.id, side], ...along.map((x) => [x.panel.id, x.side])] as Join['a'][])
      if (!turns.get(at[0])?.has(at[1])) cut(at, { kind: 'bevel', halfDeg: cuttableBevel(bevelDeg) });
  for (const panel of panels)
    for (const { id } of edgesOf(panel)) {
      const plane = panel.cutIn?.[id];
      if (!plane || getFrom(turns, panel.id).has(id)) continue;
      cut([panel.id, id], { kind: 'bevel', halfDeg: cuttableBevel(inPlaneDeg(panel, id, plane)) });
    }
  return turns;
}

/** How far the outer face reaches beyond the inner one at an edge, mm; negative where it stands back. */
export const reachMm = (turn: EdgeTurn | undefined, thicknessMm: number): number =>
  turn ? thicknessMm * Math.tan((turn.halfDeg * Math.PI) / 180) : 0;
