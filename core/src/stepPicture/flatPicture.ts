import { boundsOf, boxesInRows, type Vec2 } from '../geometry';
import type { Mark, Piece, PieceEdge } from '../panel';
import { counted, itemAt } from '../units';
import type { Drawing, Look } from '../view';

/** What of flat pieces the work is: whole pieces, some of their edges, or some of their marks. */
export interface FlatWork {
  of: (piece: Piece) => boolean;
  edge?: (edge: PieceEdge) => boolean;
  mark?: (mark: Mark) => boolean;
}

/** Marks that go all round something. */
const closed = new Set<Mark['kind']>(['pad', 'pocket', 'rivet', 'slot']);

/** Pieces that are drawn at most; the largest first. */
const MOST = 12;
/** Corners of a round hole as it is drawn. */
const ROUND = 20;

const runOf = ({ outline }: Piece, { from, to }: PieceEdge): Vec2[] => {
  const count = ((to - from + outline.length) % outline.length) + 1;
  return Array.from({ length: count }, (_, i) => itemAt(outline, (from + i) % outline.length));
};

const ring = ({ x, y }: Vec2, across: number): Vec2[] =>
  Array.from({ length: ROUND }, (_, i) => ({
    x: x + (Math.cos((i / ROUND) * 2 * Math.PI) * across) / 2,
    y: y + (Math.sin((i / ROUND) * 2 * Math.PI) * across) / 2,
  }));

/** Flat pieces side by side, outer face up, with what is worked on picked out. */
export function flatPicture(
  pieces: readonly Piece[],
  work: FlatWork,
  width: number,
  height: number,
): Drawing | undefined {
  const all = pieces.filter(work.of).sort((a, b) => b.areaMm2 - a.areaMm2);
  const shown = all.slice(0, MOST);
  if (shown.length === 0) return undefined;
  const boxes = shown.map((p) => boundsOf(p.outline));
  const sizes = boxes.map((b) => ({ w: b.maxX - b.minX, h: b.maxY - b.minY }));
  const laid = boxesInRows(sizes, width / height);
  const scale = Math.min((width * 0.94) / laid.w, (height * 0.94) / laid.h);
  const left = (width - laid.w * scale) / 2;
  const top = (height - laid.h * scale) / 2;
  const drawing: Drawing = { width, height, regions: [], lines: [], words: [] };
  shown.forEach((piece, i) => {
    const [box, size, spot] = [itemAt(boxes, i), itemAt(sizes, i), itemAt(laid.spots, i)];
    const at = ({ x, y }: Vec2): Vec2 => ({
      x: left + (spot.x + x - box.minX) * scale,
      y: top + (spot.y + size.h - (y - box.minY)) * scale,
    });
    const whole = !work.edge && !work.mark;
    const holes = piece.holes.map((h) => ring(h.centre, h.diameterMm).map(at));
    drawing.regions.push({ look: whole ? 'work' : 'there', rings: [piece.outline.map(at), ...holes] });
    const line = (points: readonly Vec2[], look: Look): void =>
      void drawing.lines.push({ look, runs: [points.map(at)] });
    for (const mark of piece.marks)
      line(
        closed.has(mark.kind) ? [...mark.points, ...mark.points.slice(0, 1)] : mark.points,
        work.mark?.(mark) ? 'work' : 'there',
      );
    for (const edge of piece.edges) if (work.edge?.(edge)) line(runOf(piece, edge), 'work');
    const middle = at({ x: (box.minX + box.maxX) / 2, y: (box.minY + box.maxY) / 2 });
    if (piece.name.length * 6.2 < size.w * scale && size.h * scale > 16)
      drawing.words.push({ at: middle, text: piece.name, look: whole ? 'work' : 'there' });
  });
  if (all.length > shown.length)
    drawing.words.push({
      at: { x: width / 2, y: height - 6 },
      text: `and ${counted(all.length - shown.length, 'smaller piece')}`,
      look: 'there',
    });
  return drawing;
}
