import { resolveBody } from '../../body';
import { startHabits } from '../../materials';
import type { Kinds } from '../../parts';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is missing of some values, from others; the very same object when nothing is. */
function filled(values: unknown, start: object): unknown {
  if (!isObject(values)) return values;
  const missing = Object.entries(start).filter(([key]) => !(key in values));
  return missing.length === 0 ? values : { ...values, ...Object.fromEntries(missing) };
}

/**
 * Forms, features and habits grow fields. A document from before one takes it as a new part for a typical adult begins with it;
 * everything else of the document stays as it is, to be checked.
 */
export function withNewFields(
  doc: Record<string, unknown>,
  { forms, features }: Kinds,
): Record<string, unknown> {
  const make = isObject(doc['make'])
    ? { make: { ...doc['make'], habits: filled(doc['make']['habits'], startHabits) } }
    : {};
  if (!Array.isArray(doc['parts'])) return { ...doc, ...make };
  const body = resolveBody([]);
  const parts = doc['parts'].map((part: unknown): unknown => {
    if (!isObject(part)) return part;
    const form = forms.get(String(part['form']));
    const laid = Array.isArray(part['features'])
      ? part['features'].map((feature: unknown): unknown => {
          if (!isObject(feature)) return feature;
          const kind = features.get(String(feature['kind']));
          const start = kind?.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } }).params;
          return start ? { ...feature, params: filled(feature['params'], start) } : feature;
        })
      : part['features'];
    return { ...part, ...(form && { params: filled(part['params'], form.defaults(body)) }), features: laid };
  });
  return { ...doc, ...make, parts };
}
