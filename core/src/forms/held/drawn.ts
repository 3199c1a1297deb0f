import { choice, length, rows } from '../../document';
import { dist2, joined, largestRing, lerp2, signedArea, type Vec2 } from '../../geometry';
import { rectangle } from './outlines';

/** A point of a drawn outline: straight on from a corner, or on through a smooth one. */
export interface Node {
  xMm: number;
  yMm: number;
  node: 'corner' | 'smooth';
}

const pointFields = [
  length('xMm', 'Across', [-1500, 1500], 'To the right of the middle line.'),
  length('yMm', 'Up', [-1500, 3000], 'Above the foot of the drawing.'),
  choice(
    'node',
    'Node',
    [
      ['corner', 'corner'],
      ['smooth', 'smooth'],
    ],
    'Whether the line turns here or runs through.',
  ),
] as const;

/** The field every form with a drawn outline has. */
export const outlineField = (when: (params: object) => boolean) =>
  rows(
    'outline',
    'Outline',
    pointFields,
    [3, 120],
    (before) => {
      const [a, b] = [before.at(-1), before[0]];
      return {
        xMm: ((Number(a?.xMm) || 0) + (Number(b?.xMm) || 0)) / 2,
        yMm: ((Number(a?.yMm) || 0) + (Number(b?.yMm) || 0)) / 2,
        node: 'corner',
      };
    },
    'point',
    'Points round the outline, seen from the front; drag them in the drawing or type them.',
    'Outline',
    { draws: 'outline', when },
  );

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

/** The line through nodes, closed: straight between corners, curved where an end is smooth. */
export function nodeLine(nodes: readonly Node[]): Vec2[] {
  const n = nodes.length;
  const at = (i: number): Vec2 => {
    const { xMm, yMm } = nodes[(i + n) % n]!;
    return { x: xMm, y: yMm };
  };
  const smooth = (i: number): boolean => nodes[(i + n) % n]!.node === 'smooth';
  return nodes.flatMap((_, i): Vec2[] => {
    const [p, q] = [at(i), at(i + 1)];
    if (!smooth(i) && !smooth(i + 1)) return [q];
    // A corner ends the curve: it has no neighbour beyond it.
    return curve(smooth(i) ? at(i - 1) : p, p, q, smooth(i + 1) ? at(i + 2) : q);
  });
}

export interface Drawing {
  outline: Vec2[];
  /** The line crosses itself or closes on nothing, and was mended to be cut at all. */
  crosses: boolean;
}

/** Less than this is no outline, mm². */
const LEAST_MM2 = 25;

/** The outline of drawn nodes, counter-clockwise; its largest loop where it crosses itself. */
export function drawnOutline(nodes: readonly Node[]): Drawing {
  const line = nodeLine(nodes).filter((p, i, all) => dist2(p, all[(i + 1) % all.length]!) > 1e-3);
  const ring = signedArea(line) < 0 ? [...line].reverse() : line;
  const loops = ring.length < 3 ? [] : joined([ring], []);
  const outline = largestRing(loops);
  if (Math.abs(signedArea(outline)) < LEAST_MM2) {
    const { xMm, yMm } = nodes[0]!;
    return { outline: rectangle({ x: xMm, y: yMm }, 20, 20), crosses: true };
  }
  const lost = Math.abs(signedArea(ring) - signedArea(outline)) > 0.01 * signedArea(outline);
  return { outline, crosses: lost || loops.length > 1 };
}

/** Nodes of an outline given as corner points. */
export const cornerNodes = (outline: readonly (readonly [number, number])[]): Node[] =>
  outline.map(([xMm, yMm]) => ({ xMm, yMm, node: 'corner' }));
