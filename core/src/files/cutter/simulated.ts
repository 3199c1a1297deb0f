import { itemAt } from '../../units';
import type { Vec2 } from '../../geometry';

/** One way of the tool, as a machine reads it. */
export interface Pass {
  /** What the comment before it says. */
  of: string;
  tool: number;
  points: Vec2[];
  /** Seconds from the beginning at which it starts and ends. */
  fromS: number;
  toS: number;
}

/** Without the tool on, the machine moves this fast, mm a minute. */
const RAPID = 12_000;
/** Arcs are walked in chords no further off than this, mm. */
const CHORD_MM = 0.005;

/** Points of an arc from one spot to another round a centre, the end among them. */
function walked(from: Vec2, to: Vec2, centre: Vec2, ccw: boolean): Vec2[] {
  const r = Math.hypot(from.x - centre.x, from.y - centre.y);
  const [a, b] = [from, to].map((p) => Math.atan2(p.y - centre.y, p.x - centre.x)) as [number, number];
  let turn = b - a;
  if (ccw && turn <= 0) turn += 2 * Math.PI;
  if (!ccw && turn >= 0) turn -= 2 * Math.PI;
  const steps = Math.max(1, Math.ceil(Math.abs(turn) / (2 * Math.acos(1 - Math.min(1, CHORD_MM / r)))));
  return Array.from({ length: steps }, (_, i) =>
    i === steps - 1
      ? to
      : {
          x: centre.x + r * Math.cos(a + (turn * (i + 1)) / steps),
          y: centre.y + r * Math.sin(a + (turn * (i + 1)) / steps),
        },
  );
}

const long = (points: readonly Vec2[]): number =>
  points
    .slice(1)
    .reduce((sum, p, i) => sum + Math.hypot(p.x - itemAt(points, i).x, p.y - itemAt(points, i).y), 0);

/**
 * A machine of no make: reads a motion list word by word and does what it says.
 * @throws Error naming the line, at a word it does not know, a move before units, or a cut outside the sheet.
 */
export function replay(text: string, sheet: { widthMm: number; heightMm: number }): Pass[] {
  const passes: Pass[] = [];
  let at: Vec2 = { x: 0, y: 0 };
  let [metric, on, tool, feed, clock] = [false, false, 0, 0, 0];
  let of = '';
  let points: Vec2[] = [];
  let begun = 0;
  text.split(/\r?\n/).forEach((raw, index) => {
    const fault = (why: string): Error => new Error(`Line ${index + 1}, “${raw}”: ${why}`);
    const comment = /^\((.*)\)$/.exec(raw);
    if (comment) return void (of = itemAt(comment, 1));
    if (raw === '' || raw === '%') return;
    const words = raw.split(' ');
    const value = (letter: string): number | undefined => {
      const word = words.find((w) => w.startsWith(letter));
      if (word === undefined) return undefined;
      const number = Number(word.slice(1));
      if (!Number.isFinite(number)) throw fault(`${word} is no number.`);
      return number;
    };
    for (const word of words) {
      if (/^[XYIJF]/.test(word)) continue;
      if (word === 'G21') metric = true;
      else if (word === 'G90' || word === 'M2') continue;
      else if (/^T\d$/.test(word)) tool = Number(word.slice(1));
      else if (word === 'M3') {
        on = true;
        points = [at];
        begun = clock;
      } else if (word === 'M5') {
        if (on && points.length > 1) passes.push({ of, tool, points, fromS: begun, toS: clock });
        on = false;
      } else if (/^G[0123]$/.test(word)) {
        if (!metric) throw fault('a move before its units.');
        const to = { x: value('X') ?? at.x, y: value('Y') ?? at.y };
        if (word === 'G0' && on) throw fault('a rapid move with the tool on.');
        if (to.x < -1e-6 || to.y < -1e-6 || to.x > sheet.widthMm + 1e-6 || to.y > sheet.heightMm + 1e-6)
          throw fault('it leaves the sheet.');
        feed = value('F') ?? feed;
        const way =
          word === 'G2' || word === 'G3'
            ? walked(at, to, { x: at.x + (value('I') ?? 0), y: at.y + (value('J') ?? 0) }, word === 'G3')
            : [to];
        clock += (60 * long([at, ...way])) / (word === 'G0' ? RAPID : feed);
        if (on) points.push(...way);
        at = to;
      } else throw fault(`${word} is not known.`);
    }
  });
  return passes;
}
