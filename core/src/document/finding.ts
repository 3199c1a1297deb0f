import type { Provenance } from '../units';
import type { Change } from './change';
import type { Need } from './field';
import type { Value } from './parts/value';

export type Severity = 'stop' | 'mind' | 'note';

export type Station = 'brief' | 'body' | 'shape' | 'inside' | 'cut' | 'make' | 'log';

/** A way out of what was found: applied with one press. */
export interface Remedy {
  label: string;
  changes: readonly Change[];
  /** Takes away the very thing that was found, so that it need not be tried. */
  certain?: true;
}

/** More of something that a field of the form may give, in the need's millimetres. */
export interface Wanted {
  need: Need;
  mm: number;
}

/** What may help and is still to be tried. */
export type Proposal = Remedy | Wanted;

/** Something that was found wrong, or could be better; of a part, changes of its remedies lead from that part until it stands in a build. */
export interface Finding<R = Remedy> {
  id: string;
  severity: Severity;
  station: Station;
  title: string;
  why: string;
  provenance: Provenance;
  /** How much is wrong, in a unit of its own; a remedy must make it less or nothing. */
  excess: number;
  partId?: string;
  pieceId?: string;
  /** The detail of the part, or the circuit, that it is about. */
  featureId?: string;
  circuitId?: string;
  /** What it has in common with findings of other details of the part: like ones are shown as one, with their number. */
  alike?: string;
  remedies: readonly R[];
}

/** A finding whose remedies were not tried yet. */
export type Check = Finding<Proposal>;

/** Values of the form to set. */
export const setting = (label: string, set: Record<string, Value>): Remedy => ({
  label,
  changes: Object.entries(set).map(([key, value]) => ({ path: ['params', key], value })),
});
