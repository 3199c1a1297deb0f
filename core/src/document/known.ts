import type { Zone } from '../body';
import type { Field } from './field';
import type { PlaceKind } from './parts/place';

/** What a document may be made of: every form, every detail and everything printed, as far as a check asks of them. */
export interface Known {
  forms: ReadonlyMap<string, KnownForm>;
  features: ReadonlyMap<
    string,
    { readonly kind: string; readonly fields: readonly Field[]; readonly places: readonly PlaceKind[] }
  >;
  printed: readonly { readonly kind: string; readonly fields: readonly Field[] }[];
}

interface KnownForm {
  readonly kind: string;
  readonly label: string;
  readonly fields: readonly Field[];
  readonly sheets: string;
  readonly zones: readonly Zone[];
}
