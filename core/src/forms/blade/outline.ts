import type { Vec2 } from '../../geometry';
import { spanAt } from '../held/lightWalls';
import { arc } from '../held/outlines';

export type PointKind = 'spear' | 'clip' | 'leaf' | 'round' | 'square';

export interface BladeShape {
  lengthMm: number;
  widthMm: number;
  /** Where the point begins. */
  tipWidthMm: number;
  point: PointKind;
  pointMm: number;
}

const WAIST = 12;

/** A blade seen from the front, its shoulder on the x axis, counter-clockwise from the lower left. */
export function bladeOutline({ lengthMm, widthMm, tipWidthMm, point, pointMm }: BladeShape): Vec2[] {
  const [w, t] = [widthMm / 2, tipWidthMm / 2];
  const tip = Math.min(pointMm, lengthMm * 0.9);
  const y = lengthMm - tip;
  const foot = [
    { x: -w, y: 0 },
    { x: w, y: 0 },
  ];
  switch (point) {
    case 'square':
      return [...foot, { x: t, y: lengthMm }, { x: -t, y: lengthMm }];
    case 'round':
      return [...foot, ...arc({ x: 0, y }, t, tip, 0, 180, 24)];
    case 'clip':
      // One edge runs straight on to the point, the other is cut away to it.
      return [...foot, { x: t, y: lengthMm - tip * 0.15 }, { x: t * 0.9, y: lengthMm }, { x: -t, y }];
    case 'spear':
      return [...foot, { x: t, y }, { x: 0, y: lengthMm }, { x: -t, y }];
    case 'leaf': {
      // Narrow at the shoulder third, widest two thirds up, then in to the point.
      const side = (sign: 1 | -1): Vec2[] =>
        Array.from({ length: WAIST + 1 }, (_, i) => {
          const s = i / WAIST;
          const x = w + (t - w) * s - 0.18 * w * Math.sin(2 * Math.PI * s);
          return { x: sign * x, y: y * s };
        });
      return [...side(1), { x: 0, y: lengthMm }, ...side(-1).reverse()];
    }
  }
}

/** Half the width of a convex outline at a height. */
export function halfWidthAt(outline: readonly Vec2[], y: number): number {
  const span = spanAt(outline, y);
  return span ? Math.min(span[1], -span[0]) : 0;
}
