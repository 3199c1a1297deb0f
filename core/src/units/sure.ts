/**
 * How sure a figure is: from a published standard or handbook relation, from common practice,
 * from memory (a typical value), or measured by the maker.
 */
export type Sure = 'standard' | 'practice' | 'memory' | 'measured';

export interface Figure {
  value: number;
  sure: Sure;
}

export const figure = (value: number, sure: Sure): Figure => ({ value, sure });

export const sureLabel: Record<Sure, string> = {
  standard: 'published standard or handbook relation',
  practice: 'common practice, no source',
  memory: 'from memory, a typical value',
  measured: 'measured by you',
};
