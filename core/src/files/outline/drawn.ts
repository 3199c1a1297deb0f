import { itemAt, firstOf, lastOf } from '../../units';
import type { Vec2 } from '../../geometry';

/** Rings of a drawing in its own units, y up; and what one unit is in millimetres, when the file says. */
export interface Drawn {
  rings: Vec2[][];
  unitMm?: number;
  /** What of the drawing was not read, by its kind and how often. */
  left: Map<string, number>;
}

/** More points than this are no outline that a hand cuts. */
export const MOST_POINTS = 200_000;

/** A drawing with more points than are taken. */
export class TooMany extends Error {}

/** Counts points as they are made. @returns what adds so many. @throws TooMany. */
export function budget(): (points: number) => void {
  let made = 0;
  return (points) => {
    made += points;
    if (made > MOST_POINTS) throw new TooMany();
  };
}

export const count = (left: Map<string, number>, what: string): void =>
  void left.set(what, (left.get(what) ?? 0) + 1);

const NEAR = 1e-3;

/** Runs that end where others begin, followed until they close; found by their ends in a grid. */
export function chained(runs: readonly Vec2[][]): Vec2[][] {
  const cell = (p: Vec2, dx = 0, dy = 0): string =>
    `${Math.round(p.x / NEAR) + dx},${Math.round(p.y / NEAR) + dy}`;
  const near = (a: Vec2, b: Vec2): boolean => Math.hypot(a.x - b.x, a.y - b.y) < NEAR;
  const ends = new Map<string, Set<number>>();
  const open = runs.filter((r) => r.length > 1);
  const note = (i: number, put: boolean): void => {
    for (const p of [firstOf(itemAt(open, i)), lastOf(itemAt(open, i))]) {
      const at = ends.get(cell(p)) ?? new Set<number>();
      if (put) at.add(i);
      else at.delete(i);
      ends.set(cell(p), at);
    }
  };
  open.forEach((_, i) => note(i, true));
  const meeting = (end: Vec2): number | undefined => {
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1])
        for (const i of ends.get(cell(end, dx, dy)) ?? [])
          if (near(firstOf(itemAt(open, i)), end) || near(lastOf(itemAt(open, i)), end)) return i;
    return undefined;
  };
  const rings: Vec2[][] = [];
  const used = new Set<number>();
  open.forEach((first, i) => {
    if (used.has(i)) return;
    used.add(i);
    note(i, false);
    const ring = [...first];
    while (!near(firstOf(ring), lastOf(ring))) {
      const end = lastOf(ring);
      const next = meeting(end);
      if (next === undefined) break;
      used.add(next);
      note(next, false);
      const run = itemAt(open, next);
      for (const p of (near(firstOf(run), end) ? run : [...run].reverse()).slice(1)) ring.push(p);
    }
    if (near(firstOf(ring), lastOf(ring))) ring.pop();
    rings.push(ring);
  });
  return rings;
}
