import type { Mount, Params, SurfaceLook } from '@fomrik/core/document';

/** Where a part goes on another: an anchor of it, and what of the mount is not as it begins. */
export interface On {
  part: string;
  anchor: string;
  rest?: Partial<Omit<Extract<Mount, { to: 'part' }>, 'to' | 'part' | 'anchor'>>;
}

/** What a maker does, one thing after another; parts are named by what they are called. */
export type Doing =
  | {
      add: string;
      as: string;
      on?: On;
      /** The side it is worn or held on, where not the first there is. */
      side?: 'left' | 'right';
      set?: Params;
      foam?: readonly (readonly [foamId: string, mm: number])[];
    }
  | { detail: string; of: string; set?: Params }
  | { paint: string; colour: string; surface: SurfaceLook }
  | { light: string; with?: string; hours?: number; set?: Params };

/** A whole build of the Lampwardens, as a maker plans it from nothing. */
export interface Recipe {
  /** Of its file and its page. */
  id: string;
  name: string;
  /** What it is, for the page. */
  about: string;
  /** Its picture is taken from behind. */
  seenFromBehind?: true;
  doing: readonly Doing[];
}
