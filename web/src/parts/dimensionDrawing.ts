import { type Dimension, turned } from '@fomrik/core/dimensions';
import { trimNumber } from '@fomrik/core/units';
import { add3, scale3, sub3, type Vec3 } from '@fomrik/core/geometry';

/** A point on the screen, pixels. */
export interface Px {
  x: number;
  y: number;
}

/** A dimension as it is drawn on the screen: thin lines, filled arrowheads, and where its value is written. */
export interface DimensionDrawing {
  lines: Px[][];
  arrows: Px[][];
  text: Px;
}

/** Arrowheads are narrow and filled, as long as ISO 129 draws them at this line width. */
const ARROW = 11;
const HALF_ANGLE = (7.5 * Math.PI) / 180;
/** The dimension line lies beside what it measures; extension lines go a little further. */
const ASIDE = 26;
const BEYOND = 4;
const GAP = 3;
const ARC_STEPS = 24;

const sub = (a: Px, b: Px): Px => ({ x: a.x - b.x, y: a.y - b.y });
const along = (a: Px, way: Px, by: number): Px => ({ x: a.x + way.x * by, y: a.y + way.y * by });
const size = (a: Px): number => Math.hypot(a.x, a.y);
const unit = (a: Px): Px => {
  const s = size(a) || 1;
  return { x: a.x / s, y: a.y / s };
};

/** An arrowhead with its tip at a point, pointing a way. */
export function arrowAt(tip: Px, way: Px): Px[] {
  const back = along(tip, way, -ARROW);
  const half = ARROW * Math.tan(HALF_ANGLE);
  return [
    tip,
    { x: back.x - way.y * half, y: back.y + way.x * half },
    { x: back.x + way.y * half, y: back.y - way.x * half },
  ];
}

/** Arrowheads at both ends of a line, from outside where it is too short for them. */
function bothArrows(a: Px, b: Px, short: boolean): { arrows: Px[][]; tails: Px[][] } {
  const way = unit(sub(b, a));
  const back = { x: -way.x, y: -way.y };
  return short
    ? {
        arrows: [arrowAt(a, way), arrowAt(b, back)],
        tails: [
          [a, along(a, back, ARROW * 2)],
          [b, along(b, way, ARROW * 2)],
        ],
      }
    : { arrows: [arrowAt(a, back), arrowAt(b, way)], tails: [] };
}

function lengthDrawing(a: Px, b: Px, away: Px): DimensionDrawing {
  const way = unit(sub(b, a));
  const side = { x: -way.y, y: way.x };
  // On the side that is away from the thing.
  const out = side.x * away.x + side.y * away.y < 0 ? { x: -side.x, y: -side.y } : side;
  const [c, d] = [along(a, out, ASIDE), along(b, out, ASIDE)];
  const { arrows, tails } = bothArrows(c, d, size(sub(d, c)) < 3 * ARROW);
  return {
    lines: [
      [along(a, out, GAP), along(c, out, BEYOND)],
      [along(b, out, GAP), along(d, out, BEYOND)],
      [c, d],
      ...tails,
    ],
    arrows,
    text: along({ x: (c.x + d.x) / 2, y: (c.y + d.y) / 2 }, out, 4),
  };
}

function arcDrawing(d: Dimension, project: (p: Vec3) => Px): DimensionDrawing {
  const { centre, axis, from, value } = d;
  const far = (p: Vec3): Vec3 => add3(centre!, scale3(sub3(p, centre!), 1.1));
  const points = Array.from({ length: ARC_STEPS + 1 }, (_, i) =>
    project(far(turned(from, centre!, axis!, ((value * Math.PI) / 180) * (i / ARC_STEPS)))),
  );
  const [first, last] = [points[0]!, points[ARC_STEPS]!];
  const middle = points[ARC_STEPS / 2]!;
  const flat = Math.abs(value) < 1;
  return {
    lines: [points, [project(from), first], [project(d.to), last]],
    arrows: flat
      ? []
      : [
          arrowAt(first, unit(sub(first, points[1]!))),
          arrowAt(last, unit(sub(last, points[ARC_STEPS - 1]!))),
        ],
    text: along(middle, unit(sub(middle, project(centre!))), 12),
  };
}

function noteDrawing(at: Px, away: Px): DimensionDrawing {
  const out = unit(size(away) < 1 ? { x: 1, y: -1 } : away);
  const end = along(at, out, 44);
  return { lines: [[at, end]], arrows: [arrowAt(at, { x: -out.x, y: -out.y })], text: along(end, out, 4) };
}

/**
 * A dimension on the screen, as ISO 129 draws one.
 * @param middle of the thing on the screen: dimension lines lie on the other side.
 */
export function dimensionDrawing(d: Dimension, project: (p: Vec3) => Px, middle: Px): DimensionDrawing {
  const [a, b] = [project(d.from), project(d.to)];
  const away = sub({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, middle);
  if (d.way === 'arc') return arcDrawing(d, project);
  // Seen end on there is nothing between its ends.
  if (d.way === 'note' || size(sub(b, a)) < 4) return noteDrawing(b, away);
  return lengthDrawing(a, b, away);
}

/** The same on paper, between two spots of a flat piece, or as a note at one. */
export function flatDrawing(from: Px | undefined, to: Px, middle: Px): DimensionDrawing {
  const other = from ?? to;
  const away = sub({ x: (other.x + to.x) / 2, y: (other.y + to.y) / 2 }, middle);
  return from && size(sub(to, from)) >= 4 ? lengthDrawing(from, to, away) : noteDrawing(to, away);
}

/** A dimension's value with its unit. */
export const said = (
  { unit, value }: Pick<Dimension, 'unit' | 'value'>,
  length: (mm: number) => string,
): string => (unit === 'mm' ? length(value) : `${trimNumber(value, 1)}${unit === 'deg' ? '°' : ` ${unit}`}`);

const pathOf = (points: readonly Px[], close: boolean): string =>
  points.length === 0
    ? ''
    : `M${points.map((p) => `${p.x.toFixed(1)} ${p.y.toFixed(1)}`).join('L')}${close ? 'Z' : ''}`;

/** The lines and the arrowheads of a drawing, each as one path. */
export const drawnPaths = ({ lines, arrows }: DimensionDrawing): { lines: string; arrows: string } => ({
  lines: lines.map((l) => pathOf(l, false)).join(''),
  arrows: arrows.map((a) => pathOf(a, true)).join(''),
});
