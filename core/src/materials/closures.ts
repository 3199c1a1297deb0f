import type { Sure } from '../units/sure';

export type ClosureKind = 'none' | 'hook-and-loop' | 'buckle' | 'lacing';

/** How a gap is shut. The range of gap each can bridge is common practice, no source. */
export interface Closure {
  kind: ClosureKind;
  name: string;
  minGapMm: number;
  maxGapMm: number;
  massG: number;
  price: number;
  workMin: number;
  sure: Sure;
}

export const closures: Record<ClosureKind, Closure> = {
  none: {
    kind: 'none',
    name: 'closed tube, slipped on',
    minGapMm: 0,
    maxGapMm: 0,
    massG: 0,
    price: 0,
    workMin: 0,
    sure: 'practice',
  },
  'hook-and-loop': {
    kind: 'hook-and-loop',
    name: 'hook-and-loop straps',
    minGapMm: 5,
    maxGapMm: 40,
    massG: 12,
    price: 4,
    workMin: 20,
    sure: 'practice',
  },
  buckle: {
    kind: 'buckle',
    name: 'strap and buckle',
    minGapMm: 10,
    maxGapMm: 60,
    massG: 30,
    price: 7,
    workMin: 30,
    sure: 'practice',
  },
  lacing: {
    kind: 'lacing',
    name: 'eyelets and lace',
    minGapMm: 8,
    maxGapMm: 50,
    massG: 15,
    price: 5,
    workMin: 35,
    sure: 'practice',
  },
};
