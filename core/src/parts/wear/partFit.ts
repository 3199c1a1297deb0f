import { byId, itemAt, firstOf } from '../../units';
import type { Clearance } from '../../body';
import type { Ply } from '../../document';
import type { Laid } from '../../features';
import { contains, type Vec3 } from '../../geometry';
import type { FoamSheet } from '../../materials';
import { edgeVertices, gridNormals, type Piece, type Surface } from '../../panel';
import { padsFor, type Kept, type Pad } from './pads';
import { overhangOf, ownWeightSagMm } from './sag';
import { standOffOf, type StandOff } from './standOff';

/** The free edge of a part that gives most under its own weight. */
export interface Sag {
  pieceId: string;
  edgeId: string;
  edgeName: string;
  sagMm: number;
  lengthMm: number;
  /** Rise of the edge there, and the share of its weight across the sheet. */
  riseMm: number;
  across: number;
  at: Vec3;
}

/** How a part sits on the wearer: gaps, where it presses, where pads carry it, and the slackest edge. */
export interface PartFit {
  standOff: StandOff[];
  leastGapMm: number;
  leastAt: { pieceId: string; at: Vec3 };
  meanGapMm: number;
  pads: Pad[];
  /** The slackest edge of each piece, the worst first. */
  sags: Sag[];
}

/** Thickness of everything glued along an edge or over the piece, shell included. */
const edgeThicknessMm = (piece: Piece, edgeId: string, added: Laid['stiffens']): number =>
  added
    .filter((a) => a.pieceId === piece.id && (a.edgeId === undefined || a.edgeId === edgeId))
    .reduce((sum, a) => sum + a.thicknessMm, piece.thicknessMm);

const edgeRun = (surface: Pick<Surface, 'grid' | 'rim'>, edgeId: string): Vec3[] => {
  const points = surface.grid.flat();
  return edgeVertices(surface, edgeId).map((v) => itemAt(points, v));
};

function slackestEdges(
  pieces: readonly Piece[],
  surfaces: readonly Surface[],
  pads: readonly Pad[],
  added: Laid['stiffens'],
  sheet: (ply: Ply) => FoamSheet,
): Sag[] {
  const sags = surfaces.flatMap((surface) => {
    const piece = byId(pieces, surface.pieceId);
    if (!piece) return [];
    const held = piece.edges.flatMap((e) => (e.joint === 'free' ? [] : edgeRun(surface, e.id)));
    const supports = [...held, ...pads.filter((p) => p.pieceId === piece.id).map((p) => p.at)];
    const normals = { ...surface, grid: gridNormals(surface.grid) };
    const edges = piece.edges.flatMap((edge, i): Sag[] => {
      if (edge.joint !== 'free') return [];
      const run = edgeRun(surface, edge.id);
      const over = overhangOf(run, edgeRun(normals, edge.id), supports);
      if (!over) return [];
      // A corner is as stiff as the stiffer of the edges that meet there.
      const last = piece.edges.length;
      const meeting = [
        edge,
        ...(over.at === run[0] ? [itemAt(piece.edges, (i + last - 1) % last)] : []),
        ...(over.at === run.at(-1) ? [itemAt(piece.edges, (i + 1) % last)] : []),
      ];
      const thicknessMm = Math.max(...meeting.map((e) => edgeThicknessMm(piece, e.id, added)));
      const { densityKgM3, modulusMPa } = sheet(piece);
      const sagMm =
        over.across *
        ownWeightSagMm(
          {
            densityKgM3: densityKgM3.value,
            modulusMPa: modulusMPa.value,
            thicknessMm,
          },
          over.lengthMm,
          over.riseMm,
        );
      return [
        {
          pieceId: piece.id,
          edgeId: edge.id,
          edgeName: edge.name,
          sagMm,
          ...over,
        },
      ];
    });
    return edges.sort((a, b) => b.sagMm - a.sagMm).slice(0, 1);
  });
  return sags.sort((a, b) => b.sagMm - a.sagMm);
}

/** Gaps at every point of the pieces that do not hang free. */
export function standOffs(
  surfaces: readonly Surface[],
  clearance: Clearance,
  underLayerMm: number,
): StandOff[] {
  return surfaces.filter((s) => !s.loose).map((s) => standOffOf(s, clearance, underLayerMm));
}

/** Lamps, packs and switches lie on the back of their piece. */
const insideOf = ({ items }: Pick<Laid, 'items'>): Kept[] =>
  items.flatMap(({ pieceId, flat, fit }) =>
    pieceId && flat
      ? [{ pieceId, at: flat, reachMm: fit ? Math.hypot(fit.widthMm, fit.lengthMm) / 2 : 0 }]
      : [],
  );

/** @param padded whether the form leaves room for padding, so that pads carry it. */
export function partFit(
  standOff: readonly StandOff[],
  pieces: readonly Piece[],
  all: readonly Surface[],
  featured: Pick<Laid, 'stiffens' | 'items'>,
  sheet: (ply: Ply) => FoamSheet,
  padded: boolean,
): PartFit | undefined {
  const surfaces = all.filter((s) => !s.loose);
  const [first] = surfaces;
  if (!first) return undefined;
  let least = { pieceId: first.pieceId, at: firstOf(firstOf(first.grid)), gap: Infinity };
  let sum = 0;
  let count = 0;
  standOff.forEach(({ pieceId, gapMm }, i) =>
    gapMm.forEach((row, r) =>
      row.forEach((gap, c) => {
        const at = { x: c / (row.length - 1), y: r / (gapMm.length - 1) };
        if (itemAt(surfaces, i).openings?.some((o) => contains(o.outline, at))) return;
        sum += gap;
        count += 1;
        if (gap < least.gap) least = { pieceId, at: itemAt(itemAt(itemAt(surfaces, i).grid, r), c), gap };
      }),
    ),
  );
  const pads = padded ? padsFor(surfaces, standOff, pieces, insideOf(featured)) : [];
  const sags = slackestEdges(pieces, surfaces, pads, featured.stiffens, sheet);
  return {
    standOff: [...standOff],
    leastGapMm: least.gap,
    leastAt: { pieceId: least.pieceId, at: least.at },
    meanGapMm: sum / count,
    pads,
    sags,
  };
}
