import { effectRule } from '../light';
import { gauges, type RegulatorKind, regulators } from '../materials';
import { flag, id, list, name, nullable, object, oneOf, optional, type ValueOf, within } from '../rule';

/** What feeds what; features may lie in several parts. */
export const circuitRule = object({
  id,
  name,
  source: id,
  switch: nullable(id),
  /** Features that are lit, and the current through each of their lamps. */
  loads: list(object({ feature: id, currentMa: within(0.5, 60) }), { most: 100, unique: 'feature' }),
  /** Gauge of its wires, where it is not the usual one. */
  wireAwg: optional(oneOf(...gauges.map((g) => g.awg))),
  /** Share of the hours at which the light is on; all of them when left out. */
  onShare: optional(within(0.01, 1)),
  /** Every lamp behind a resistor of its own, rather than as many in series as the volts allow. */
  apart: flag,
  /** A fuse by the pack. */
  fused: flag,
  /** A board behind the switch that holds the lamps' voltage. */
  regulator: optional(
    object({ kind: oneOf(...(Object.keys(regulators) as RegulatorKind[])), volts: within(1.5, 24) }),
  ),
  /** What a controller plays on its lights; steady when left out. */
  effect: optional(effectRule),
});
export type Circuit = ValueOf<typeof circuitRule>;
