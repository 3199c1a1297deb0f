import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EM, wordsWidthMm } from '../../pattern/lettering/words';

/** A word on a printed page and the box poppler says its letters take, in millimetres from the upper left. */
export interface PageWord {
  text: string;
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

export interface ReadPage {
  widthMm: number;
  heightMm: number;
  words: PageWord[];
  /** Strokes as wide as a cut line, as straight steps. */
  cuts: [number, number, number, number][];
}

const MM = 25.4 / 72;
/** Poppler boxes a word by its font's ascent and descent (DejaVu: 0.928 and 0.236 of the em); letters reach less far. */
const ASCENT = 0.928;
const DESCENT = 0.236;
const CAPITALS = 0.73;
const TAILS = 0.2;

/** The box of the letters themselves: level words are wider than high, or are read upwards. */
function tight(word: PageWord): PageWord {
  const whole = ASCENT + DESCENT;
  const high = word.maxY - word.minY;
  const wide = word.maxX - word.minX;
  // Read level or upwards, whichever its length is nearer to: three letters may be little longer than they are high.
  const off = (long: number, across: number): number =>
    Math.abs(Math.log(long / wordsWidthMm(word.text, across / whole / EM)));
  const upwards = word.text.length > 1 && off(high, wide) < off(wide, high);
  if (upwards) {
    const em = wide / whole;
    return { ...word, minX: word.minX + (ASCENT - CAPITALS) * em, maxX: word.maxX - (DESCENT - TAILS) * em };
  }
  const em = high / whole;
  return { ...word, minY: word.minY + (ASCENT - CAPITALS) * em, maxY: word.maxY - (DESCENT - TAILS) * em };
}

const unescaped = (text: string): string =>
  text
    .replace(/&lt;/g, '<')
    .replace(/&gt;/g, '>')
    .replace(/&quot;/g, '"')
    .replace(/&amp;/g, '&');

/** Strokes 0.7 mm wide on a page drawn by poppler as SVG: the cut lines, curves in short steps. */
function cutLines(svg: string): [number, number, number, number][] {
  const found: [number, number, number, number][] = [];
  for (const [tag] of svg.matchAll(/<path[^>]*>/g)) {
    const width = Number(/stroke-width="([\d.]+)"/.exec(tag)?.[1] ?? 0);
    if (Math.abs(width * MM - 0.7) > 0.02) continue;
    const matrix = (/transform="matrix\(([^)]+)\)"/.exec(tag)?.[1] ?? '1,0,0,1,0,0')
      .split(/[ ,]+/)
      .map(Number);
    const [a, b, c, d, e, f] = matrix as [number, number, number, number, number, number];
    const at = (x: number, y: number): [number, number] => [
      (a * x + c * y + e) * MM,
      (b * x + d * y + f) * MM,
    ];
    let [from, start] = [at(0, 0), at(0, 0)];
    for (const [, letter, rest] of (/ d="([^"]*)"/.exec(tag)?.[1] ?? '').matchAll(/([MLCZ])([^MLCZ]*)/g)) {
      const n = (rest!.match(/-?[\d.]+/g) ?? []).map(Number);
      if (letter === 'M') from = start = at(n[0]!, n[1]!);
      if (letter === 'L') {
        const to = at(n[0]!, n[1]!);
        found.push([...from, ...to]);
        from = to;
      }
      if (letter === 'Z') {
        found.push([...from, ...start]);
        from = start;
      }
      if (letter === 'C') {
        const [p, q, r] = [at(n[0]!, n[1]!), at(n[2]!, n[3]!), at(n[4]!, n[5]!)];
        const begin = from;
        for (let i = 1; i <= 12; i++) {
          const t = i / 12;
          const s = 1 - t;
          const mix = (k: 0 | 1): number =>
            s ** 3 * begin[k] + 3 * s * s * t * p[k] + 3 * s * t * t * q[k] + t ** 3 * r[k];
          const to: [number, number] = [mix(0), mix(1)];
          found.push([...from, ...to]);
          from = to;
        }
      }
    }
  }
  return found;
}

/** Every page of a PDF with its words and cut lines, by poppler. */
export function readPages(pdf: Uint8Array): ReadPage[] {
  const dir = mkdtempSync(join(tmpdir(), 'fomrik-pages-'));
  try {
    const file = join(dir, 'p.pdf');
    writeFileSync(file, pdf);
    const boxes = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8', maxBuffer: 1e9 });
    return [...boxes.matchAll(/<page width="([\d.]+)" height="([\d.]+)">([\s\S]*?)<\/page>/g)].map(
      ([, width, height, body], i) => {
        const out = join(dir, 'p.svg');
        execFileSync('pdftocairo', ['-svg', '-f', String(i + 1), '-l', String(i + 1), file, out]);
        return {
          widthMm: Number(width) * MM,
          heightMm: Number(height) * MM,
          words: [
            ...body!.matchAll(
              /<word xMin="([-\d.]+)" yMin="([-\d.]+)" xMax="([-\d.]+)" yMax="([-\d.]+)">([^<]*)</g,
            ),
          ].map(([, x, y, X, Y, text]) => {
            const [minX, minY, maxX, maxY] = [x, y, X, Y].map((v) => Number(v) * MM) as [
              number,
              number,
              number,
              number,
            ];
            return tight({ text: unescaped(text!), minX, minY, maxX, maxY });
          }),
          cuts: cutLines(readFileSync(out, 'utf8')),
        };
      },
    );
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}

/** Whether a step comes within a box. */
function within([x1, y1, x2, y2]: readonly [number, number, number, number], w: PageWord): boolean {
  let [from, to] = [0, 1];
  for (const [start, step, low, high] of [
    [x1, x2 - x1, w.minX, w.maxX],
    [y1, y2 - y1, w.minY, w.maxY],
  ] as const) {
    if (Math.abs(step) < 1e-9) {
      if (start < low || start > high) return false;
      continue;
    }
    const [t, u] = [(low - start) / step, (high - start) / step];
    from = Math.max(from, Math.min(t, u));
    to = Math.min(to, Math.max(t, u));
    if (from > to) return false;
  }
  return true;
}

/** What cannot be read on a page: words over words, over cut lines, or over the edge of the paper. */
export function unreadable({ words, cuts, widthMm, heightMm }: ReadPage): string[] {
  const found: string[] = [];
  words.forEach((w, i) => {
    if (w.minX < 0 || w.minY < 0 || w.maxX > widthMm || w.maxY > heightMm)
      found.push(`“${w.text}” leaves the paper`);
    for (const o of words.slice(i + 1))
      if (
        w.minX < o.maxX - 0.05 &&
        o.minX < w.maxX - 0.05 &&
        w.minY < o.maxY - 0.05 &&
        o.minY < w.maxY - 0.05
      )
        found.push(`“${w.text}” and “${o.text}”`);
    if (cuts.some((c) => within(c, w))) found.push(`“${w.text}” on a cut line`);
  });
  return found;
}
