import type { Proposal, Feature } from '../document';
import { type FeatureKind, type Laid, notLaid } from '../features';
import { contains, distanceToEdge, type Vec2 } from '../geometry';
import type { LaidPanel, Mark, Piece } from '../panel';
import { trimNumber } from '../units';
import { cutFor } from './drilling';

/** Holes keep this much foam to the edge at the least, or they break it; mm. */
const BRIDGE_MM = 0.5;
/** What is only drawn may end on the edge; mm. */
const DRAWN_MM = 1;

/** How far outside an outline a point lies, mm; negative inside. */
const outside = (outline: readonly Vec2[], p: Vec2): number =>
  (contains(outline, p) ? -1 : 1) * distanceToEdge(outline, p);

/** How far a mark reaches beyond an outline, and whether all of it lies there. */
function reaches(outline: readonly Vec2[], { points }: Mark): { mm: number; wholly: boolean } {
  const out = points.map((p) => outside(outline, p));
  return { mm: Math.max(...out), wholly: Math.min(...out) > 0 };
}

interface Off {
  piece: Piece;
  mm: number;
  /** It is cut through there, or lies beside the piece with all of it. */
  gone: boolean;
}

/** What a feature cuts or draws that does not lie on its piece: the worst of it, and how far it reaches beyond. */
function offPiece(laid: Laid, shell: readonly LaidPanel[]): Off | undefined {
  const pieceOf = (id: string): Piece | undefined => shell.find((l) => l.piece.id === id)?.piece;
  // In the wall of a bought thing levers and bushes come through as well.
  const walls = new Set(shell.flatMap((l) => (l.panel.existing ? [l.piece.id] : [])));
  const through = laid.items.flatMap((item) =>
    item.pieceId !== undefined && walls.has(item.pieceId) ? [{ pieceId: item.pieceId, ...cutFor(item) }] : [],
  );
  const holes = [
    ...laid.holes,
    ...through.flatMap(({ pieceId, holes: own }) => own.map((hole) => ({ pieceId, hole }))),
  ].flatMap(({ pieceId, hole }): Off[] => {
    const piece = pieceOf(pieceId);
    const mm = piece ? outside(piece.outline, hole.centre) + hole.diameterMm / 2 + BRIDGE_MM : 0;
    return piece && mm > 1e-6 ? [{ piece, mm, gone: true }] : [];
  });
  const marks = [
    ...laid.marks,
    ...through.flatMap(({ pieceId, marks: own }) => own.map((mark) => ({ pieceId, mark }))),
  ].flatMap(({ pieceId, mark }): Off[] => {
    const piece = pieceOf(pieceId);
    if (!piece || mark.points.length === 0) return [];
    const { mm, wholly } = reaches(piece.outline, mark);
    const cut = mark.kind === 'slot';
    return mm > (cut ? 1e-6 : DRAWN_MM) ? [{ piece, mm, gone: cut || wholly }] : [];
  });
  const worse = (a: Off, b: Off): Off => (a.gone !== b.gone ? (a.gone ? a : b) : b.mm > a.mm ? b : a);
  return [...holes, ...marks].reduce<Off | undefined>(
    (worst, off) => (worst ? worse(worst, off) : off),
    undefined,
  );
}

/**
 * Checks a laid feature against its piece. It is dropped, with a warning, when a cut-through shape leaves the piece or the
 * whole feature lies beside it; a pocket or line that only crosses an edge stays, with a warning.
 */
export function keptOn(
  laid: Laid,
  feature: Feature,
  kind: FeatureKind,
  shell: readonly LaidPanel[],
  pathOf: (feature: Feature) => (string | number)[],
): Laid {
  const off = offPiece(laid, shell);
  if (!off) return laid;
  const title = `${kind.label}: reaches ${trimNumber(Math.max(0.1, off.mm))} mm beyond the edge of ${off.piece.name}.`;
  const { place } = feature;
  const remedies: Proposal[] =
    place.on === 'panel' && (place.u !== 0.5 || place.v !== 0.5)
      ? [
          {
            label: 'Move it to the middle',
            changes: [
              { path: [...pathOf(feature), 'place', 'u'], value: 0.5 },
              { path: [...pathOf(feature), 'place', 'v'], value: 0.5 },
            ],
          },
        ]
      : [];
  const reported = { excess: off.mm, pieceId: off.piece.id, remedies };
  if (off.gone) {
    const left = notLaid(feature, kind.station, title);
    return { ...left, checks: left.checks.map((c) => ({ ...c, ...reported })) };
  }
  return {
    ...laid,
    checks: [
      ...laid.checks,
      {
        id: `over-edge-${feature.id}`,
        severity: 'mind',
        station: kind.station,
        title,
        why: 'A pocket or line that runs out over the edge leaves a gap there.',
        provenance: 'standard',
        ...reported,
      },
    ],
  };
}
