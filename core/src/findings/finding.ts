import type { Change, Severity, Station } from '../document';
import type { Sure } from '../units';

/** A cure: applied with one press when it has changes, otherwise advice. */
export interface Remedy {
  label: string;
  changes: readonly Change[];
}

/** Something Fomrik noticed. */
export interface Finding {
  id: string;
  severity: Severity;
  station: Station;
  title: string;
  why: string;
  sure: Sure;
  /** How much is wrong, in a unit of its own. */
  excess: number;
  partId?: string;
  pieceId?: string;
  remedies: Remedy[];
}
