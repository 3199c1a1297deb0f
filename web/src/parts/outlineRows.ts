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

/** Points right of the middle line, then their mirror images the other way round. */
export function mirroredRows(rows: readonly Row[], most: number): Row[] {
  const right = rows.filter((r) => Number(r['xMm']) >= -0.25);
  if (right.length < 2) return [...rows];
  const left = [...right]
    .reverse()
    .filter((r) => Number(r['xMm']) > 0.25)
    .map((r) => ({ ...r, xMm: -Number(r['xMm']) }));
  return [...right, ...left].slice(0, most);
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
