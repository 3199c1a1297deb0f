import { rotate2, type Vec2 } from '../../geometry';

/** How lamps lie to each other: how many, in what shape, in how many rows of a grid, and how far apart. */
export interface Layout {
  count: number;
  layout: 'line' | 'circle' | 'grid';
  rows: number;
  pitchMm: number;
}

/** Where each lamp lies from the place of all of them, on the flat: along the way it is turned, round it, or row by row. */
export function layoutOf({ count: n, layout, rows, pitchMm }: Layout, turnDeg: number): Vec2[] {
  const turned = (p: Vec2): Vec2 => rotate2(p, (-turnDeg * Math.PI) / 180);
  const each = Array.from({ length: n }, (_, i) => i);
  switch (layout) {
    case 'circle': {
      // Neighbours stand a pitch apart, in a straight line from one to the next.
      const r = n < 2 ? 0 : pitchMm / (2 * Math.sin(Math.PI / n));
      return each.map((i) => turned(rotate2({ x: 0, y: r }, (-2 * Math.PI * i) / n)));
    }
    case 'grid': {
      const columns = Math.ceil(n / rows);
      const high = Math.ceil(n / columns);
      return each.map((i) =>
        turned({
          x: ((i % columns) - (columns - 1) / 2) * pitchMm,
          y: ((high - 1) / 2 - Math.floor(i / columns)) * pitchMm,
        }),
      );
    }
    default:
      return each.map((i) => turned({ x: 0, y: i * pitchMm }));
  }
}
