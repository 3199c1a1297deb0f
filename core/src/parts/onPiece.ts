import type { Cure, Feature } from '../document';
import { type FeatureKind, type Laid, notLaid } from '../features';
import { contains, distanceToEdge, type Vec2 } from '../geometry';
import type { LaidPanel, Mark, Piece } from '../panel';
import { trimNumber } from '../units';
import { cutFor } from './drilling';

/** Holes keep this much foam to the edge at the least, or they break it; mm. */
const BRIDGE_MM = 0.5;
/** Lines and outlines that are only drawn may end on the edge; mm. */
const DRAWN_MM = 1;

/** How far outside an outline a point lies, mm; negative inside. */
const outside = (outline: readonly Vec2[], p: Vec2): number =>
  (contains(outline, p) ? -1 : 1) * distanceToEdge(outline, p);

const reaches = (outline: readonly Vec2[], { kind, points }: Mark): number =>
  Math.max(...points.map((p) => outside(outline, p))) - (kind === 'slot' ? 0 : DRAWN_MM);

interface Off {
  piece: Piece;
  mm: number;
}

/** What a feature cuts or draws that does not lie on its piece: the worst of it, and how far it reaches beyond. */
function offPiece(laid: Laid, shell: readonly LaidPanel[]): Off | undefined {
  // In the wall of a bought thing levers and bushes come through as well.
  const walls = new Set(shell.flatMap((l) => (l.panel.given ? [l.piece.id] : [])));
  const through = laid.items.flatMap((item) =>
    item.pieceId !== undefined && walls.has(item.pieceId) ? [{ pieceId: item.pieceId, ...cutFor(item) }] : [],
  );
  const holes = [
    ...laid.holes,
    ...through.flatMap(({ pieceId, holes: own }) => own.map((hole) => ({ pieceId, hole }))),
  ];
  const marks = [
    ...laid.marks,
    ...through.flatMap(({ pieceId, marks: own }) => own.map((mark) => ({ pieceId, mark }))),
  ];
  const all = [
    ...holes.map(({ pieceId, hole }) => ({
      pieceId,
      over: (outline: readonly Vec2[]) => outside(outline, hole.centre) + hole.diameterMm / 2 + BRIDGE_MM,
    })),
    ...marks.map(({ pieceId, mark }) => ({
      pieceId,
      over: (outline: readonly Vec2[]) => (mark.points.length === 0 ? -1 : reaches(outline, mark)),
    })),
  ];
  return all.reduce<Off | undefined>((worst, { pieceId, over }) => {
    const piece = shell.find((l) => l.piece.id === pieceId)?.piece;
    const mm = piece ? over(piece.outline) : 0;
    return piece && mm > Math.max(1e-6, worst?.mm ?? 0) ? { piece, mm } : worst;
  }, undefined);
}

/**
 * A feature as it was laid, or left off where what it cuts or draws does not lie on its piece: nothing is exported that
 * a knife would find beside the foam.
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
  const left = notLaid(
    feature,
    kind.station,
    `${kind.label}: reaches ${trimNumber(Math.max(0.1, off.mm))} mm beyond the edge of ${off.piece.name}.`,
  );
  const { place } = feature;
  const cures: Cure[] =
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
  return {
    ...left,
    checks: left.checks.map((c) => ({ ...c, excess: off.mm, pieceId: off.piece.id, cures })),
  };
}
