import type { Feature, Part, Place } from '@fomrik/core/document';
import { dist2, type Vec2 } from '@fomrik/core/geometry';
import { onFlat, type Piece, spotOfFlat, type Surface } from '@fomrik/core/panel';
import { drawnPieces, type PartReport, standardKinds } from '@fomrik/core/parts';
import { byId, itemAt } from '@fomrik/core/units';
import { clampShare, snapOf } from './snapped';

/** A spot by which a detail is held: the whole of it, a point of its line, or an edge it runs along. */
export interface HeldSpot {
  feature: Feature;
  /** Which of its points or edges; nothing where it has one spot. */
  index?: number;
  panel: string;
  /** Shares of the panel's width and height. */
  at: Vec2;
  /** Its place once it is dragged to a spot of a panel; nothing where it cannot go there. */
  put: (panel: string, at: Vec2, snaps: boolean) => Place | undefined;
}

/** A spot drawn to the middle of its piece and to what else is on it, where that is asked. */
function snapped(part: Part, featureId: string, panel: string, at: Vec2, snaps: boolean): Vec2 {
  const others = part.features.flatMap(({ id, place }) =>
    id !== featureId && place.on === 'panel' && place.panel === panel ? [place] : [],
  );
  const to = (t: number, marks: readonly number[]): number =>
    clampShare((snaps ? snapOf(t, marks) : undefined) ?? t);
  return {
    x: to(
      at.x,
      others.map((o) => o.u),
    ),
    y: to(
      at.y,
      others.map((o) => o.v),
    ),
  };
}

/** The points of an edge on its flat piece. */
const runOf = ({ outline }: Piece, { from, to }: Piece['edges'][number]): Vec2[] => {
  const count = ((to - from + outline.length) % outline.length) + 1;
  return Array.from({ length: count }, (_, i) => itemAt(outline, (from + i) % outline.length));
};

/** The edge of a piece nearest to a spot of it. */
function nearestEdge(piece: Piece, flat: Vec2): string | undefined {
  const far = (edge: Piece['edges'][number]): number =>
    Math.min(...runOf(piece, edge).map((p) => dist2(p, flat)));
  return [...piece.edges].sort((a, b) => far(a) - far(b))[0]?.id;
}

/** The middle of an edge, as shares of its panel. */
function edgeMiddle(made: PartReport, panel: string, edgeId: string): Vec2 | undefined {
  const piece = byId(drawnPieces(made), panel);
  const surface = surfaceOf(made, panel);
  const edge = piece && byId(piece.edges, edgeId);
  if (!edge || !surface) return undefined;
  const run = runOf(piece, edge);
  return spotOfFlat(surface, itemAt(run, Math.floor(run.length / 2)));
}

export const surfaceOf = (made: PartReport, panel: string): Surface | undefined =>
  made.surfaces.find((s) => s.pieceId === panel);

/** The spots by which a detail of a part is held. */
export function heldSpots(part: Part, made: PartReport, feature: Feature): HeldSpot[] {
  const { place } = feature;
  const kind = standardKinds.features.get(feature.kind);
  switch (place.on) {
    case 'panel':
      if (kind?.spotless) return [];
      return [
        {
          feature,
          panel: place.panel,
          at: { x: place.u, y: place.v },
          put: (panel, at, snaps) => {
            const { x: u, y: v } = snapped(part, feature.id, panel, at, snaps);
            return { ...place, panel, u, v };
          },
        },
      ];
    case 'path':
      return place.points.map(([x, y], index) => ({
        feature,
        index,
        panel: place.panel,
        at: { x, y },
        put: (panel, at, snaps) => {
          if (panel !== place.panel) return undefined;
          const to = snapped(part, feature.id, panel, at, snaps);
          return { ...place, points: place.points.map((p, i) => (i === index ? [to.x, to.y] : p)) };
        },
      }));
    case 'edges':
      return place.runs.flatMap(({ panel, edge }, index): HeldSpot[] => {
        const at = edgeMiddle(made, panel, edge);
        const put: HeldSpot['put'] = (to, spot) => {
          const piece = byId(drawnPieces(made), to);
          const surface = surfaceOf(made, to);
          const next = piece && surface && nearestEdge(piece, onFlat(surface, spot));
          if (next === undefined) return undefined;
          return { ...place, runs: place.runs.map((r, i) => (i === index ? { panel: to, edge: next } : r)) };
        };
        return at ? [{ feature, index, panel, at, put }] : [];
      });
    case 'room':
      return [];
  }
}
