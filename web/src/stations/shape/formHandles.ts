import type { Dimension } from '@fomrik/core/dimensions';
import type { Part } from '@fomrik/core/document';
import { length3 } from '@fomrik/core/geometry';
import { lastOf } from '@fomrik/core/units';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';
import { type FieldRef, useView } from '../../store/view';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** Sets a number at a place among the values of a form, from what it is now. */
export function setAt(
  part: Draft<Part>,
  path: readonly (string | number)[],
  next: (now: number) => number,
): void {
  const last = lastOf(path);
  const holder = path
    .slice(0, -1)
    .reduce<unknown>((at, step) => (at as Record<string | number, unknown> | undefined)?.[step], part.params);
  if (typeof holder !== 'object' || holder === null) return;
  const values = holder as Record<string | number, unknown>;
  values[last] = next(Number(values[last]));
}

/** Values of a smaller range than this are dragged by half a unit. */
const FINE = 20;

/** Slower than this, mm a unit, a grip would run away from the pointer. */
const LIVELY = 0.15;

/** A dragged value as its field takes it: within its range, in whole units or in halves. */
export function keptIn([low, high]: readonly [number, number], value: number): number {
  const grain = high - low <= FINE ? 0.5 : 1;
  return Math.min(high, Math.max(low, Math.round(value / grain) * grain));
}

/** Grips for the dimensions of a part: dragged the way they go, nudged by one unit, kept in range. */
export function formHandles(
  partId: string,
  dimensions: readonly Dimension[],
  { drag, change, end }: { drag: Changer; change: Changer; end: () => void },
): Handle[] {
  return dimensions.flatMap(({ path, label, to, step, value, range: [low, high], still }) => {
    if (still) return [];
    const kept = (next: number): number => keptIn([low, high], next);
    const speed = length3(step);
    const scale = Math.max(speed, LIVELY) / Math.max(speed, 1e-6);
    const ref: FieldRef = { partId, path };
    const sameAsHint = (): boolean => useView.getState().hinted?.path.join() === path.join();
    return [
      {
        id: path.join('.'),
        label: `${label}: drag, or arrow keys`,
        at: to,
        look: 'edge' as const,
        step: { x: step.x * scale, y: step.y * scale, z: step.z * scale },
        onSlide: (by: number) => drag((p) => setAt(p, path, () => kept(value + by))),
        onNudge: (up: number, right: number) =>
          change((p) => setAt(p, path, (now) => kept(now + up + right))),
        onEnd: end,
        onHint: (over: boolean) => {
          if (over) useView.setState({ hinted: ref });
          else if (sameAsHint()) useView.setState({ hinted: undefined });
        },
      },
    ];
  });
}
