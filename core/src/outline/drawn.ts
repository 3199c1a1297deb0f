import { itemAt, firstOf } from '../units';
import { choice, length, type Row, rows } from '../document';
import {
  dist2,
  grown,
  joined,
  largestRing,
  lerp2,
  signedArea,
  thinned,
  unspiked,
  type Vec2,
} from '../geometry';

/** A point of a drawn outline: straight on from a corner, on through a smooth one, or round an arc through it. */
export interface Node {
  xMm: number;
  yMm: number;
  node: 'corner' | 'smooth' | 'arc';
}

/** What a point of a drawn line is, in every form that has one. */
export const pointFields = [
  length('xMm', 'Across', [-1500, 1500], 'To the right of the middle line.'),
  length('yMm', 'Up', [-1500, 3000], 'Above the foot of the drawing.'),
  choice(
    'node',
    'Node',
    [
      ['corner', 'corner'],
      ['smooth', 'smooth'],
      ['arc', 'arc'],
    ],
    'Whether the line turns here, runs through, or goes round on a circle from the point before to the one after.',
  ),
] as const;

/** As many as a finely drawn file has within a tenth of a millimetre. */
const MOST_NODES = 2000;

/** A point that begins half way from the last to the first. */
const nextPoint = (before: readonly Row[]): Row & Node => {
  const [a, b] = [before.at(-1), before[0]];
  return {
    xMm: ((Number(a?.['xMm']) || 0) + (Number(b?.['xMm']) || 0)) / 2,
    yMm: ((Number(a?.['yMm']) || 0) + (Number(b?.['yMm']) || 0)) / 2,
    node: 'corner',
  };
};

const OUTLINE_HELP = 'Points round the outline, seen from the front; drag them in the drawing or type them.';

/** The field every form with a drawn outline has. */
export const outlineField = (when: (params: object) => boolean) =>
  rows('outline', 'Outline', pointFields, [3, MOST_NODES], nextPoint, 'point', OUTLINE_HELP, 'Outline', {
    draws: 'outline',
    when,
  });

/** A point of an outline whose bevelled sides are chosen one by one. */
export interface SidedNode extends Node {
  side: 'bevel' | 'square';
}

/** The field of a form that bevels its edges: each side from its point to the next may stay square. */
export const sidedOutlineField = (when: (params: object) => boolean) =>
  rows(
    'outline',
    'Outline',
    [
      ...pointFields,
      choice(
        'side',
        'Side from here',
        [
          ['bevel', 'bevelled'],
          ['square', 'square'],
        ],
        'Whether the side from this point to the next takes the bevel, where there is one, or stays square.',
        'Outline',
        { formerly: 'bevel' },
      ),
    ],
    [3, MOST_NODES],
    (before) => ({ ...nextPoint(before), side: 'bevel' }),
    'point',
    OUTLINE_HELP,
    'Outline',
    { draws: 'outline', when },
  );

/** The sides of a drawing that are to stay square, as they are drawn. */
export function squareSides(nodes: readonly SidedNode[]): Vec2[][] {
  const sides = nodeSides(nodes);
  return nodes.flatMap(({ xMm, yMm, side }, i) =>
    side === 'square' ? [[{ x: xMm, y: yMm }, ...itemAt(sides, i)]] : [],
  );
}

const STEPS = 8;

/** A curve between two points with their neighbours (centripetal Catmull–Rom: Barry and Goldman, 1988), start left out. */
function curve(p0: Vec2, p1: Vec2, p2: Vec2, p3: Vec2): Vec2[] {
  const knot = (t: number, a: Vec2, b: Vec2): number => t + Math.max(1e-4, Math.sqrt(dist2(a, b)));
  const t0 = 0;
  const t1 = knot(t0, p0, p1);
  const t2 = knot(t1, p1, p2);
  const t3 = knot(t2, p2, p3);
  const mix = (a: Vec2, b: Vec2, ta: number, tb: number, t: number): Vec2 =>
    lerp2(a, b, (t - ta) / (tb - ta));
  return Array.from({ length: STEPS }, (_, i) => {
    const t = t1 + ((t2 - t1) * (i + 1)) / STEPS;
    const [a, b, c] = [mix(p0, p1, t0, t1, t), mix(p1, p2, t1, t2, t), mix(p2, p3, t2, t3, t)];
    return mix(mix(a, b, t0, t2, t), mix(b, c, t1, t3, t), t1, t2, t);
  });
}

const ARC_DEG = 6;

