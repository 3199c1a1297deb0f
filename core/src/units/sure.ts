/**
 * How sure a figure is: from a published standard or handbook relation, from common practice,
 * from memory (a typical value), or measured by the maker.
 */
export type Provenance = 'standard' | 'practice' | 'memory' | 'measured';

export interface Figure {
  value: number;
  provenance: Provenance;
}

export const figure = (value: number, provenance: Provenance): Figure => ({ value, provenance });

export const provenanceLabel: Record<Provenance, string> = {
  standard: 'published standard or handbook relation',
  practice: 'common practice, no source',
  memory: 'from memory, a typical value',
  measured: 'measured by you',
};
