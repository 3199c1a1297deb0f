import { firstOf } from '../../units';
import { boundsOf, contains, type Vec2 } from '../../geometry';
import type { Piece } from '../../panel';
import { roomiest } from '../roomiest';
import { pieceLines } from '../pieceLines';
import type { Shape } from '../shape';
import { asksOf, type Ask } from './asks';
import { type Breaks, noBreaks, Surface } from './surface';
import { block, LEAST_WORDS_MM, type PlacedWords, wordsBox, wordsWidthMm } from './words';

/** A piece drawn with its words, and the words it has no room for. */
export interface Lettered {
  shapes: Shape[];
  /** What could not be written on it, in the order it matters; the first is its code when not even that has room. */
  beside: string[];
}

/** The label of a piece: its code, its name, its copies, its foam. */
export interface Label {
  code: string;
  name: string;
  quantity: string;
  foam: string;
  /** Puts lengths within words in the unit of the print. */
  said: (words: string) => string;
}

/** Heights words are tried in, mm: from wanted down to six points. */
const HEIGHTS = [4, 3.2, 2.5, 2, LEAST_WORDS_MM];
const heightsFrom = (wanted: number): number[] => HEIGHTS.filter((h) => h <= wanted + 1e-9);

/** Spots over a piece in so many steps each way, those nearest to a point first. */
const STEPS = 16;

function spotsOver(outline: readonly Vec2[], first: Vec2): Vec2[] {
  const b = boundsOf([...outline]);
  const spots: Vec2[] = [];
  for (let i = 1; i < STEPS; i++)
    for (let k = 1; k < STEPS; k++) {
      const p = {
        x: b.minX + ((b.maxX - b.minX) * i) / STEPS,
        y: b.minY + ((b.maxY - b.minY) * k) / STEPS,
      };
      if (contains(outline, p)) spots.push(p);
    }
  const away = (p: Vec2): number => (p.x - first.x) ** 2 + (p.y - first.y) ** 2;
  return [first, ...spots.sort((p, q) => away(p) - away(q))];
}

/** Ways to set a label, the fullest first. */
const settings = ({ code, name, quantity, foam }: Label): string[][] => [
  [`${code} · ${name}`, quantity, foam],
  [code, ...name.split(': '), quantity, foam],
  [`${code} · ${name} · ${quantity} · ${foam}`],
];

/** The first way, height and spot at which lines of words have room; they are written there. */
function place(
  surface: Surface,
  ways: readonly (readonly string[])[],
  heights: readonly number[],
  spots: readonly Vec2[],
): PlacedWords[] | undefined {
  for (const heightMm of heights)
    for (const lines of ways) {
      const long = Math.max(...lines.map((l) => wordsWidthMm(l, heightMm)));
      for (const upwards of [false, true]) {
        // Words longer than the piece stand nowhere on it.
        if (long > surface.sizeMm[upwards ? 'y' : 'x']) continue;
        for (const spot of spots) {
          const words = block(lines, spot, heightMm, upwards);
          const boxes = words.map(wordsBox);
          if (!boxes.every((box) => surface.isFree(box))) continue;
          surface.write(boxes);
          return words;
        }
      }
    }
  return undefined;
}

/** How far words stand from what they name, mm, and how far to either side of the way in. */
const NEAR_MM = [7, 10, 13, 17, 22, 28];
const ASIDE_MM = [0, 4, -4, 8, -8, 13, -13];

function spotsBy({ near, inwards, text }: Ask, heightMm: number): Vec2[] {
  if (!near) return [];
  const half = wordsWidthMm(text, heightMm) / 2;
  const ways: Vec2[] = inwards
    ? [inwards]
    : [
        { x: 0, y: 1 },
        { x: 0, y: -1 },
        { x: 1, y: 0 },
        { x: -1, y: 0 },
      ];
  return ways.flatMap((way) =>
    NEAR_MM.flatMap((mm) =>
      ASIDE_MM.map((aside) => ({
        // Long words stand off sideways by their own length.
        x: near.x + way.x * (mm + Math.abs(way.x) * half * 0.8) - way.y * aside,
        y: near.y + way.y * mm + way.x * aside,
      })),
    ),
  );
}

const text = ({ text: words, at, heightMm, upwards }: PlacedWords): Shape => ({
  kind: 'text',
  layer: 'text',
  at,
  heightMm,
  text: words,
  ...(upwards && { turnRad: Math.PI / 2 }),
});

/** From the edge of words to what they name. */
function leader(words: PlacedWords, to: Vec2): readonly [Vec2, Vec2] {
  const b = wordsBox(words);
  const from = {
    x: Math.min(b.maxX, Math.max(b.minX, to.x)),
    y: Math.min(b.maxY, Math.max(b.minY, to.y)),
  };
  return [from, to];
}

/** Words at what they name, or elsewhere on the piece with a line that leads there. */
function placeAsk(surface: Surface, ask: Ask, spots: readonly Vec2[]): Shape[] | undefined {
  for (const heightMm of heightsFrom(ask.heightMm)) {
    const found = place(surface, [[ask.text]], [heightMm], spotsBy(ask, heightMm));
    if (found) return found.map(text);
  }
  if (!ask.near) {
    const found = place(surface, [[ask.text]], heightsFrom(ask.heightMm), spots);
    return found?.map(text);
  }
  const near = ask.near;
  const away = (p: Vec2): number => (p.x - near.x) ** 2 + (p.y - near.y) ** 2;
  for (const spot of [...spots].sort((p, q) => away(p) - away(q)))
    for (const upwards of [false, true]) {
      const words = firstOf(block([ask.text], spot, LEAST_WORDS_MM, upwards));
      const line = leader(words, near);
      if (!surface.isFree(wordsBox(words)) || !surface.leads(...line)) continue;
      surface.write([wordsBox(words)]);
      surface.lead(line);
      return [text(words), { kind: 'line', layer: 'leader', points: [...line], closed: false }];
    }
  return undefined;
}

/**
 * A piece with everything drawn and written on it. No words cross a line they do not name, other words, the edge of the
 * piece or of a page; what finds no room at six points is handed back, to be written beside it.
 */
export function lettered(piece: Piece, label: Label, breaks: Breaks = noBreaks): Lettered {
  const lines = pieceLines(piece);
  const open = piece.marks.filter((m) => m.kind === 'slot').map((m) => m.points);
  const surface = new Surface(piece.outline, lines, breaks, open);
  const middle = roomiest(piece).at;
  const spots = spotsOver(piece.outline, middle);
  const shapes: Shape[] = [];
  const beside: string[] = [];
  const asks = asksOf(piece).map((ask) => ({ ...ask, text: label.said(ask.text) }));
  const early = asks.filter((a) => a.inwards && a.heightMm >= 4);
  const write = (ask: Ask): void => {
    const found = placeAsk(surface, ask, spots);
    if (found) shapes.push(...found);
    else beside.push(ask.text);
  };
  early.forEach(write);
  const unlettered = beside.splice(0);
  const whole = place(surface, settings(label), HEIGHTS, spots);
  const code = whole ?? place(surface, [[label.code]], HEIGHTS, spots);
  if (code) shapes.push(...code.map(text));
  if (!whole)
    beside.push(`${code ? '' : `${label.code} · `}${label.name}`, `${label.quantity} · ${label.foam}`);
  if (unlettered.length > 0) beside.push(`seams ${[...new Set(unlettered)].join(', ')}`);
  asks.filter((a) => !early.includes(a)).forEach(write);
  return { shapes: [...lines, ...shapes], beside: [...new Set(beside)] };
}
