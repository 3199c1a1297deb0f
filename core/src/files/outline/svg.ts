import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import type { Vec2 } from '../../geometry';
import { fail, ok, type Result, firstOf, itemAt } from '../../units';
import { budget, chained, count, type Drawn, MOST_POINTS, TooMany } from './drawn';

const unitsMm: Record<string, number> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6 };
const STEPS = 16;

const MOST_DEEP = 60;

/** Elements that draw, that hold others, and that draw nothing where they stand. */
const shapes = new Set(['path', 'polygon', 'polyline', 'line', 'rect', 'circle', 'ellipse']);
const groups = new Set(['g', 'a', 'svg', 'switch']);
const silent = new Set(['defs', 'clipPath', 'mask', 'symbol', 'title', 'desc', 'metadata', 'style', '?xml']);

type Node = Record<string, unknown>;

const attr = (node: Node, key: string): string | undefined => {
  const value = node[`@${key}`];
  return typeof value === 'string' ? value : undefined;
};
const num = (node: Node, key: string): number => Number.parseFloat(attr(node, key) ?? '0') || 0;

/** A rectangle, its corners round where it says so (SVG 2, 10.2: a radius left out is as the other, none over half a side). */
function rounded(node: Node): string {
  const [x, y, w, h] = [num(node, 'x'), num(node, 'y'), num(node, 'width'), num(node, 'height')];
  const said = (key: 'rx' | 'ry', other: 'rx' | 'ry'): number =>
    num(node, attr(node, key) === undefined || attr(node, key) === 'auto' ? other : key);
  const rx = Math.min(said('rx', 'ry'), w / 2);
  const ry = Math.min(said('ry', 'rx'), h / 2);
  if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}z`;
  const corner = (dx: number, dy: number): string => `a${rx} ${ry} 0 0 1 ${dx} ${dy}`;
  return `M${x + rx} ${y}h${w - 2 * rx}${corner(rx, ry)}v${h - 2 * ry}${corner(-rx, ry)}h${2 * rx - w}${corner(-rx, -ry)}v${2 * ry - h}${corner(rx, -ry)}z`;
}

/** What an element draws, as a path. */
function pathOf(tag: string, node: Node): string | undefined {
  switch (tag) {
    case 'path':
      return attr(node, 'd');
    case 'polygon':
      return `M${attr(node, 'points') ?? ''}Z`;
    case 'polyline':
      return `M${attr(node, 'points') ?? ''}`;
    case 'line':
      return `M${num(node, 'x1')} ${num(node, 'y1')}L${num(node, 'x2')} ${num(node, 'y2')}`;
    case 'rect':
      return rounded(node);
    case 'circle':
    case 'ellipse': {
      const [cx, cy] = [num(node, 'cx'), num(node, 'cy')];
      const [rx, ry] =
        tag === 'circle' ? [num(node, 'r'), num(node, 'r')] : [num(node, 'rx'), num(node, 'ry')];
      return `M${cx - rx} ${cy}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0z`;
    }
    default:
      return undefined;
  }
}

const cubic = (a: number, b: number, c: number, d: number, t: number): number =>
  (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t * t * c + t ** 3 * d;
const square = (a: number, b: number, c: number, t: number): number =>
  (1 - t) ** 2 * a + 2 * (1 - t) * t * b + t * t * c;

/** A path's sub-paths as points, and which of them close; curves are sampled. */
function runsOf(
  d: string,
  transform: string,
  spend: (points: number) => void,
): { run: Vec2[]; closed: boolean }[] {
  const path = svgpath(d);
  // At least one point comes of each number or two.
  spend(path.toString().length / 16);
  if (transform !== '') path.transform(transform);
  const runs: { run: Vec2[]; closed: boolean }[] = [];
  let ring: Vec2[] = [];
  const end = (closed: boolean): void => {
    if (ring.length > 0) runs.push({ run: ring, closed });
    ring = [];
  };
  path
    .abs()
    .unarc()
    .unshort()
    .iterate((segment, _, x, y) => {
      const [command, ...v] = segment as [string, ...number[]];
      const to = (px: number, py: number): void => {
        spend(1);
        ring.push({ x: px, y: -py });
      };
      // A sub-path may go on from where the last one closed.
      if (command !== 'M' && command !== 'Z' && command !== 'z' && ring.length === 0) to(x, y);
      switch (command) {
        case 'M':
          end(false);
          to(firstOf(v), itemAt(v, 1));
          break;
        case 'L':
          to(firstOf(v), itemAt(v, 1));
          break;
        case 'H':
          to(firstOf(v), y);
          break;
        case 'V':
          to(x, firstOf(v));
          break;
        case 'C':
          for (let i = 1; i <= STEPS; i++)
            to(
              cubic(x, firstOf(v), itemAt(v, 2), itemAt(v, 4), i / STEPS),
              cubic(y, itemAt(v, 1), itemAt(v, 3), itemAt(v, 5), i / STEPS),
            );
          break;
        case 'Q':
          for (let i = 1; i <= STEPS; i++)
            to(
              square(x, firstOf(v), itemAt(v, 2), i / STEPS),
              square(y, itemAt(v, 1), itemAt(v, 3), i / STEPS),
            );
          break;
        default:
          end(true);
      }
    });
  end(false);
  return runs;
}

/** Every outline of an SVG file; its unit when width and height carry one. */
export function svgRings(text: string): Result<Drawn> {
  let root: unknown;
  try {
    root = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '@',
      preserveOrder: false,
      processEntities: false,
    }).parse(text);
  } catch {
    return fail('This is no SVG drawing.');
  }
  const svg = (root as { svg?: Node } | null)?.svg;
  if (typeof svg !== 'object') return fail('This is no SVG drawing.');
  const rings: Vec2[][] = [];
  const open: Vec2[][] = [];
  const left = new Map<string, number>();
  const spend = budget();
  const walk = (node: Node, outer: string, deep: number): void => {
    if (deep > MOST_DEEP) return count(left, 'deeply nested group');
    for (const [tag, value] of Object.entries(node)) {
      if (tag.startsWith('@') || tag.startsWith('#') || silent.has(tag)) continue;
      for (const child of Array.isArray(value) ? (value as unknown[]) : [value]) {
        if (!groups.has(tag) && !shapes.has(tag)) count(left, tag);
        if (typeof child !== 'object' || child === null) continue;
        const own = child as Node;
        const transform = `${outer} ${attr(own, 'transform') ?? ''}`.trim();
        const d = pathOf(tag, own);
        for (const { run, closed } of d ? runsOf(d, transform, spend) : []) (closed ? rings : open).push(run);
        if (groups.has(tag)) walk(own, transform, deep + 1);
      }
    }
  };
  try {
    walk(svg, '', 0);
  } catch (error) {
    if (!(error instanceof TooMany)) throw error;
    return fail(`The drawing has more than ${MOST_POINTS} points. Save the outline alone.`);
  }
  const size = /^\s*([\d.]+)\s*(mm|cm|in|pt|pc)\s*$/.exec(attr(svg, 'width') ?? '');
  const box = attr(svg, 'viewBox')
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  const found = { rings: [...rings, ...chained(open)], left };
  if (!size) return ok(found);
  const wide = Number(size[1]) * unitsMm[size[2]!]!;
  return ok({ ...found, unitMm: box?.[2] ? wide / box[2] : unitsMm[size[2]!]! });
}
