import { type BuildDoc, changeName, type Labels } from '@fomrik/core/document';
import { standardKinds } from '@fomrik/core/parts';

const labelIn = (fields: readonly { key: string; label: string }[] | undefined, key: string): string =>
  fields?.find((f) => f.key === key)?.label ?? key;

const labels: Labels = {
  field: (form, key) => labelIn(standardKinds.forms.get(form)?.fields, key),
  feature: (kind) => standardKinds.features.get(kind)?.label ?? kind,
  featureField: (kind, key) => labelIn(standardKinds.features.get(kind)?.fields, key),
};

/** What leads from one state of the build to the next, in a few words; nothing where there is no such state. */
export const stepName = (before: BuildDoc | undefined, after: BuildDoc | undefined): string | undefined =>
  before && after ? changeName(before, after, labels) : undefined;
