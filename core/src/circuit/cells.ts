import { firstOf, lastOf, itemAt } from '../units';
import type { CapacityCurve, Cell, VoltageCurve } from '../materials';

/** Capacity at a load, straight lines between the known points on logarithmic axes, held beyond them. */
export function capacityAh(curve: CapacityCurve, loadA: number): number {
  const first = firstOf(curve);
  const last = lastOf(curve);
  if (loadA <= first.loadA) return first.capacityAh;
  if (loadA >= last.loadA) return last.capacityAh;
  const i = curve.findIndex((p) => p.loadA >= loadA);
  const a = itemAt(curve, i - 1);
  const b = itemAt(curve, i);
  const t = Math.log(loadA / a.loadA) / Math.log(b.loadA / a.loadA);
  return Math.exp(Math.log(a.capacityAh) + t * Math.log(b.capacityAh / a.capacityAh));
}

/** Volts of one cell after a share of its capacity is used. */
export function cellVolts(curve: VoltageCurve, used: number): number {
  const i = curve.findIndex((p) => p.used >= used);
  if (i <= 0) return (i === 0 ? firstOf(curve) : lastOf(curve)).volts;
  const a = itemAt(curve, i - 1);
  const b = itemAt(curve, i);
  return a.volts + ((b.volts - a.volts) * (used - a.used)) / (b.used - a.used);
}

/** Share of a cell's capacity that it gives at a temperature: straight lines between known points, held beyond them. */
export function coldShare(cold: Cell['cold'], atC: number): number {
  const i = cold.findIndex((p) => p.atC >= atC);
  if (i <= 0) return (i === 0 ? firstOf(cold) : lastOf(cold)).share;
  const [a, b] = [itemAt(cold, i - 1), itemAt(cold, i)];
  return a.share + ((b.share - a.share) * (atC - a.atC)) / (b.atC - a.atC);
}
