import { letterAt, firstOf, itemAt, findIn, getFrom } from '../units';
import type { PieceDarts } from '../document';
import { lerp2, overlapsItself } from '../geometry';
import type { FoamSheet } from '../materials';
import { cutEdges, type CutWays } from './cutEdges';
import { edgeRun } from './edgeRun';
import { edgeTurns, type EdgeTurns } from './edgeTurns';
import { type Flush, flushEaseMm, flushEdges } from './flush';
import { flatPanel, type FlatOptions, type FlatPanel } from './flatPanel';
import { flatPlate } from './plate';
import { mirrorPiece } from './mirror';
import { splitPanel, type Join, type Panel } from './panel';
import type { Piece, PieceEdge } from './piece';

/** A panel in its foam, laid flat. */
export interface LaidPanel extends FlatPanel {
  panel: Panel;
  foam: FoamSheet;
  /** How its edges are cut or folded where they are not square. */
  turns: EdgeTurns;
}

/** What lies flat before it is known how its edges meet others. */
type Lying = Omit<LaidPanel, 'turns'>;

/** How a form's panels are laid: limits for all of them, and darts by hand for some. */
export interface LayOptions extends FlatOptions {
  dartsByHand?: readonly PieceDarts[];
  /** How folds and bevels are cut; the usual ways when absent. */
  ways?: Partial<CutWays>;
}

const usualWays: CutWays = { fold: 'v-groove', bevel: 'two-lines' };

/** Lays a panel flat; one that would overlap itself is split down its middle, at most twice over. */
function lay(panel: Panel, foam: FoamSheet, options: LayOptions, depth: number, joins: Join[]): Lying[] {
  if (panel.plate) return [{ panel, foam, ...flatPlate(panel, panel.plate, foam) }];
  const seams = joins
    .flatMap((j) => (j.kind === 'seam' ? [j.a, j.b] : []))
    .flatMap(([id, side]) => (id === panel.id ? [side] : []));
  const byHand = options.dartsByHand?.find((d) => d.pieceId === panel.id)?.darts;
  const flat = flatPanel(panel, foam, { ...options, seams, ...(byHand && { byHand }) });
  if (depth === 0 || panel.rim || firstOf(panel.grid).length < 5 || !overlapsItself(flat.piece.outline))
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
    piece.marks.push({
      kind: 'notch',
      points: [lerp2(itemAt(run, k), itemAt(run, k + 1), at - k)],
      text: name,
    });
  });
}

/** Two or more mates agree to this, or carry a stated ease; mm. */
const SEAM_TOLERANCE_MM = 0.5;

function joinEdges(laid: readonly LaidPanel[], joins: readonly Join[], flush: readonly Flush[]): void {
  const met = joins.filter((j) => j.kind !== 'fold');
  for (const { a, b, kind } of joins)
    if (kind === 'fold')
      for (const [id, side] of [a, b]) {
        const edge = laid.find((l) => l.panel.id === id)?.piece.edges.find((e) => e.id === side);
        if (edge) edge.joint = 'fold';
      }
  met.forEach((join, i) => {
    const [a, b] = [join.a, join.b].map(([id, side]) => {
      const piece = laid.find((l) => l.panel.id === id)?.piece;
      const edge = piece?.edges.find((e) => e.id === side);
      return piece && edge && { piece, edge };
    });
    // A piece that was parted has other edges: what met there is in two, and no seam any more.
    if (!a || !b) return;
    const letter = letterAt(i);
    const ease = a.edge.lengthMm - b.edge.lengthMm;
    const eased = join.kind === 'seam' && Math.abs(ease) > SEAM_TOLERANCE_MM;
    Object.assign(a.edge, {
      joint: join.kind,
      letter,
      mate: { pieceId: b.piece.id, edgeId: b.edge.id },
      ...(join.dry && { dry: true as const }),
      ...(eased && { easeMm: ease }),
    });
    Object.assign(b.edge, {
      joint: join.kind,
      letter,
      mate: { pieceId: a.piece.id, edgeId: a.edge.id },
      ...(join.dry && { dry: true as const }),
      ...(eased && { easeMm: -ease }),
    });
    notch(a.piece, a.edge, letter, false);
    notch(b.piece, b.edge, letter, true);
  });
  // What is fastened to the face of another piece has no mate; its letter is named in the step that fastens it.
  for (const one of flush) {
    const ease = flushEaseMm(one, laid);
    const edge = findIn(one.laid.piece.edges, (e) => e.id === one.side);
    if (Math.abs(ease) > SEAM_TOLERANCE_MM) edge.easeMm = ease;
  }
  let next = met.length;
  // Edges of a piece that are fastened alike share one.
  for (const { piece } of laid) {
    const own = new Map<string, string>();
    for (const edge of piece.edges)
      if (edge.attached && edge.joint === 'attached') {
        const letter = own.get(edge.attached.words) ?? letterAt(next++);
        own.set(edge.attached.words, letter);
        edge.letter = letter;
        notch(piece, edge, letter, false);
      }
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
  const lying: Lying[] = [];
  for (const panel of panels) {
    const foam = foamFor(panel);
    const twin = lying.find((l) => l.panel.id === panel.mirrorOf);
    if (twin) lying.push({ panel, foam, ...mirrorPiece(twin, panel) });
    else lying.push(...lay(panel, foam, options, 2, all));
  }
  const flush = flushEdges(lying);
  const turns = edgeTurns(
    lying.map((l) => l.panel),
    all,
    flush,
  );
  const ways = { ...usualWays, ...options.ways };
  const laid = lying.map((l): LaidPanel => {
    const made = { ...l, turns: getFrom(turns, l.panel.id) };
    return { ...made, piece: cutEdges(made, ways) };
  });
  joinEdges(laid, all, flush);
  return laid;
}
