import { lastOf } from '@fomrik/core/units';
import type { Part } from '@fomrik/core/document';
import { length3 } from '@fomrik/core/geometry';
import type { FormHandle } from '@fomrik/core/parts';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** Sets a number at a place among the values of a form, from what it is now. */
function setAt(part: Draft<Part>, path: readonly (string | number)[], next: (now: number) => number): void {
  const last = lastOf(path);
  const holder = path
    .slice(0, -1)
    .reduce<unknown>((at, step) => (at as Record<string | number, unknown> | undefined)?.[step], part.params);
  if (typeof holder !== 'object' || holder === null) return;
  const values = holder as Record<string | number, unknown>;
  values[last] = next(Number(values[last]));
}

/** Diamonds for a form's values: dragged along the way they move, nudged by one unit, kept in range. */
export function formHandles(
  handles: readonly FormHandle[],
  drag: Changer,
  change: Changer,
  end: () => void,
): Handle[] {
  return handles.map(({ path, label, at, step, value, range: [low, high] }) => {
    const kept = (to: number): number => Math.min(high, Math.max(low, Math.round(to)));
    // A handle that hardly moves for a unit would run away from the pointer.
    const lively = Math.max(length3(step), 0.15);
    const scale = lively / Math.max(length3(step), 1e-6);
    return {
      id: path.join('.'),
      label: label.includes(':') ? label : `${label}: drag, or arrow keys`,
      at,
      look: 'edge',
      step: { x: step.x * scale, y: step.y * scale, z: step.z * scale },
      onSlide: (by) => drag((p) => setAt(p, path, () => kept(value + by))),
      onNudge: (up, right) => change((p) => setAt(p, path, (now) => kept(now + up + right))),
      onEnd: end,
    };
  });
}
