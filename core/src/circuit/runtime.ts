import type { CapacityCurve, Pack, VoltageCurve } from '../materials';
import type { Strings } from './strings';

/** Capacity at a load, straight lines between the known points on logarithmic axes, held beyond them. */
export function capacityAh(curve: CapacityCurve, loadA: number): number {
  const first = curve[0]!;
  const last = curve.at(-1)!;
  if (loadA <= first.loadA) return first.capacityAh;
  if (loadA >= last.loadA) return last.capacityAh;
  const i = curve.findIndex((p) => p.loadA >= loadA);
  const a = curve[i - 1]!;
  const b = curve[i]!;
  const t = Math.log(loadA / a.loadA) / Math.log(b.loadA / a.loadA);
  return Math.exp(Math.log(a.capacityAh) + t * Math.log(b.capacityAh / a.capacityAh));
}

/** Volts of one cell after a share of its capacity is used. */
export function cellVolts(curve: VoltageCurve, used: number): number {
  const i = curve.findIndex((p) => p.used >= used);
  if (i <= 0) return (i === 0 ? curve[0]! : curve.at(-1)!).volts;
  const a = curve[i - 1]!;
  const b = curve[i]!;
  return a.volts + ((b.volts - a.volts) * (used - a.used)) / (b.used - a.used);
}

export interface RunPoint {
  hour: number;
  volts: number;
  currentA: number;
}

export interface RunTime {
  /** Until the lamps pass half the current they began with, or the cells are empty. */
  hours: number;
  endedBy: 'dim' | 'empty';
  points: RunPoint[];
}

const currentAt = (circuit: Strings, volts: number): number =>
  circuit.strings.reduce((sum, s) => sum + Math.max(0, (volts - s.forwardV) / s.ohm), 0);

/** Discharge in steps of half a percent of capacity, the current following the sagging voltage. */
export function runTime(pack: Pack, circuit: Strings): RunTime {
  const steps = 200;
  const points: RunPoint[] = [];
  let hour = 0;
  const voltsAt = (used: number): number => cellVolts(pack.cell.voltage, used) * pack.series;
  const start = currentAt(circuit, voltsAt(0));
  for (let i = 0; i <= steps; i++) {
    const volts = voltsAt(i / steps);
    const currentA = currentAt(circuit, volts);
    points.push({ hour, volts, currentA });
    if (currentA < start / 2 || currentA === 0) return { hours: hour, endedBy: 'dim', points };
    hour += capacityAh(pack.cell.capacity, currentA) / steps / currentA;
  }
  return { hours: hour, endedBy: 'empty', points };
}
