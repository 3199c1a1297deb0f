import { itemAt, firstOf, lastOf } from '../units';
import { ledMaxA, leds, type Pack, type Regulator, type SteadyLoad } from '../materials';
import { type Branch, junctionOf, junctionVolts, solveNetwork } from './nodal';
import { cellVolts } from './cells';
import { coldJunction, ROOM_C } from './cold';
import type { LedString } from './strings';

/** What lies between the pack and the lamps. */
export interface Feed {
  switchOhm: number;
  wireOhm: number;
  /** Behind the switch, before the wires. */
  regulator?: Regulator & { volts: number };
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
  /** From the pack, and what goes on to the lamps: the same unless a regulator stands between. */
  totalA: number;
  lightA: number;
  /** What the regulator has before it, what it gives off as heat, and whether it still holds its voltage. */
  regulated?: { inV: number; heatW: number; holds: boolean };
  strings: WorkingString[];
  steady: WorkingSteady[];
}

/** A strip or a ring as it works: what it draws, against what it would at its rating. */
export interface WorkingSteady {
  name: string;
  amps: number;
  ratedA: number;
  volts: number;
  /** Current of the last segment against the first. */
  lastShare: number;
}

/** Everything a circuit lights. */
export interface Lights {
  strings: readonly LedString[];
  steady: readonly SteadyLoad[];
  /** How cold strips are; as in a room when left out. */
  atC?: number;
}

/** A cell's own resistance grows about threefold until it is empty; from memory. */
const internalOhm = (pack: Pack, used: number): number =>
  pack.series * pack.cell.internalOhm * (1 + 2 * used);

/** The node all lamps hang on. */
const RAIL = 3;
/** Segments solved one by one; a longer strip is solved in as many runs of equal length. */
const MOST_NODES = 24;

export const ratedA = (load: SteadyLoad): number =>
  load.kind === 'segments' ? load.segments * load.ratedA : load.amps;

/** A strip as runs of segments along its traces, or a ring as what it draws. */
function steadyBranches(load: SteadyLoad, from: number, atC: number): { branches: Branch[]; node: number } {
  if (load.kind !== 'segments')
    return {
      branches: [{ id: load.name, kind: 'sink', a: RAIL, b: 0, amps: load.amps, leastV: load.leastV }],
      node: from,
    };
  const junction = junctionOf({ forwardV: leds[load.colour].forwardV, ratedA: ledMaxA });
  // Its own resistor makes the rated current at the rated voltage.
  const perSegment = Math.min(
    load.perSegment,
    Math.max(1, Math.floor(load.ratedV / leds[load.colour].forwardV - 0.2)),
  );
  const ohm = (load.ratedV - perSegment * junctionVolts(junction, load.ratedA)) / load.ratedA;
  const cold = coldJunction(junction, atC);
  const runs = Math.min(MOST_NODES, load.segments);
  const branches: Branch[] = [];
  let node = from;
  let before = RAIL;
  for (let i = 0; i < runs; i++) {
    node += 1;
    const times = load.segments / runs;
    branches.push(
      { id: 'trace', kind: 'resistor', a: before, b: node, ohm: Math.max(1e-4, load.traceOhm * times) },
      { id: load.name, kind: 'string', a: node, b: 0, count: perSegment, junction: cold, ohm, times },
    );
    before = node;
  }
  return { branches, node };
}

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
export function workingAt(pack: Pack, lights: Lights, feed: Feed, used: number): Working | undefined {
  const supply: Supply = {
    volts: cellVolts(pack.cell.voltage, used) * pack.series,
    ohm: internalOhm(pack, used),
  };
  return feed.regulator
    ? regulated(supply, lights, feed, feed.regulator)
    : straight(supply, lights, feed.switchOhm, feed.wireOhm);
}

/** What feeds the lamps: volts off load, and its own resistance. */
interface Supply {
  volts: number;
  ohm: number;
}

/** A regulator's own output resistance while it holds, from memory. */
const HELD_OHM = 0.02;

/**
 * The lamps behind a regulator. While it holds, they hang on its voltage, and the pack gives the same current to a
 * linear one or the same power over its efficiency to a stepping one; when the pack has sunk too far it passes on what
 * is left. Nothing when the pack cannot give the power at all.
 */
