import { firstOf } from '../units';
import { dist2, stretchesOf, type Stretch, type Vec2 } from '../geometry';

/** Curves leave as arcs nowhere further than this from what they stand for, mm. */
export const CURVE_MM = 0.05;

/** A drawn run as straight stretches and arcs, back to its beginning when it is closed. */
export const drawnStretches = (points: readonly Vec2[], closed: boolean): Stretch[] =>
  stretchesOf(closed ? [...points, firstOf(points)] : points, CURVE_MM);

/**
 * A drawn run as the data of an SVG path, y turned down.
 * @param scale units of the drawing in a millimetre, across and along; @param topMm what is at nought there.
 */
export function pathData(
  points: readonly Vec2[],
  closed: boolean,
  n: (value: number) => string,
  topMm: number,
  scale: Vec2 = { x: 1, y: 1 },
): string {
  if (points.length === 0) return '';
  const at = (p: Vec2): string => `${n(p.x * scale.x)} ${n((topMm - p.y) * scale.y)}`;
  const drawn = drawnStretches(points, closed).map((s) => {
    if (!('centre' in s)) return `L${at(s.to)}`;
    const r = dist2(s.to, s.centre);
    return `A${n(r * scale.x)} ${n(r * scale.y)} 0 0 ${s.ccw ? 0 : 1} ${at(s.to)}`;
  });
  // The way home is drawn by closing, unless it is round.
  if (closed && drawn.at(-1)?.startsWith('L')) drawn.pop();
  return `M${at(firstOf(points))}${drawn.join('')}${closed ? 'Z' : ''}`;
}
