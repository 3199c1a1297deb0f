import type { Vec2 } from '../../geometry';

/** Advance widths of the printed font (DejaVu Sans Condensed) from blank to tilde, thousandths of its em. */
const WIDTHS = [
  286, 360, 414, 754, 572, 855, 702, 247, 351, 351, 450, 754, 286, 325, 286, 303, 572, 572, 572, 572, 572,
  572, 572, 572, 572, 572, 303, 303, 754, 754, 754, 478, 900, 615, 617, 628, 693, 568, 518, 697, 677, 265,
  265, 590, 501, 776, 673, 708, 542, 708, 625, 571, 549, 659, 615, 890, 616, 549, 616, 351, 303, 351, 754,
  450, 450, 551, 571, 495, 571, 554, 316, 571, 570, 250, 250, 521, 250, 876, 570, 550, 571, 571, 370, 469,
  353, 570, 532, 736, 532, 532, 472, 572, 303, 572, 754,
];
/** Letters beyond those: narrow alphabets are no wider than this, scripts in squares are an em. */
const OTHER = 760;
const SQUARE = 1000;

/** The em of words whose height is stated: capitals stand about four fifths of it. */
export const EM = 1.25;
/** Reach of letters above and below the line they stand on, in ems. */
const ABOVE = 0.77;
const BELOW = 0.24;

/** Six points, the smallest that is printed, as a height of words, mm. */
export const LEAST_WORDS_MM = (6 * 25.4) / 72 / EM;

/** How long a line of words is, mm. */
export function wordsWidthMm(text: string, heightMm: number): number {
  let sum = 0;
  for (const letter of text) {
    const code = letter.codePointAt(0)!;
    sum += WIDTHS[code - 32] ?? (code > 0x2e80 ? SQUARE : OTHER);
  }
  return (sum / 1000) * heightMm * EM;
}

export interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** Words that are placed: the middle of the line they stand on; read level, or upwards from the right. */
export interface PlacedWords {
  text: string;
  at: Vec2;
  heightMm: number;
  upwards: boolean;
}

/** The box that placed words take. */
export function wordsBox({ text, at, heightMm, upwards }: PlacedWords): Box {
  const half = wordsWidthMm(text, heightMm) / 2;
  const em = heightMm * EM;
  return upwards
    ? { minX: at.x - ABOVE * em, maxX: at.x + BELOW * em, minY: at.y - half, maxY: at.y + half }
    : { minX: at.x - half, maxX: at.x + half, minY: at.y - BELOW * em, maxY: at.y + ABOVE * em };
}

/** Lines of words of one height about a middle, the first on top or, upwards, to the left. */
export function block(
  lines: readonly string[],
  middle: Vec2,
  heightMm: number,
  upwards: boolean,
): PlacedWords[] {
  const step = LINE * heightMm * EM;
  const centre = (ABOVE - BELOW) / 2;
  return lines.map((text, i) => {
    const off = ((lines.length - 1) / 2 - i) * step - centre * heightMm * EM;
    return {
      text,
      heightMm,
      upwards,
      at: upwards ? { x: middle.x - off, y: middle.y } : { x: middle.x, y: middle.y + off },
    };
  });
}

/** From line to line, in ems. */
export const LINE = 1.22;

/** Words broken at blanks into lines no wider than so much. */
export function wrapped(text: string, heightMm: number, widthMm: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const longer = lines.length > 0 ? `${lines.at(-1)} ${word}` : word;
    if (lines.length > 0 && wordsWidthMm(longer, heightMm) <= widthMm) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

/** Words made smaller to fit a width, down to six points; then cut short. */
export function fitted(text: string, heightMm: number, widthMm: number): { text: string; heightMm: number } {
  const long = wordsWidthMm(text, heightMm);
  if (long <= widthMm) return { text, heightMm };
  const smaller = Math.max(LEAST_WORDS_MM, (heightMm * widthMm) / long);
  let shown = text;
  while (shown.length > 1 && wordsWidthMm(`${shown}…`, smaller) > widthMm) shown = shown.slice(0, -1);
  return wordsWidthMm(text, smaller) <= widthMm + 1e-9
    ? { text, heightMm: smaller }
    : { text: `${shown.trimEnd()}…`, heightMm: smaller };
}
