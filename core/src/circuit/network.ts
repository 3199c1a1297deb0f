import type { Pack } from '../materials';
import { type Branch, solveNetwork } from './nodal';
import { cellVolts } from './cells';
import type { LedString } from './strings';

/** What lies between the pack and the lamps. */
export interface Feed {
  switchOhm: number;
  wireOhm: number;
}

/** A string of lamps as it works. */
export interface WorkingString {
  group: string;
  lamps: number;
  ohm: number;
  amps: number;
  lampVolts: number;
  resistorVolts: number;
  resistorW: number;
}

/** A circuit at one moment of its cells. */
export interface Working {
  /** Of the pack at its terminals, and at the lamps. */
  packVolts: number;
  lampVolts: number;
  /** Lost in the switch and in the wires. */
  switchVolts: number;
  wireVolts: number;
  totalA: number;
  strings: WorkingString[];
}

/** A cell's own resistance grows about threefold until it is empty; from memory. */
const internalOhm = (pack: Pack, used: number): number =>
  pack.series * pack.cell.internalOhm * (1 + 2 * used);

/** Strings that are alike solved as one. */
function alike(strings: readonly LedString[]): { string: LedString; times: number }[] {
  const kinds = new Map<string, { string: LedString; times: number }>();
  for (const string of strings) {
    const key = `${string.group}/${string.lamps}/${string.ohm}`;
    const known = kinds.get(key);
    if (known) known.times += 1;
    else kinds.set(key, { string, times: 1 });
  }
  return [...kinds.values()];
}

/**
 * The strings on a pack after a share of its capacity is used, through switch and wires: nodal analysis, cells with
 * their own resistance, lamps on their curves. Nothing when there is no working point.
 */
export function workingAt(
  pack: Pack,
  strings: readonly LedString[],
  feed: Feed,
  used: number,
): Working | undefined {
  const kinds = alike(strings);
  const branches: Branch[] = [
    {
      id: 'pack',
      kind: 'source',
      a: 1,
      b: 0,
      volts: cellVolts(pack.cell.voltage, used) * pack.series,
      ohm: internalOhm(pack, used),
    },
    { id: 'switch', kind: 'resistor', a: 1, b: 2, ohm: Math.max(1e-4, feed.switchOhm) },
    { id: 'wire', kind: 'resistor', a: 2, b: 3, ohm: Math.max(1e-4, feed.wireOhm) },
    ...kinds.map(({ string, times }): Branch => ({
      id: 'string',
      kind: 'string',
      a: 3,
      b: 0,
      count: string.lamps,
      junction: string.junction,
      ohm: string.ohm,
      times,
    })),
  ];
  const solved = solveNetwork(branches);
  if (!solved.ok) return undefined;
  const { nodeVolts, branches: working } = solved.value;
  const [pack1, toggle, wire, ...lit] = working;
  return {
    packVolts: nodeVolts[1]!,
    lampVolts: nodeVolts[3]!,
    switchVolts: toggle!.volts,
    wireVolts: wire!.volts,
    totalA: -pack1!.amps,
    strings: kinds.flatMap(({ string, times }, i) => {
      const amps = lit[i]!.amps / times;
      const resistorVolts = amps * string.ohm;
      return Array.from({ length: times }, () => ({
        group: string.group,
        lamps: string.lamps,
        ohm: string.ohm,
        amps,
        lampVolts: (nodeVolts[3]! - resistorVolts) / string.lamps,
        resistorVolts,
        resistorW: amps * resistorVolts,
      }));
    }),
  };
}
