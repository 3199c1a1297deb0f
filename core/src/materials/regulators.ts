import type { Provenance } from '../units';

export type RegulatorKind = 'linear' | 'step-down' | 'step-up';

/** A small board between pack and lamps that holds its voltage; all figures from memory. */
export interface Regulator {
  kind: RegulatorKind;
  name: string;
  /** Share of what it takes that it gives; of a linear one it follows from the voltages. */
  efficiency?: number;
  /** What it must have over its own voltage; a step-up has none and starts from `leastInV`. */
  dropoutV: number;
  leastInV: number;
  /** What it draws by itself, amperes. */
  ownA: number;
  maxA: number;
  massG: number;
  price: number;
  provenance: Provenance;
}

export const regulators: Record<RegulatorKind, Regulator> = {
  linear: {
    kind: 'linear',
    name: 'linear regulator',
    dropoutV: 1.2,
    leastInV: 2.5,
    ownA: 0.005,
    maxA: 1,
    massG: 2,
    price: 0.8,
    provenance: 'memory',
  },
  'step-down': {
    kind: 'step-down',
    name: 'step-down board',
    efficiency: 0.9,
    dropoutV: 0.8,
    leastInV: 4.5,
    ownA: 0.004,
    maxA: 2,
    massG: 4,
    price: 2.5,
    provenance: 'memory',
  },
  'step-up': {
    kind: 'step-up',
    name: 'step-up board',
    efficiency: 0.85,
    dropoutV: 0,
    leastInV: 0.9,
    ownA: 0.002,
    maxA: 0.6,
    massG: 4,
    price: 3,
    provenance: 'memory',
  },
};

/** Without a heat sink a linear regulator in foam gives off no more than this, watts; from memory. */
export const linearMostW = 0.5;
