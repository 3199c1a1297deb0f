import { XMLParser } from 'fast-xml-parser';

/** What is read off an exported drawing: straight and curved lines by layer, and words. Written for these checks alone. */
export interface Point {
  x: number;
  y: number;
}

export interface DrawnLine {
  layer: string;
  points: Point[];
  closed: boolean;
}

export interface Drawing {
  lines: DrawnLine[];
  words: { text: string; at: Point }[];
}

/** Points of an SVG path of moves, lines, arcs and closes, y turned up again. */
function pathPoints(d: string, highMm: number): { points: Point[]; closed: boolean } {
  const points: Point[] = [];
  let closed = false;
  for (const [, letter, rest] of d.matchAll(/([MLAZ])([^MLAZ]*)/g)) {
    const n = (rest!.match(/-?\d+(?:\.\d+)?(?:e-?\d+)?/g) ?? []).map(Number);
    if (letter === 'Z') closed = true;
    else if (letter === 'A') points.push({ x: n[5]!, y: highMm - n[6]! });
    else points.push({ x: n[0]!, y: highMm - n[1]! });
  }
  if (closed && points.length > 1) {
    const [a, b] = [points[0]!, points.at(-1)!];
    if (Math.hypot(a.x - b.x, a.y - b.y) < 1e-6) points.pop();
  }
  return { points, closed };
}

const list = <T>(v: T | T[] | undefined): T[] => (v === undefined ? [] : Array.isArray(v) ? v : [v]);

/** An SVG pattern: one group a layer, named by it. */
export function readSvg(text: string): Drawing {
  const parsed = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(text) as {
    svg: { viewBox: string; g: Record<string, unknown> | Record<string, unknown>[] };
  };
  const high = Number(parsed.svg.viewBox.split(' ')[3]);
  const drawing: Drawing = { lines: [], words: [] };
  for (const group of list(parsed.svg.g)) {
    const layer = String(group['id'] ?? group['class']);
    for (const path of list(group['path'] as { d: string } | { d: string }[]))
      drawing.lines.push({ layer, ...pathPoints(path.d, high) });
    for (const word of list(group['text'] as Record<string, unknown>[]))
      drawing.words.push({
        text: String(word['#text']),
        at: { x: Number(word['x']), y: high - Number(word['y']) },
      });
  }
  return drawing;
}

/** A DXF of lightweight polylines and texts, read pair by pair. */
export function readDxf(text: string): Drawing {
  const rows = text.split(/\r?\n/);
  const drawing: Drawing = { lines: [], words: [] };
  const pairs: [number, string][] = [];
  for (let i = 0; i + 1 < rows.length; i += 2) pairs.push([Number(rows[i]), rows[i + 1]!.trim()]);
  const start = pairs.findIndex(([code, value]) => code === 2 && value === 'ENTITIES');
  let line: DrawnLine | undefined;
  let word: { text: string; at: Point } | undefined;
  for (const [code, value] of pairs.slice(start + 1)) {
    if (code === 0) {
      line = value === 'LWPOLYLINE' ? { layer: '', points: [], closed: false } : undefined;
      word = value === 'TEXT' ? { text: '', at: { x: 0, y: 0 } } : undefined;
      if (line) drawing.lines.push(line);
      if (word) drawing.words.push(word);
      if (value === 'ENDSEC') break;
    } else if (line) {
      if (code === 8) line.layer = value.toLowerCase();
      if (code === 70) line.closed = (Number(value) & 1) === 1;
      if (code === 10) line.points.push({ x: Number(value), y: 0 });
      if (code === 20) line.points.at(-1)!.y = Number(value);
    } else if (word) {
      if (code === 1) word.text = value.replace(/%%d/g, '°').replace(/%%c/g, 'Ø');
      if (code === 10) word.at.x = Number(value);
      if (code === 20) word.at.y = Number(value);
    }
  }
  return drawing;
}

/** Whether a point lies in a ring (even–odd). */
export function inside(ring: readonly Point[], p: Point): boolean {
  let odd = false;
  ring.forEach((a, i) => {
    const b = ring[(i + 1) % ring.length]!;
    if (a.y > p.y !== b.y > p.y && p.x < a.x + ((p.y - a.y) / (b.y - a.y)) * (b.x - a.x)) odd = !odd;
  });
  return odd;
}
