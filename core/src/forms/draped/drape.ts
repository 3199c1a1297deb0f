import { edgeRun } from '../edgeRun';
import { mirrorPiece } from './mirror';
import { bendStrain } from '../../foam/bend';
import { joinMeshes, shellMesh } from '../../geometry/mesh';
import { overlapsItself } from '../../geometry/overlap';
import { lerp2 } from '../../geometry/vec';
import type { FoamSheet } from '../../materials/stock';
import type { EdgeLine, Solid, Surface } from '../contract';
import type { PieceDarts } from '../details/detail';
import { bevelsOf } from './bevels';
import { growEdges } from './growEdges';
import type { Piece, PieceEdge } from '../piece';
import { flatPanel, type FlatOptions } from './flatPanel';

import {
  offsetGrid,
  sides,
  sideVertices,
  splitPanel,
  tightestGridRadiusMm,
  type Join,
  type Panel,
} from './panel';

export interface Draped {
  pieces: Piece[];
  surfaces: () => Surface[];
  solid: () => Solid;
  bendStrain: number;
  tightestRadiusMm: number;
}

interface Laid {
  panel: Panel;
  foam: FoamSheet;
  piece: Piece;
  flat: Surface['flat'];
}

/** How a form's panels are laid: limits for all of them, and darts by hand for some. */
export interface DrapeOptions extends FlatOptions {
  dartsByHand?: readonly PieceDarts[];
}

/** Lays a panel flat; one that would overlap itself is split down its middle, at most twice over. */
function lay(panel: Panel, foam: FoamSheet, options: DrapeOptions, depth: number, joins: Join[]): Laid[] {
  const seams = joins
    .flatMap((j) => (j.kind === 'seam' ? [j.a, j.b] : []))
    .flatMap(([id, side]) => (id === panel.id ? [side] : []));
  const byHand = options.dartsByHand?.find((d) => d.pieceId === panel.id)?.darts;
  const { piece, flat } = flatPanel(panel, foam, { ...options, seams, ...(byHand && { byHand }) });
  if (depth === 0 || panel.grid[0]!.length < 5 || !overlapsItself(piece.outline))
    return [{ panel, foam, piece, flat }];
  const [a, b] = splitPanel(panel);
  joins.forEach((join) => {
    for (const end of ['a', 'b'] as const) {
      if (join[end][0] !== panel.id) continue;
      if (join[end][1] === 'left') join[end] = [a.id, 'left'];
      else if (join[end][1] === 'right') join[end] = [b.id, 'right'];
    }
  });
  joins.push({ a: [a.id, 'right'], b: [b.id, 'left'], kind: 'seam' });
  return [...lay(a, foam, options, depth - 1, joins), ...lay(b, foam, options, depth - 1, joins)];
}

/** Notches at equal shares of a seam, so that ease spreads evenly. */
function notch(piece: Piece, edge: PieceEdge, letter: string, backwards: boolean): void {
  const run = edgeRun(piece.outline, edge);
  const shares = edge.lengthMm > 160 ? [0.25, 0.5, 0.75] : [0.5];
  shares.forEach((share, i) => {
    const at = (backwards ? 1 - share : share) * (run.length - 1);
    const k = Math.min(run.length - 2, Math.floor(at));
    const name = shares.length > 1 ? `${letter}${i + 1}` : letter;
    piece.marks.push({ kind: 'notch', points: [lerp2(run[k]!, run[k + 1]!, at - k)], text: name });
  });
}

/**
 * Bevels of every seam, and what they do to the flat pieces: at a mitre the layer that is cut reaches further than
 * the inner face by its depth times the tangent of the bevel, and the outer face by the whole thickness' worth.
 */
function bevelSeams(laid: readonly Laid[], joins: readonly Join[]): void {
  const seams = joins.filter((j) => j.kind === 'seam');
  const find = ([id, side]: Join['a']): PieceEdge | undefined =>
    laid.find((l) => l.panel.id === id)?.piece.edges.find((e) => e.id === side);
  for (const { a, b } of seams) {
    const [panelA, panelB] = [a, b].map(([id]) => laid.find((l) => l.panel.id === id)?.panel);
    const [edgeA, edgeB] = [find(a), find(b)];
    if (!panelA || !panelB || !edgeA || !edgeB) continue;
    edgeA.bevelDeg = edgeB.bevelDeg = bevelsOf(panelA, a[1], panelB, b[1]);
  }
  for (const l of laid) {
    const { thicknessMm, neutralFraction } = l.foam;
    const tangent = (e: PieceEdge): number => Math.tan((e.bevelDeg * Math.PI) / 180);
    for (const edge of l.piece.edges)
      if (edge.bevelDeg !== 0) edge.proudMm = (1 - neutralFraction.value) * thicknessMm.value * tangent(edge);
    const out = l.piece.edges.map((e) => neutralFraction.value * thicknessMm.value * tangent(e));
    if (out.some((mm) => Math.abs(mm) > LEAST_GROWTH_MM)) l.piece = growEdges(l.piece, out);
  }
}

