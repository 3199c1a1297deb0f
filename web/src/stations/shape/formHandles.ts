import type { DrapedPart, Part } from '@fomrik/core/build/document';
import type { FormHandle } from '@fomrik/core/forms/contract';
import { drapedKinds } from '@fomrik/core/forms/kinds';
import { length3 } from '@fomrik/core/geometry/vec';
import type { Draft } from 'immer';
import type { Handle } from '../../parts/SolidGrip';

type Changer = (recipe: (part: Draft<Part>) => void) => void;

/** Diamonds for a draped form's values: dragged along the way they move, nudged by one unit, kept in range. */
export function formHandles(
  part: DrapedPart,
  handles: readonly FormHandle[],
  drag: Changer,
  change: Changer,
  end: () => void,
): Handle[] {
  return handles.map(({ key, label, at, step }) => {
    const field = drapedKinds[part.form].fields.find((f) => f.key === key);
    const [low, high] = field && field.type !== 'choice' ? field.range : [-Infinity, Infinity];
    const from = (part.params[key] as number | undefined) ?? (field?.absent as number);
    const set = (by: number) => (p: Draft<Part>) => {
      Object.assign(p.params, { [key]: Math.min(high, Math.max(low, Math.round(from + by))) });
    };
    // A handle that hardly moves for a unit would run away from the pointer.
    const lively = Math.max(length3(step), 0.15);
    const scale = lively / Math.max(length3(step), 1e-6);
    return {
      id: key,
      label: label.includes(':') ? label : `${label}: drag, or arrow keys`,
      at,
      look: 'edge',
      step: { x: step.x * scale, y: step.y * scale, z: step.z * scale },
      onSlide: (by) => drag(set(by)),
      onNudge: (up, side) => change(set(up + side)),
      onEnd: end,
    };
  });
}
