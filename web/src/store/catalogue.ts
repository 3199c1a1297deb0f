import { catalogue, type Catalogue, catalogueWith } from '@fomrik/core/materials';
import { useBuild } from './build';

/** Everything that can be had for the open build: what is sold, and foams of its own. */
export const catalogueNow = (): Catalogue => catalogueWith(catalogue, useBuild.getState().doc.foams);

/** The same, drawn anew when a foam is added or changed. */
export function useCatalogue(): Catalogue {
  const foams = useBuild((s) => s.doc.foams);
  return catalogueWith(catalogue, foams);
}