/** A knife follows no finer line than this. */
const LEAST_GROWTH_MM = 0.1;

/** Two or more mates agree to this, or carry a stated ease; mm. */
const SEAM_TOLERANCE_MM = 0.5;

function joinEdges(laid: readonly Laid[], joins: readonly Join[]): void {
  joins.forEach((join, i) => {
    const [a, b] = [join.a, join.b].map(([id, side]) => {
      const piece = laid.find((l) => l.panel.id === id)?.piece;
      return piece && { piece, edge: piece.edges.find((e) => e.id === side)! };
    });
    if (!a || !b) return;
    const letter = i < 26 ? String.fromCharCode(65 + i) : `A${String.fromCharCode(65 + (i % 26))}`;
    const ease = a.edge.lengthMm - b.edge.lengthMm;
    const eased = join.kind === 'seam' && Math.abs(ease) > SEAM_TOLERANCE_MM;
    Object.assign(a.edge, {
      joint: join.kind,
      letter,
      mate: { pieceId: b.piece.id, edgeId: b.edge.id },
      ...(eased && { easeMm: ease }),
    });
    Object.assign(b.edge, {
      joint: join.kind,
      letter,
      mate: { pieceId: a.piece.id, edgeId: a.edge.id },
      ...(eased && { easeMm: -ease }),
    });
    if (join.kind === 'closure') return;
    notch(a.piece, a.edge, letter, false);
    notch(b.piece, b.edge, letter, true);
  });
}

function edgeLines({ panel }: Laid, outer: Panel['grid']): EdgeLine[] {
  const flat = outer.flat();
  return sides.map((side) => ({
    pieceId: panel.id,
    edgeId: side,
    points: [
      ...sideVertices(panel, side),
      sideVertices(panel, sides[(sides.indexOf(side) + 1) % 4]!)[0]!,
    ].map((v) => flat[v]!),
  }));
}

/** Panels of a form turned into flat pieces and a solid in their own foams. */
export function drape(
  panels: readonly Panel[],
  joins: readonly Join[],
  foamFor: (panel: Panel) => FoamSheet,
  options: DrapeOptions,
): Draped {
  const all = joins.map((j) => ({ ...j }));
  const laid: Laid[] = [];
  for (const panel of panels) {
    const foam = foamFor(panel);
    const twin = laid.find((l) => l.panel.id === panel.mirrorOf);
    if (twin) laid.push({ panel, foam, ...mirrorPiece(twin, panel) });
    else laid.push(...lay(panel, foam, options, 2, all));
  }
  bevelSeams(laid, all);
  joinEdges(laid, all);
  const radii = laid.map(({ panel }) => tightestGridRadiusMm(panel.grid));
  const strains = laid.map(({ foam }, i) =>
    bendStrain({
      thicknessMm: foam.thicknessMm.value,
      insideRadiusMm: radii[i]!,
      neutralFraction: foam.neutralFraction.value,
    }),
  );
  return {
    pieces: laid.map((l) => l.piece),
    surfaces: () =>
      laid.map(({ panel, flat }) => ({
        pieceId: panel.id,
        grid: panel.grid,
        flat,
        ...(panel.loose && { loose: true as const }),
      })),
    solid: () => {
      const seen = laid.filter(({ panel }) => !panel.unseen);
      const outers = seen.map(({ panel, foam }) => offsetGrid(panel.grid, foam.thicknessMm.value));
      return {
        mesh: joinMeshes(seen.map(({ panel }, i) => shellMesh(panel.grid, outers[i]!, false))),
        edgeLines: seen.flatMap((l, i) => edgeLines(l, outers[i]!)),
      };
    },
    bendStrain: Math.max(...strains),
    tightestRadiusMm: Math.min(...radii),
  };
}
