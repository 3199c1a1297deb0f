import { type Region, type Zone, zoneInfo } from '../body';
import { type FeatureKind, features } from '../features';
import { type FormKind, forms } from '../forms';

/** The two registries: what a part can be, and what can be done to it. */
export interface Kinds {
  forms: ReadonlyMap<string, FormKind>;
  features: ReadonlyMap<string, FeatureKind>;
}

export const kindsOf = (allForms: readonly FormKind[], allFeatures: readonly FeatureKind[]): Kinds => ({
  forms: new Map(allForms.map((f) => [f.kind, f])),
  features: new Map(allFeatures.map((f) => [f.kind, f])),
});

/** Everything the product knows. */
export const standardKinds: Kinds = kindsOf(forms, features);

/** @throws Error for a form that is not in the registry; the document's check comes first. */
export function formOf({ forms: known }: Kinds, kind: string): FormKind {
  const form = known.get(kind);
  if (!form) throw new Error(`There is no form “${kind}”.`);
  return form;
}

/** A place in the menu of forms: a region of the body, or by itself. */
export type MenuGroup = Region | 'By itself';

/** Forms by the region they hang from, in the order of the registry. */
export function formMenu(kinds: Kinds): { group: MenuGroup; forms: FormKind[] }[] {
  const groups: MenuGroup[] = ['Head and neck', 'Trunk', 'Arm', 'Leg', 'In the hand', 'By itself'];
  const groupOf = (form: FormKind): MenuGroup =>
    form.zones[0] !== undefined ? zoneInfo(form.zones[0]).region : form.rides ? 'In the hand' : 'By itself';
  return groups
    .map((group) => ({ group, forms: [...kinds.forms.values()].filter((f) => groupOf(f) === group) }))
    .filter((g) => g.forms.length > 0);
}

/** Forms that can hang at any of some places. */
export const formsAt = (kinds: Kinds, zones: readonly Zone[]): FormKind[] =>
  [...kinds.forms.values()].filter((f) => f.zones.some((z) => zones.includes(z)));
