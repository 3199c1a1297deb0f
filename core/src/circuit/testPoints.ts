import { trimNumber } from '../units';
import type { CircuitReport } from './circuits';

/** Where the two probes of a meter go, and the volts a sound circuit shows with fresh cells. */
export interface TestPoint {
  id: string;
  where: string;
  volts: number;
  /** What to look at when the reading is another. */
  else: string;
}

const STRAY_V = 0.15;
const SHARE = 0.08;

/** Readings of a sound circuit, from the pack on, as a maker takes them on the bench. */
export function testPoints({
  working,
  pack,
  switch: toggle,
}: Pick<CircuitReport, 'working' | 'pack' | 'switch'>): TestPoint[] {
  if (!working || !pack) return [];
  const kinds = working.strings.filter(
    (s, i, all) => all.findIndex((o) => o.group === s.group && o.lamps === s.lamps && o.ohm === s.ohm) === i,
  );
  return [
    {
      id: 'pack',
      where: `across ${pack.name}, light on`,
      volts: working.packVolts,
      else: 'Low: worn or wrong cells, or a short. Below nothing: cells the wrong way round.',
    },
    ...(toggle
      ? [
          {
            id: 'switch',
            where: `across the ${toggle.name}, light on`,
            volts: working.switchVolts,
            else: 'As much as the pack: the switch is open or its joint is dry.',
          },
        ]
      : []),
    ...(working.regulated
      ? [
          {
            id: 'regulator',
            where: 'into the regulator, light on',
            volts: working.regulated.inV,
            else: 'Low: the pack sags or the switch resists; the regulator gives up when it is starved.',
          },
        ]
      : []),
    {
      id: 'rail',
      where:
        working.strings.length > 0
          ? 'from the first resistor to the pack’s minus'
          : 'where the wires come to the light, plus to minus',
      volts: working.lampVolts,
      else: 'Low: a dry joint or a broken wire between the pack and here.',
    },
    ...kinds.flatMap((s, i): TestPoint[] => [
      {
        id: `resistor-${i}`,
        where: `across a ${trimNumber(s.ohm)} Ω resistor (${s.group})`,
        volts: s.resistorVolts,
        else: 'None: its string is open, a lamp is the wrong way round, or a joint is dry. Much more: a lamp is shorted.',
      },
      {
        id: `lamp-${i}`,
        where: `across each ${s.group} lamp of that string`,
        volts: s.lampVolts,
        else: 'As much as the whole string: that lamp is open or the wrong way round. None: it is shorted.',
      },
    ]),
  ];
}

/** Whether a reading is that of a sound circuit: within 8 % or 0.15 V, as cells and lamps differ (from memory). */
export const readsRight = ({ volts }: Pick<TestPoint, 'volts'>, readV: number): boolean =>
  Math.abs(readV - volts) <= Math.max(STRAY_V, SHARE * Math.abs(volts));
