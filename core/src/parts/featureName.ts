import type { Feature } from '../document';
import { standardKinds } from './kinds';

/** A detail as it is called among those of its part: by its kind, with a number where there are several. */
export function featureName({ id, kind }: Feature, all: readonly Feature[]): string {
  const label = standardKinds.features.get(kind)?.label ?? kind;
  const alike = all.filter((f) => f.kind === kind);
  return alike.length > 1 ? `${label} ${alike.findIndex((f) => f.id === id) + 1}` : label;
}
