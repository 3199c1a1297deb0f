import type { EdgeSpan } from '../../document';
import type { FoamSheet } from '../../materials';

/** A strip along edges: where, how wide, of what, on which face. */
export interface Band {
  runs: readonly EdgeSpan[];
  widthMm: number;
  foam: FoamSheet;
  face: 'outer' | 'inner';
  /** What it is called, and what the maker should know before cutting. */
  name: string;
  note: string;
}
