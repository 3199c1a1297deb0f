import type { Junction } from './diode';

/** A two-ended device between nodes; current is counted from `a` to `b`, volts as those of `a` above those of `b`. */
export type Branch = { id: string; a: number; b: number } & (
  | { kind: 'resistor'; ohm: number }
  /** `a` is the plus; what it gives off load, and its own resistance. */
  | { kind: 'source'; volts: number; ohm: number }
  /** Equal junctions in series with a resistor; so many such strings side by side. */
  | { kind: 'string'; count: number; junction: Junction; ohm: number; times?: number }
  /** Draws its current at its least voltage and above, and less in proportion below. */
  | { kind: 'sink'; amps: number; leastV: number }
);

export interface Flow {
  amps: number;
  /** How much more current a little more voltage drives, siemens. */
  slope: number;
}

/** Leak of a junction that blocks, so that no node floats; as circuit simulators have it. */
export const LEAK_S = 1e-12;

/** Current of one string of junctions at a voltage: the root of its own law by Newton, guarded by bisection. */
export function stringFlow(
  { count, junction, ohm }: { count: number; junction: Junction; ohm: number },
  volts: number,
): Flow {
  if (volts <= 0) return { amps: volts * LEAK_S, slope: LEAK_S };
  const { saturationA, slopeV } = junction;
  const r = ohm + count * junction.seriesOhm;
  const n = count * slopeV;
  let [low, high] = [0, r > 0 ? volts / r : saturationA * Math.expm1(Math.min(600, volts / n))];
  high = Math.min(high, saturationA * Math.expm1(Math.min(600, volts / n)));
  let amps = Math.min(high, Math.max(low, high / 2));
  for (let i = 0; i < 80; i++) {
    const error = n * Math.log1p(amps / saturationA) + amps * r - volts;
    if (error > 0) high = amps;
    else low = amps;
    const next = amps - error / (n / (amps + saturationA) + r);
    const guarded = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(guarded - amps) <= 1e-15 + 1e-12 * amps) {
      amps = guarded;
      break;
    }
    amps = guarded;
  }
  return { amps, slope: 1 / (n / (amps + saturationA) + r) + LEAK_S };
}

/** What a branch passes at a voltage across it. */
export function flowOf(branch: Branch, volts: number): Flow {
  switch (branch.kind) {
    case 'resistor':
      return { amps: volts / branch.ohm, slope: 1 / branch.ohm };
    case 'source':
      return { amps: (volts - branch.volts) / branch.ohm, slope: 1 / branch.ohm };
    case 'string': {
      const { amps, slope } = stringFlow(branch, volts);
      const { times = 1 } = branch;
      return { amps: amps * times, slope: slope * times };
    }
    case 'sink': {
      const { amps, leastV } = branch;
      return volts < leastV
        ? { amps: (amps * volts) / leastV, slope: amps / leastV }
        : { amps, slope: LEAK_S };
    }
  }
}
