import { XMLParser } from 'fast-xml-parser';
import svgpath from 'svgpath';
import type { Vec2 } from '../../geometry';
import { fail, ok, type Result } from '../../units';
import type { Drawn } from './drawn';

const unitsMm: Record<string, number> = { mm: 1, cm: 10, in: 25.4, pt: 25.4 / 72, pc: 25.4 / 6 };
const STEPS = 16;

type Node = Record<string, unknown>;

const attr = (node: Node, key: string): string | undefined => {
  const value = node[`@${key}`];
  return typeof value === 'string' ? value : undefined;
};
const num = (node: Node, key: string): number => Number.parseFloat(attr(node, key) ?? '0') || 0;

/** What an element draws, as a path. */
function pathOf(tag: string, node: Node): string | undefined {
  switch (tag) {
    case 'path':
      return attr(node, 'd');
    case 'polygon':
      return `M${attr(node, 'points') ?? ''}Z`;
    case 'polyline':
      return `M${attr(node, 'points') ?? ''}`;
    case 'rect': {
      const [x, y, w, h] = ['x', 'y', 'width', 'height'].map((k) => num(node, k)) as [
        number,
        number,
        number,
        number,
      ];
      return `M${x} ${y}h${w}v${h}h${-w}z`;
    }
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

/** A path's sub-paths as points; curves are sampled. */
function ringsOf(d: string, transform: string): Vec2[][] {
  const path = svgpath(d);
  if (transform !== '') path.transform(transform);
  const rings: Vec2[][] = [];
  let ring: Vec2[] = [];
  path
    .abs()
    .unarc()
    .unshort()
    .iterate((segment, _, x, y) => {
      const [command, ...v] = segment as [string, ...number[]];
      const to = (px: number, py: number): void => void ring.push({ x: px, y: -py });
      switch (command) {
        case 'M':
          if (ring.length > 0) rings.push(ring);
          ring = [];
          to(v[0]!, v[1]!);
          break;
        case 'L':
          to(v[0]!, v[1]!);
          break;
        case 'H':
          to(v[0]!, y);
          break;
        case 'V':
          to(x, v[0]!);
          break;
        case 'C':
          for (let i = 1; i <= STEPS; i++)
            to(cubic(x, v[0]!, v[2]!, v[4]!, i / STEPS), cubic(y, v[1]!, v[3]!, v[5]!, i / STEPS));
          break;
        case 'Q':
          for (let i = 1; i <= STEPS; i++)
            to(square(x, v[0]!, v[2]!, i / STEPS), square(y, v[1]!, v[3]!, i / STEPS));
          break;
        default:
          break;
      }
    });
  if (ring.length > 0) rings.push(ring);
  return rings;
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
  const walk = (node: Node, outer: string, deep: number): void => {
    if (deep > 60) return;
    for (const [tag, value] of Object.entries(node)) {
      if (tag.startsWith('@') || ['defs', 'clipPath', 'mask', 'symbol'].includes(tag)) continue;
      for (const child of Array.isArray(value) ? (value as unknown[]) : [value]) {
        if (typeof child !== 'object' || child === null) continue;
        const own = child as Node;
        const transform = `${outer} ${attr(own, 'transform') ?? ''}`.trim();
        const d = pathOf(tag, own);
        if (d) rings.push(...ringsOf(d, transform));
        walk(own, transform, deep + 1);
      }
    }
  };
  walk(svg, '', 0);
  const size = /^\s*([\d.]+)\s*(mm|cm|in|pt|pc)\s*$/.exec(attr(svg, 'width') ?? '');
  const box = attr(svg, 'viewBox')
    ?.trim()
    .split(/[\s,]+/)
    .map(Number);
  if (!size) return ok({ rings });
  const wide = Number(size[1]) * unitsMm[size[2]!]!;
  return ok({ rings, unitMm: box?.[2] ? wide / box[2] : unitsMm[size[2]!]! });
}
