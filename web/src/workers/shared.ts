import type { BuildDoc } from '@fomrik/core/document';
import { sharedSheets } from '@fomrik/core/files/sharedSheets';

export const shared = {
  /** Several builds on the same sheets. */
  sharedSheets: (builds: { id: string; doc: BuildDoc }[]) => sharedSheets(builds),
};

export type SharedApi = typeof shared;
