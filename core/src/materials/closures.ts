import type { Sure } from '../units';

export type ClosureKind = 'none' | 'hook-and-loop' | 'buckle' | 'lacing' | 'elastic';

/** How a gap is shut. Ranges of gap are common practice, no source; masses, prices and times are from memory. */
export interface Closure {
  kind: ClosureKind;
  name: string;
  minGapMm: number;
  maxGapMm: number;
  /** For each metre, and for the ends of each one. */
  perMG: number;
  eachG: number;
  perMPrice: number;
  eachPrice: number;
  eachMin: number;
  /** What is bought by the metre. */
  stuff: string;
  sure: Sure;
}

export const closures: Record<ClosureKind, Closure> = {
  none: {
    kind: 'none',
    name: 'closed tube, slipped on',
    minGapMm: 0,
    maxGapMm: 0,
    perMG: 0,
    eachG: 0,
    perMPrice: 0,
    eachPrice: 0,
    eachMin: 0,
    stuff: '',
    sure: 'practice',
  },
  'hook-and-loop': {
    kind: 'hook-and-loop',
    name: 'hook-and-loop straps',
    minGapMm: 5,
    maxGapMm: 40,
    perMG: 22,
    eachG: 2,
    perMPrice: 3.2,
    eachPrice: 0,
    eachMin: 10,
    stuff: 'strap, 25 mm, with hook-and-loop ends',
    sure: 'practice',
  },
  buckle: {
    kind: 'buckle',
    name: 'strap and buckle',
    minGapMm: 10,
    maxGapMm: 60,
    perMG: 18,
    eachG: 11,
    perMPrice: 2,
    eachPrice: 1.6,
    eachMin: 15,
    stuff: 'strap, 25 mm, with buckles',
    sure: 'practice',
  },
  lacing: {
    kind: 'lacing',
    name: 'eyelets and lace',
    minGapMm: 8,
    maxGapMm: 50,
    perMG: 4,
    eachG: 8,
    perMPrice: 0.8,
    eachPrice: 2.5,
    eachMin: 30,
    stuff: 'lace, with eyelets',
    sure: 'practice',
  },
  elastic: {
    kind: 'elastic',
    name: 'elastic',
    minGapMm: 5,
    maxGapMm: 200,
    perMG: 9,
    eachG: 1,
    perMPrice: 1.2,
    eachPrice: 0,
    eachMin: 8,
    stuff: 'elastic, 20 mm',
    sure: 'practice',
  },
};
