import { getFrom } from '../units';
import { polylineLength, signedArea, type Vec2 } from '../geometry';
import type { FoamSheet, Habits } from '../materials';
import { edgeRun } from './edgeRun';
import { type EdgeTurn, type EdgeTurns, reachMm } from './edgeTurns';
import type { FlatPanel } from './flatPanel';
import { foldOf } from './fold';
import { growEdges, grownOutline } from './growEdges';
import type { Mark, Piece, PieceEdge } from './piece';

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** A knife follows no finer line than this. */
const LEAST_MM = 0.1;

/** How edges that are not square are cut. */
export interface CutWays {
  fold: Habits['fold'];
  bevel: Habits['bevel'];
}

const withTurn = (edge: PieceEdge, turn: EdgeTurn, thicknessMm: number, ways: CutWays): PieceEdge =>
  turn.kind === 'fold'
    ? { ...edge, foldDeg: 2 * turn.halfDeg, ...(turn.method && { foldMethod: turn.method }) }
    : {
        ...edge,
        bevelDeg: turn.halfDeg,
        ...(turn.halfDeg !== 0 && { bevelMm: Math.abs(reachMm(turn, thicknessMm)) }),
        ...(turn.halfDeg !== 0 && ways.bevel === 'tilted' && { tilted: true as const }),
        ...(turn.spreadDeg && { bevelSpreadDeg: turn.spreadDeg }),
        ...(turn.askedDeg !== undefined && { foldsBackDeg: 2 * turn.askedDeg }),
      };

/**
 * A piece with the line it is cut on and the lines it is bevelled to. Cut square it must be as large as the larger of its
 * faces: at an edge lost from the back the outer face is, at one lost from the front the inner; the bevel runs from there
 * to where the other face ends. A blade that is tilted instead follows the face that is up. At a fold the piece ends where
 * its groove is cut.
 */
export function cutEdges(
  { piece, foam, turns, legs }: Pick<FlatPanel, 'piece' | 'legs'> & { foam: FoamSheet; turns: EdgeTurns },
  ways: CutWays,
): Piece {
  if (turns.size === 0) return piece;
  const thicknessMm = foam.thicknessMm.value;
  const turned = piece.edges.map((e) => turns.get(e.id));
  const edges = piece.edges.map((e, i) => (turned[i] ? withTurn(e, turned[i], thicknessMm, ways) : e));
  /** How far each edge reaches beyond the inner face, at a share of the thickness. */
  const out = (at: (reach: number) => number): number[] =>
    turned.map((turn) => {
      if (!turn) return 0;
      return turn.kind === 'fold'
        ? foldOf(foam, rad(2 * turn.halfDeg), turn.method ?? ways.fold).outMm
        : at(reachMm(turn, thicknessMm));
    });
  const cut = out(ways.bevel === 'tilted' ? (mm) => mm : (mm) => Math.max(0, mm));
  const faces = { back: out(() => 0), front: out((mm) => mm) };
  const whole = growEdges({ ...piece, edges }, cut, legs);
  const bevelled = whole.edges.filter((e) => (e.bevelMm ?? 0) > LEAST_MM);
  if (bevelled.length === 0) return cut.some((mm) => Math.abs(mm) > LEAST_MM) ? whole : { ...piece, edges };
  const ringOf = (mm: readonly number[]): Vec2[] => grownOutline(piece, mm, legs);
  const areaAt = (share: number): number => Math.abs(signedArea(ringOf(out((mm) => share * mm))));
  return {
    ...whole,
    marks: [...whole.marks, ...(ways.bevel === 'tilted' ? [] : bevelLines(bevelled, faces, ringOf))],
    // A prismatoid: faces at either end, the middle counts four times (Simpson’s rule, exact for straight bevels).
    volumeMm3: (thicknessMm * (areaAt(0) + 4 * areaAt(0.5) + areaAt(1))) / 6,
  };
}

/** Where the face that loses ends, along every bevelled edge. */
function bevelLines(
  bevelled: readonly PieceEdge[],
  faces: Record<'back' | 'front', readonly number[]>,
  ringOf: (mm: readonly number[]) => Vec2[],
): Mark[] {
  const rings = new Map<'back' | 'front', Vec2[]>();
  return bevelled.flatMap((edge): Mark[] => {
    const face = edge.bevelDeg > 0 ? 'back' : 'front';
    if (!rings.has(face)) rings.set(face, ringOf(faces[face]));
    const points = edgeRun(getFrom(rings, face), edge);
    return polylineLength(points) < LEAST_MM
      ? []
      : [{ kind: 'bevel', points, bevel: { face, deg: Math.abs(edge.bevelDeg) } }];
  });
}
