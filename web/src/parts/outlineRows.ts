import { itemAt } from '@fomrik/core/units';
import type { Row, RowsField } from '@fomrik/core/document';
import type { Reach } from '@fomrik/core/files/outline/readOutline';

/** The point that mirrors another about the middle line, when there is one. */
export function twinOf(points: readonly { x: number; y: number }[], i: number): number | undefined {
  const p = itemAt(points, i);
  if (Math.abs(p.x) < 0.5) return undefined;
  const k = points.findIndex((q, n) => n !== i && Math.abs(q.x + p.x) < 1.5 && Math.abs(q.y - p.y) < 1.5);
  return k < 0 ? undefined : k;
}

/** Points nearer than this to the middle line lie on it, mm. */
const ON_LINE_MM = 0.25;

/** Points right of the middle line, then their mirror images the other way round; a side has what its twin has. */
export function mirroredRows(rows: readonly Row[], most: number): Row[] {
  const right = rows.filter((r) => Number(r['xMm']) >= -ON_LINE_MM);
  if (right.length < 2) return [...rows];
  /** A point whose side leads back over the one that came to it. */
  const back = (row: Row, i: number): Row => {
    const before = right[i - 1];
    return before && 'side' in row ? { ...row, side: before['side']! } : row;
  };
  const last = right.length - 1;
  const turned = right.map((r, i) => (i === last && Number(r['xMm']) <= ON_LINE_MM ? back(r, i) : r));
  const left = right
    .map((r, i) => ({ ...back(r, i), xMm: -Number(r['xMm']) }))
    .filter((r) => r.xMm < -ON_LINE_MM)
    .reverse();
  return [...turned, ...left].slice(0, most);
}

/** A value of one of a list's fields, kept within that field's range. */
export const rangedIn =
  (field: RowsField) =>
  (key: string, value: number): number => {
    const of = field.of.find((f) => f.key === key);
    const [low, high] = of && 'range' in of ? of.range : [-Infinity, Infinity];
    return Math.min(high, Math.max(low, value));
  };

/** Where the points of an outline may lie, by the ranges of its fields. */
export function reachOf(field: RowsField): Reach {
  const rangeOf = (key: string): readonly [number, number] => {
    const of = field.of.find((f) => f.key === key);
    return of && 'range' in of ? of.range : [-Infinity, Infinity];
  };
  return { xMm: rangeOf('xMm'), yMm: rangeOf('yMm') };
}