/** The arc of a circle from one point through a second to a third, start left out, in two legs; straight when they are in line. */
function arcThrough(a: Vec2, b: Vec2, c: Vec2): [Vec2[], Vec2[]] {
  const [bx, by, cx, cy] = [b.x - a.x, b.y - a.y, c.x - a.x, c.y - a.y];
  const twice = 2 * (bx * cy - by * cx);
  if (Math.abs(twice) < 1e-3 * (Math.hypot(bx, by) + Math.hypot(cx, cy))) return [[b], [c]];
  // Centre of the circle through three points, from the first.
  const ux = (cy * (bx * bx + by * by) - by * (cx * cx + cy * cy)) / twice;
  const uy = (bx * (cx * cx + cy * cy) - cx * (bx * bx + by * by)) / twice;
  const r = Math.hypot(ux, uy);
  const angle = (x: number, y: number): number => Math.atan2(y - uy, x - ux);
  const whole = 2 * Math.PI;
  const from = angle(0, 0);
  const onward = (to: number): number => (((to - from) % whole) + whole) % whole;
  const [through, end] = [onward(angle(bx, by)), onward(angle(cx, cy))];
  const back = through < end ? 0 : whole;
  const leg = (start: number, stop: number, last: Vec2): Vec2[] => {
    const steps = Math.max(1, Math.ceil((Math.abs(stop - start) * 180) / Math.PI / ARC_DEG));
    return Array.from({ length: steps }, (_, i) => {
      if (i === steps - 1) return last;
      const t = from + start + ((stop - start) * (i + 1)) / steps;
      return { x: a.x + ux + r * Math.cos(t), y: a.y + uy + r * Math.sin(t) };
    });
  };
  return [leg(0, through - back, b), leg(through - back, end - back, c)];
}

/**
 * The line from each node to the next, its start left out, closed: straight between corners, curved where an end is smooth,
 * round where one is an arc.
 */
export function nodeSides(nodes: readonly Node[]): Vec2[][] {
  const n = nodes.length;
  const at = (i: number): Vec2 => {
    const { xMm, yMm } = itemAt(nodes, (i + n) % n);
    return { x: xMm, y: yMm };
  };
  const smooth = (i: number): boolean => itemAt(nodes, (i + n) % n).node === 'smooth';
  const arcs = nodes.map(({ node }, i) => node === 'arc' && itemAt(nodes, (i + n - 1) % n).node !== 'arc');
  const isArc = (i: number): boolean => itemAt(arcs, (i + n) % n);
  return nodes.map((_, i): Vec2[] => {
    const [p, q] = [at(i), at(i + 1)];
    // Of two arcs in a row the second ends the first.
    if (isArc(i + 1)) return arcThrough(p, q, at(i + 2))[0];
    if (isArc(i)) return arcThrough(at(i - 1), p, q)[1];
    if (!smooth(i) && !smooth(i + 1)) return [q];
    // A corner ends the curve: it has no neighbour beyond it.
    return curve(smooth(i) ? at(i - 1) : p, p, q, smooth(i + 1) ? at(i + 2) : q);
  });
}

/** The line through nodes, closed. */
export const nodeLine = (nodes: readonly Node[]): Vec2[] => nodeSides(nodes).flat();

export interface Drawing {
  outline: Vec2[];
  /** The line crosses itself or closes on nothing, and was mended to be cut at all. */
  crosses: boolean;
}

/** Less than this is no outline, mm². */
const LEAST_MM2 = 25;

/** The outline of drawn nodes, counter-clockwise; its largest loop where it crosses itself. */
export function drawnOutline(nodes: readonly Node[]): Drawing {
  const drawn = nodeLine(nodes).filter((p, i, all) => dist2(p, itemAt(all, (i + 1) % all.length)) > 1e-3);
  const line = unspiked(drawn);
  const ring = signedArea(line) < 0 ? [...line].reverse() : line;
  const loops = ring.length < 3 ? [] : joined([ring], []);
  const outline = largestRing(loops);
  if (Math.abs(signedArea(outline)) < LEAST_MM2) {
    const { xMm, yMm } = firstOf(nodes);
    return {
      outline: [
        { x: xMm - 10, y: yMm - 10 },
        { x: xMm + 10, y: yMm - 10 },
        { x: xMm + 10, y: yMm + 10 },
        { x: xMm - 10, y: yMm + 10 },
      ],
      crosses: true,
    };
  }
  const lost = Math.abs(signedArea(ring) - signedArea(outline)) > 0.01 * signedArea(outline);
  return { outline, crosses: lost || loops.length > 1 };
}

/**
 * A drawing moved in or out by a distance everywhere, corners mitred, as corner nodes: as few as keep the line within a
 * twentieth of a millimetre, and at most so many. Nothing when nothing is left of it.
 */
export function offsetNodes(nodes: readonly Node[], outMm: number, most: number): Node[] | undefined {
  const ring = largestRing(grown([drawnOutline(nodes).outline], outMm));
  if (ring.length < 3 || Math.abs(signedArea(ring)) < LEAST_MM2) return undefined;
  const round = (mm: number): number => Math.round(mm * 100) / 100;
  return thinned(ring, most, 0.05).ring.map(({ x, y }) => ({ xMm: round(x), yMm: round(y), node: 'corner' }));
}

/** Nodes of an outline given as corner points. */
export const cornerNodes = (outline: readonly (readonly [number, number])[]): Node[] =>
  outline.map(([xMm, yMm]) => ({ xMm, yMm, node: 'corner' }));

/** Nodes whose sides all take the bevel. */
export const bevelledNodes = (nodes: readonly Node[]): SidedNode[] =>
  nodes.map((n) => ({ ...n, side: 'bevel' }));
