import { firstOf } from '../../units';
import type { Vec2 } from '../../geometry';
import type { Shape } from '../shape';
import { EM, LINE, type PlacedWords, wordsBox, wordsWidthMm, wrapped } from './words';

/** Words that stand beside a piece, in lines. */
export interface Notes {
  lines: string[];
  widthMm: number;
  heightMm: number;
}

/** Height of words beside a piece, mm, and the gap between it and them. */
const NOTE_MM = 2.2;
const GAP_MM = 3;
/** Lines beside a small piece may be this long at least, mm. */
const LEAST_WIDTH_MM = 45;

/** What a piece has no room for, set in lines about as wide as it is. */
export function notesOf(words: readonly string[], widthMm: number): Notes {
  const lines = words.flatMap((w) => wrapped(w, NOTE_MM, Math.max(LEAST_WIDTH_MM, widthMm)));
  return {
    lines,
    widthMm: Math.max(0, ...lines.map((l) => wordsWidthMm(l, NOTE_MM))) + 1,
    heightMm: lines.length === 0 ? 0 : lines.length * NOTE_MM * EM * LINE + GAP_MM,
  };
}

/** Notes below a piece, from the lower left of the room kept for them, with a line from the piece. */
export function beside(notes: Notes, corner: Vec2, rim: Vec2): Shape[] {
  if (notes.lines.length === 0) return [];
  const step = NOTE_MM * EM * LINE;
  const words = notes.lines.map((text, i): PlacedWords => {
    const long = wordsWidthMm(text, NOTE_MM);
    return {
      text,
      heightMm: NOTE_MM,
      upwards: false,
      at: {
        x: corner.x + long / 2 + 0.5,
        y: corner.y + (notes.lines.length - i - 1) * step + 0.3 * EM * NOTE_MM,
      },
    };
  });
  const first = wordsBox(firstOf(words));
  const to = { x: Math.min(first.maxX, Math.max(first.minX, rim.x)), y: first.maxY + 0.3 };
  return [
    { kind: 'line', layer: 'leader', points: [rim, to], closed: false },
    ...words.map((w): Shape => ({
      kind: 'text',
      layer: 'text',
      at: w.at,
      heightMm: w.heightMm,
      text: w.text,
    })),
  ];
}
