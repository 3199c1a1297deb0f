import type { Body } from '../body/estimate';
import type { Detail } from '../forms/details/detail';
import type { Surface, Zone } from '../forms/contract';
import { gridNormals, sides, sideVertices } from '../forms/draped/panel';
import type { Piece } from '../forms/piece';
import type { Vec3 } from '../geometry/vec';
import type { FoamSheet } from '../materials/stock';
import { clearanceOf } from './clearanceOf';
import { padsFor, type Pad } from './pads';
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
  sag?: Sag;
}

/** Thickness of everything glued along an edge or over the piece, shell included. */
function edgeThicknessMm(
  piece: Piece,
  edgeId: string,
  details: readonly Detail[],
  sheetOf: (mm: number) => FoamSheet,
): number {
  const added = details.filter(
    (d) => d.pieceId === piece.id && (d.kind === 'layer' || (d.kind === 'trim' && d.edgeId === edgeId)),
  );
  return added.reduce(
    (sum, d) => sum + ('nominalMm' in d ? sheetOf(d.nominalMm).thicknessMm.value : 0),
    piece.thicknessMm,
  );
}

const edgeRun = (grid: Vec3[][], side: (typeof sides)[number]): Vec3[] => {
  const points = grid.flat();
  return sideVertices({ grid }, side).map((v) => points[v]!);
};

function slackest(
  pieces: readonly Piece[],
  surfaces: readonly Surface[],
  pads: readonly Pad[],
  details: readonly Detail[],
  sheetOf: (mm: number) => FoamSheet,
): Sag | undefined {
  const sags = surfaces.flatMap((surface) => {
    const piece = pieces.find((p) => p.id === surface.pieceId);
    if (!piece) return [];
    const held = piece.edges.flatMap((e, i) => (e.joint === 'free' ? [] : edgeRun(surface.grid, sides[i]!)));
    const supports = [...held, ...pads.filter((p) => p.pieceId === piece.id).map((p) => p.at)];
    const normals = gridNormals(surface.grid);
    return piece.edges.flatMap((edge, i): Sag[] => {
      if (edge.joint !== 'free') return [];
      const over = overhangOf(edgeRun(surface.grid, sides[i]!), edgeRun(normals, sides[i]!), supports);
      if (!over) return [];
      // A corner is as stiff as the stiffer of the edges that meet there.
      const run = edgeRun(surface.grid, sides[i]!);
      const meeting = [
        edge,
        ...(over.at === run[0] ? [piece.edges[(i + 3) % 4]!] : []),
        ...(over.at === run.at(-1) ? [piece.edges[(i + 1) % 4]!] : []),
      ];
      const thicknessMm = Math.max(...meeting.map((e) => edgeThicknessMm(piece, e.id, details, sheetOf)));
      const { densityKgM3, modulusMPa } = sheetOf(piece.nominalMm);
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
  });
  return sags.reduce<Sag | undefined>((worst, s) => (!worst || s.sagMm > worst.sagMm ? s : worst), undefined);
}

/** @param padded whether the form leaves room for padding, so that pads carry it. */
export function partFit(
  body: Body,
  zone: Zone,
  underLayerMm: number,
  shell: { pieces: readonly Piece[]; surfaces: readonly Surface[] },
  details: readonly Detail[],
  sheetOf: (mm: number) => FoamSheet,
  padded: boolean,
): PartFit {
  const { pieces } = shell;
  const surfaces = shell.surfaces.filter((s) => !s.loose);
  const clearance = clearanceOf(body, zone);
  const standOff = surfaces.map((s) => standOffOf(s, clearance, underLayerMm));
  let least = { pieceId: surfaces[0]!.pieceId, at: surfaces[0]!.grid[0]![0]!, gap: Infinity };
  let sum = 0;
  let count = 0;
  standOff.forEach(({ pieceId, gapMm }, i) =>
    gapMm.forEach((row, r) =>
      row.forEach((gap, c) => {
        sum += gap;
        count += 1;
        if (gap < least.gap) least = { pieceId, at: surfaces[i]!.grid[r]![c]!, gap };
      }),
    ),
  );
  const pads = padded ? padsFor(surfaces, standOff, pieces) : [];
  const sag = slackest(pieces, surfaces, pads, details, sheetOf);
  return {
    standOff,
    leastGapMm: least.gap,
    leastAt: { pieceId: least.pieceId, at: least.at },
    meanGapMm: sum / count,
    pads,
    ...(sag && { sag }),
  };
}