function regulated(
  supply: Supply,
  lights: Lights,
  { switchOhm, wireOhm }: Feed,
  board: Regulator & { volts: number },
): Working | undefined {
  const held = straight({ volts: board.volts, ohm: HELD_OHM }, lights, 0, wireOhm);
  if (!held) return undefined;
  const ohm = supply.ohm + switchOhm;
  const inA = takenA(board, supply.volts, ohm, held.totalA);
  const inV = inA === undefined ? 0 : supply.volts - inA * ohm;
  const least = Math.max(board.leastInV, board.kind === 'step-up' ? 0 : board.volts + board.dropoutV);
  const over = board.kind === 'step-up' && inV > board.volts;
  if (inA !== undefined && inV >= least && !over) {
    return {
      ...held,
      packVolts: supply.volts - inA * supply.ohm,
      switchVolts: inA * switchOhm,
      totalA: inA,
      lightA: held.totalA,
      regulated: { inV, heatW: inV * inA - board.volts * held.totalA, holds: true },
    };
  }
  // Starved, a step-up gives nothing; what steps down passes on what it has less its drop.
  if (board.kind === 'step-up' && !over) return undefined;
  const drop = board.kind === 'step-up' ? 0.3 : board.dropoutV;
  const passed = straight({ volts: supply.volts - drop, ohm: supply.ohm }, lights, switchOhm, wireOhm);
  if (!passed) return undefined;
  const totalA = passed.totalA + board.ownA;
  const packVolts = supply.volts - totalA * supply.ohm;
  return {
    ...passed,
    packVolts,
    totalA,
    regulated: { inV: packVolts - totalA * switchOhm, heatW: drop * passed.totalA, holds: false },
  };
}

/** Current a regulator takes from a supply of volts behind a resistance to give `outA`; none when it cannot. */
function takenA(
  { efficiency, volts, ownA }: Regulator & { volts: number },
  supplyV: number,
  ohm: number,
  outA: number,
): number | undefined {
  if (efficiency === undefined) return outA + ownA;
  // V·I − R·I² = P: the smaller root, the larger being a pack near its short circuit.
  const watts = (volts * outA) / efficiency;
  const under = supplyV ** 2 - 4 * ohm * watts;
  return under < 0 ? undefined : (2 * watts) / (supplyV + Math.sqrt(under)) + ownA;
}

function straight(
  { volts, ohm }: Supply,
  { strings, steady, atC = ROOM_C }: Lights,
  switchOhm: number,
  wireOhm: number,
): Working | undefined {
  if (volts <= 0) return undefined;
  const kinds = alike(strings);
  let node = RAIL;
  const strips = steady.map((load) => {
    const made = steadyBranches(load, node, atC);
    node = made.node;
    return { load, branches: made.branches };
  });
  const branches: Branch[] = [
    {
      id: 'pack',
      kind: 'source',
      a: 1,
      b: 0,
      volts,
      ohm,
    },
    { id: 'switch', kind: 'resistor', a: 1, b: 2, ohm: Math.max(1e-4, switchOhm) },
    { id: 'wire', kind: 'resistor', a: 2, b: 3, ohm: Math.max(1e-4, wireOhm) },
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
    ...strips.flatMap((s) => s.branches),
  ];
  const solved = solveNetwork(branches);
  if (!solved.ok) return undefined;
  const { nodeVolts, branches: working } = solved.value;
  const [pack1, toggle, wire, ...lit] = working;
  let at = kinds.length;
  return {
    packVolts: itemAt(nodeVolts, 1),
    lampVolts: itemAt(nodeVolts, 3),
    switchVolts: toggle!.volts,
    wireVolts: wire!.volts,
    totalA: -pack1!.amps,
    lightA: -pack1!.amps,
    strings: kinds.flatMap(({ string, times }, i) => {
      const amps = itemAt(lit, i).amps / times;
      const resistorVolts = amps * string.ohm;
      return Array.from({ length: times }, () => ({
        group: string.group,
        lamps: string.lamps,
        ohm: string.ohm,
        amps,
        lampVolts: (itemAt(nodeVolts, 3) - resistorVolts) / string.lamps,
        resistorVolts,
        resistorW: amps * resistorVolts,
      }));
    }),
    steady: strips.map(({ load, branches: of }): WorkingSteady => {
      const own = lit.slice(at, at + of.length);
      at += of.length;
      const drawn = own.filter((_, i) => itemAt(of, i).kind !== 'resistor').map((b) => b.amps);
      return {
        name: load.name,
        amps: drawn.reduce((sum, a) => sum + a, 0),
        ratedA: ratedA(load),
        volts: itemAt(nodeVolts, RAIL),
        lastShare: firstOf(drawn) > 1e-9 ? lastOf(drawn) / firstOf(drawn) : 1,
      };
    }),
  };
}
