import polylabel from 'polylabel';
import type { Piece } from '../panel';
import { centroid, dist2, lerp2, type Vec2 } from '../geometry';
import type { Shape } from './shape';

/** Height of the words and from line to line, mm. */
const WORDS_MM = 4;
const LINE_MM = 6;
/** Smaller words than this cannot be read; then they stand outside with a line to the piece. */
const LEAST_MM = 1.8;
/** Width of a letter to its height, about. */
const LETTER = 0.75;

/** The direction in which most of an outline lies: the long axis of its second moments; radians, upright words preferred. */
function longAxis(outline: readonly Vec2[]): number {
  const middle = centroid(outline);
  let [xx, yy, xy] = [0, 0, 0];
  outline.forEach((a, i) => {
    const b = outline[(i + 1) % outline.length]!;
    const weight = dist2(a, b);
    const p = { x: (a.x + b.x) / 2 - middle.x, y: (a.y + b.y) / 2 - middle.y };
    xx += weight * p.x * p.x;
    yy += weight * p.y * p.y;
    xy += weight * p.x * p.y;
  });
  return 0.5 * Math.atan2(2 * xy, xx - yy);
}

const circle = (centre: Vec2, radius: number): Vec2[] =>
  Array.from({ length: 12 }, (_, i) => ({
    x: centre.x + radius * Math.cos((i * Math.PI) / 6),
    y: centre.y + radius * Math.sin((i * Math.PI) / 6),
  }));

/** Where there is most room on a piece clear of its holes and of what is drawn on it, and how much. */
export function roomiest(piece: Pick<Piece, 'outline' | 'holes' | 'marks'>): { at: Vec2; clearMm: number } {
  const ring = (points: readonly Vec2[]): [number, number][] => points.map((p) => [p.x, p.y]);
  const taken = [
    ...piece.holes.map((h) => circle(h.centre, h.diameterMm / 2 + 4)),
    // A bevel line runs round the whole piece and takes no room.
    ...piece.marks.flatMap((m) => (m.points.length >= 3 && m.kind !== 'bevel' ? [m.points] : [])),
  ];
  const found = polylabel([ring(piece.outline), ...taken.map(ring)], 1);
  return { at: { x: found[0], y: found[1] }, clearMm: found.distance };
}

/** The words of a piece where there is most room, along the piece where it is narrow, beside it where it is too thin. */
export function labelShapes(piece: Piece, lines: readonly string[]): Shape[] {
  const { at, clearMm } = roomiest(piece);
  const longest = Math.max(...lines.map((l) => l.length));
  const text = (words: string, where: Vec2, heightMm: number, turnRad: number): Shape => ({
    kind: 'text',
    layer: 'text',
    at: where,
    heightMm,
    text: words,
    ...(turnRad !== 0 && { turnRad }),
  });
  const turnRad = clearMm > (longest * WORDS_MM * LETTER) / 2 ? 0 : longAxis(piece.outline);
  const below = (i: number, stepMm: number): Vec2 => ({
    x: at.x + Math.sin(turnRad) * i * stepMm,
    y: at.y - Math.cos(turnRad) * i * stepMm,
  });
  const needed = ((lines.length - 1) * LINE_MM + WORDS_MM) / 2;
  if (clearMm >= needed)
    return lines.map((words, i) =>
      text(words, below(i - (lines.length - 1) / 2 + WORDS_MM / 2 / LINE_MM, LINE_MM), WORDS_MM, turnRad),
    );
  const heightMm = Math.min(3, clearMm);
  if (heightMm >= LEAST_MM) return [text(lines.join(' · '), below(0.4, heightMm), heightMm, turnRad)];
  const nearest = piece.outline.reduce((a, b) => (dist2(b, at) < dist2(a, at) ? b : a));
  const away = dist2(at, nearest) || 1;
  const out = lerp2(at, nearest, 1 + 8 / away);
  return [
    { kind: 'line', layer: 'fold', points: [at, out], closed: false },
    text(lines.join(' · '), out, 2.5, 0),
  ];
}
