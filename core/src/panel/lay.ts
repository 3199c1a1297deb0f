import { letterAt } from '../units';
import type { PieceDarts } from '../document';
import { dist3, lerp2, overlapsItself } from '../geometry';
import type { FoamSheet, Habits } from '../materials';
import { bevelsOf, cuttableBevel } from './bevels';
import { edgeRun } from './edgeRun';
import { foldOf } from './fold';
import { type Flush, flushEaseMm, flushEdges } from './flush';
import { flatPanel, type FlatOptions, type FlatPanel } from './flatPanel';
import { growEdges } from './growEdges';
import { flatPlate } from './plate';
import { mirrorPiece } from './mirror';
import { edgeVertices, splitPanel, type Join, type Panel } from './panel';
import type { Piece, PieceEdge } from './piece';

const rad = (deg: number): number => (deg * Math.PI) / 180;

/** A panel in its foam, laid flat. */
export interface LaidPanel extends FlatPanel {
  panel: Panel;
  foam: FoamSheet;
}

/** How a form's panels are laid: limits for all of them, and darts by hand for some. */
export interface LayOptions extends FlatOptions {
  dartsByHand?: readonly PieceDarts[];
  /** How folds are cut; the default V when absent. */
  fold?: Habits['fold'];
}

/** Lays a panel flat; one that would overlap itself is split down its middle, at most twice over. */
function lay(panel: Panel, foam: FoamSheet, options: LayOptions, depth: number, joins: Join[]): LaidPanel[] {
  if (panel.plate) return [{ panel, foam, ...flatPlate(panel, panel.plate, foam) }];
  const seams = joins
    .flatMap((j) => (j.kind === 'seam' ? [j.a, j.b] : []))
    .flatMap(([id, side]) => (id === panel.id ? [side] : []));
  const byHand = options.dartsByHand?.find((d) => d.pieceId === panel.id)?.darts;
  const flat = flatPanel(panel, foam, { ...options, seams, ...(byHand && { byHand }) });
  if (depth === 0 || panel.rim || panel.grid[0]!.length < 5 || !overlapsItself(flat.piece.outline))
    return [{ panel, foam, ...flat }];
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
 * the inner face by its depth times the tangent of the bevel, and the outer face by the whole thickness' worth. At a
 * fold the piece ends where its groove is cut.
 */
function bevelSeams(
  laid: readonly LaidPanel[],
  joins: readonly Join[],
  flush: readonly Flush[],
  fold: Habits['fold'],
): void {
  const find = ([id, side]: Join['a']): PieceEdge | undefined =>
    laid.find((l) => l.panel.id === id)?.piece.edges.find((e) => e.id === side);
  for (const { a, b, kind } of joins) {
    if (kind === 'closure' || (a[0] === b[0] && a[1] === b[1])) continue;
    const [panelA, panelB] = [a, b].map(([id]) => laid.find((l) => l.panel.id === id)?.panel);
    const [edgeA, edgeB] = [find(a), find(b)];
    if (!panelA || !panelB || !edgeA || !edgeB) continue;
    const asked = bevelsOf(panelA, a[1], panelB, b[1]);
    if (kind === 'fold') {
      edgeA.foldDeg = edgeB.foldDeg = 2 * asked;
      continue;
    }
    edgeA.bevelDeg = edgeB.bevelDeg = cuttableBevel(asked);
    if (edgeA.bevelDeg !== asked) edgeA.foldsBackDeg = edgeB.foldsBackDeg = 2 * asked;
  }
  for (const { laid: one, side, along, bevelDeg } of flush) {
    if (bevelDeg === 0) continue;
    for (const { panel, side: of } of [{ panel: one.panel, side }, ...along]) {
      const edge = find([panel.id, of]);
      if (edge?.bevelDeg === 0) edge.bevelDeg = bevelDeg;
    }
  }
  for (const l of laid) {
    const { thicknessMm, neutralFraction } = l.foam;
    const tangent = (e: PieceEdge): number => Math.tan(rad(e.bevelDeg));
    for (const edge of l.piece.edges)
      if (edge.bevelDeg !== 0) edge.proudMm = (1 - neutralFraction.value) * thicknessMm.value * tangent(edge);
    const out = l.piece.edges.map((e) =>
      e.foldDeg === undefined
        ? neutralFraction.value * thicknessMm.value * tangent(e)
        : foldOf(l.foam, rad(e.foldDeg), fold).outMm,
    );
    if (out.some((mm) => Math.abs(mm) > LEAST_GROWTH_MM)) l.piece = growEdges(l.piece, out);
  }
}

/** A knife follows no finer line than this. */
const LEAST_GROWTH_MM = 0.1;

/** Two or more mates agree to this, or carry a stated ease; mm. */
const SEAM_TOLERANCE_MM = 0.5;

/**
 * Whether both edges are one line of the form. Where pieces are folded, their edges end at fold lines on the far face and
 * are drawn longer or shorter by that, though they meet all the same.
 */
function alike(laid: readonly LaidPanel[], { a, b }: Join): boolean {
  const [one, other] = [a, b].map(([id, side]) => {
    const panel = laid.find((l) => l.panel.id === id)!.panel;
    const points = panel.grid.flat();
    const run = edgeVertices(panel, side).map((v) => points[v]!);
    return run.slice(1).reduce((sum, p, i) => sum + dist3(p, run[i]!), 0);
  });
  return Math.abs(one! - other!) < ALIKE_MM;
}

const ALIKE_MM = 0.05;

function joinEdges(laid: readonly LaidPanel[], joins: readonly Join[], flush: readonly Flush[]): void {
  const met = joins.filter((j) => j.kind !== 'fold');
  for (const { a, b, kind } of joins)
    if (kind === 'fold')
      for (const [id, side] of [a, b])
        laid.find((l) => l.panel.id === id)!.piece.edges.find((e) => e.id === side)!.joint = 'fold';
  met.forEach((join, i) => {
    const [a, b] = [join.a, join.b].map(([id, side]) => {
      const piece = laid.find((l) => l.panel.id === id)?.piece;
      return piece && { piece, edge: piece.edges.find((e) => e.id === side)! };
    });
    if (!a || !b) return;
    const letter = letterAt(i);
    const ease = a.edge.lengthMm - b.edge.lengthMm;
    const eased =
      join.kind === 'seam' &&
      Math.abs(ease) > SEAM_TOLERANCE_MM &&
      !(a.piece.edges.concat(b.piece.edges).some((e) => e.joint === 'fold') && alike(laid, join));
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
    notch(a.piece, a.edge, letter, false);
    notch(b.piece, b.edge, letter, true);
  });
  // What is fastened to the face of another piece has no mate; its letter is named in the step that fastens it.
  for (const one of flush) {
    const ease = flushEaseMm(one, laid);
    const edge = one.laid.piece.edges.find((e) => e.id === one.side)!;
    if (Math.abs(ease) > SEAM_TOLERANCE_MM) edge.easeMm = ease;
  }
  let next = met.length;
  for (const { piece } of laid)
    for (const edge of piece.edges)
      if (edge.hung && edge.joint === 'hung') {
        edge.letter = letterAt(next++);
        notch(piece, edge, edge.letter, false);
      }
}

/** Panels turned into flat pieces, each in its foam, with bevels, mates and notches. */
export function layPanels(
  panels: readonly Panel[],
  joins: readonly Join[],
  foamFor: (panel: Panel) => FoamSheet,
  options: LayOptions,
): LaidPanel[] {
  const all = joins.map((j) => ({ ...j }));
  const laid: LaidPanel[] = [];
  for (const panel of panels) {
    const foam = foamFor(panel);
    const twin = laid.find((l) => l.panel.id === panel.mirrorOf);
    if (twin) laid.push({ panel, foam, ...mirrorPiece(twin, panel) });
    else laid.push(...lay(panel, foam, options, 2, all));
  }
  const flush = flushEdges(laid);
  bevelSeams(laid, all, flush, options.fold ?? 'v-groove');
  joinEdges(laid, all, flush);
  return laid;
}
