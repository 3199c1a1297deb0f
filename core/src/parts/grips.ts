import { byId, firstOf } from '../units';
import { applyChanges, type Part, type ScalarField, type Value } from '../document';
import type { Grip, Model } from '../forms';
import { dist3, scale3, sub3, type Vec3 } from '../geometry';
import { modelOf, type Context } from './context';
import { formOf } from './kinds';

/** A value of the form that can be dragged on the solid. */
export interface FormHandle {
  /** Its place among the values of the form. */
  path: readonly (string | number)[];
  label: string;
  at: Vec3;
  /** Where the handle goes for one unit more (millimetre or degree). */
  step: Vec3;
  value: number;
  range: readonly [number, number];
}

/** How far a value is moved to feel where its grip goes. */
const STEP = 2;

const spotOf = (model: Model, { panel, at: [u, v] }: Grip): Vec3 | undefined => {
  const grid = byId(model.panels, panel)?.grid;
  return grid?.[Math.round(v * (grid.length - 1))]?.[Math.round(u * (firstOf(grid).length - 1))];
};

/** Handles of a part's values, in the form's space. Those known before keep the way they go. */
export function gripsOf(
  part: Part,
  context: Context,
  model: Model,
  before: readonly FormHandle[] = [],
): FormHandle[] {
  const { fields, grips } = formOf(context.kinds, part.form);
  return grips.flatMap((grip): FormHandle[] => {
    const [key, , sub] = grip.path;
    const field = fields.find((f) => f.key === key);
    const of: ScalarField | undefined = field?.type === 'rows' ? field.of.find((f) => f.key === sub) : field;
    if (!of || of.type === 'choice' || of.type === 'foam' || (field?.when && !field.when(part.params)))
      return [];
    const value = grip.path.reduce<unknown>(
      (at, step) => (at as Record<string | number, unknown> | undefined)?.[step],
      part.params,
    ) as Value | undefined;
    const at = spotOf(model, grip);
    if (typeof value !== 'number' || !at) return [];
    const handle = { path: grip.path, label: grip.label, at, value, range: of.range };
    const known = before.find((h) => h.path.join() === grip.path.join());
    if (known) return [{ ...handle, step: known.step }];
    // A value at the end of its range is felt backwards.
    const by = value + STEP <= of.range[1] ? STEP : -STEP;
    const moved = applyChanges(part, [{ path: ['params', ...grip.path], value: value + by }]);
    const next = spotOf(modelOf(moved, context), grip);
    if (!next || dist3(at, next) < 0.05) return [];
    return [{ ...handle, step: scale3(sub3(next, at), 1 / by) }];
  });
}
