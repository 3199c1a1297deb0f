import { resolveBody } from '../../body';
import { type LiftedKind, liftedParams } from '../../document';
import { startHabits } from '../../materials';
import type { Kinds } from '../../parts';

type Bag = Record<string, unknown>;

const isObject = (value: unknown): value is Bag =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is missing of some values, from others; the very same object when nothing is. */
function filled(values: unknown, start: object): unknown {
  if (!isObject(values)) return values;
  const missing = Object.entries(start).filter(([key]) => !(key in values));
  return missing.length === 0 ? values : { ...values, ...Object.fromEntries(missing) };
}

/** The most that is said of one document. */
const MOST_SAID = 400;

/**
 * Forms, details and habits grow fields, lose them and narrow their ranges. A document from before takes what it lacks as
 * a new part for a typical adult begins with it, and what no longer fits as its kind says; what was brought in is noted in
 * the document. Everything else stays as it is, to be checked.
 */
export function withNewFields(doc: Bag, { forms, features }: Kinds): Bag {
  const make = isObject(doc['make'])
    ? { make: { ...doc['make'], habits: filled(doc['make']['habits'], startHabits) } }
    : {};
  if (!Array.isArray(doc['parts'])) return { ...doc, ...make };
  const body = resolveBody([]);
  const said: string[] = [];
  const lifted = (params: unknown, kind: LiftedKind | undefined, start: () => Bag, of: string): unknown => {
    if (!kind || !isObject(params)) return params;
    const { values, said: own } = liftedParams(params, kind, start());
    said.push(...own.map((words) => `${of}: ${words}`.slice(0, 300)));
    return values;
  };
  const parts = doc['parts'].map((part: unknown): unknown => {
    if (!isObject(part)) return part;
    const form = forms.get(String(part['form']));
    const name = String(part['name']);
    const laid = Array.isArray(part['features'])
      ? part['features'].map((feature: unknown): unknown => {
          if (!isObject(feature)) return feature;
          const kind = features.get(String(feature['kind']));
          const start = (): Bag => kind!.start({ panel: '', edge: '', at: { x: 0.5, y: 0.5 } }).params;
          return kind ? { ...feature, params: lifted(feature['params'], kind, start, name) } : feature;
        })
      : part['features'];
    const params = lifted(part['params'], form, () => form!.defaults(body), name);
    return { ...part, ...(form && { params }), features: laid };
  });
  const before = Array.isArray(doc['broughtIn']) ? (doc['broughtIn'] as unknown[]) : [];
  return {
    ...doc,
    ...make,
    parts,
    ...(said.length > 0 && { broughtIn: [...before, ...said].slice(-MOST_SAID) }),
  };
}
