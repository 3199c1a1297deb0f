import type { Sure } from '../units';
import type { Change } from './change';
import type { Need } from './field';
import type { Value } from './parts/value';

export type Severity = 'stop' | 'mind' | 'note';

export type Station = 'brief' | 'body' | 'shape' | 'inside' | 'cut' | 'make' | 'log';

/** A way out of something: values of the part to set, or something a field of the form may give more of. */
export type Cure =
  | {
      label: string;
      changes: readonly Change[];
      /** Takes away the very thing that is told of, so that it need not be tried. */
      certain?: true;
    }
  | {
      need: Need;
      /** How much more, in the need's millimetres. */
      mm: number;
    };

/** Something that was noticed about one part; becomes a finding. Changes in its cures lead from the part. */
export interface Check {
  id: string;
  severity: Severity;
  station: Station;
  title: string;
  why: string;
  sure: Sure;
  /** How much is wrong, in a unit of its own; a cure must make it less or nothing. */
  excess: number;
  pieceId?: string;
  cures: readonly Cure[];
}

/** Values of the form to set. */
export const setting = (label: string, set: Record<string, Value>): Cure => ({
  label,
  changes: Object.entries(set).map(([key, value]) => ({ path: ['params', key], value })),
});
