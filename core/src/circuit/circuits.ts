import type { Body } from '../body';
import type { BuildDoc, Circuit } from '../document';
import type { Item } from '../features';
import {
  controllerLoad,
  gaugeGPerM,
  gaugeOhmPerM,
  ledMaxA,
  leds,
  type Pack,
  regulators,
  type SteadyLoad,
  startGauge,
  type Switch,
} from '../materials';
import { flashesPerSecond, meanShare } from '../light';
import { type PartReport, placingOf, rootOf, sidesOf } from '../parts';
import { type Result, type Stage, findIn } from '../units';
import { cellVolts } from './cells';
import { type Feed, type Working, workingAt } from './network';
import { junctionOf } from './nodal';
import { type Duty, runTime, type RunTime, STRAIGHT } from './runtime';
import { solveCircuit, type LampGroup, type Strings } from './strings';
import { type Stop, type WireRun, wiresOf } from './wire';

/** Something of a circuit: which part it is in, and how many there are of that part in one circuit. */
interface Fitted {
  item: Item;
  partId: string;
  times: number;
}

/** What feeds what, solved. Figures are for one copy of the circuit. */
export interface CircuitReport {
  id: string;
  name: string;
  /** A circuit within one part is made as often as the part; one that joins parts is made once. */
  copies: number;
  partIds: string[];
  source?: Fitted;
  toggle?: Fitted;
  lamps: Fitted[];
  groups: LampGroup[];
  /** Strips and rings. */
  steady: SteadyLoad[];
  pack?: Pack;
  switch?: Switch;
  solved?: Strings;
  /** The circuit at work with fresh cells: what a meter reads. */
  working?: Working;
  /** What lies between the pack and the lamps, and how the light is used. */
  feed: Feed;
  duty: Duty;
  /** How many lamps an effect is played on, and its most flashes in any second. */
  played: number;
  flashes: number;
  awg: number;
  fused: boolean;
  /** A controller plays its rings and strips. */
  controlled: boolean;
  /** Said instead when the lamps cannot be lit. */
  infeasible?: string;
  run?: RunTime;
  wireMm: number;
  /** The ways its wires take within the first copy of each part, in that part's space. */
  runs: WireRun[];
  wireG: number;
  /** Times its wires go from one part to another: a connector each. */
  crossings: number;
  /** Features it names that are not there, or not electric. */
  missing: string[];
}

/** A circuit on a pack, at the current of each load or at one current for all. */
export function solveOn(
  groups: readonly LampGroup[],
  pack: Pack,
  currentMa?: number,
  { regulator }: Pick<Feed, 'regulator'> = {},
): Result<Strings> {
  return solveCircuit(
    regulator
      ? { nominalV: regulator.volts, freshV: regulator.volts }
      : { nominalV: pack.cell.nominalV * pack.series, freshV: cellVolts(pack.cell.voltage, 0) * pack.series },
    groups.map((g) => (currentMa === undefined ? g : { ...g, currentA: currentMa / 1000 })),
  );
}

/** Hours the lamps burn on a pack; 0 when they cannot be lit from it or draw more than its cells give. */
export function hoursOn(
  { groups, steady, feed, duty }: Pick<CircuitReport, 'groups' | 'steady' | 'feed' | 'duty'>,
  pack: Pack,
  currentMa?: number,
): number {
  const solved = solveOn(groups, pack, currentMa, feed);
  if (!solved.ok || !takes(pack, steady, feed)) return 0;
  const lights = { strings: solved.value.strings, steady };
  const now = workingAt(pack, lights, feed, 0);
  return now && now.totalA <= pack.cell.maxA ? runTime(pack, lights, feed, duty).hours : 0;
}

/** Strips and rings are made for a voltage: less lights them poorly, more burns them. */
const LEAST_SHARE = 0.75;
const MOST_SHARE = { segments: 1.15, digital: 1.1, board: 1.15 };

/** Whether a pack is near enough the voltage that strips and rings are made for. */
export function takes(
  pack: Pack,
  steady: readonly SteadyLoad[],
  { regulator }: Pick<Feed, 'regulator'> = {},
): boolean {
  const volts = regulator?.volts ?? pack.cell.nominalV * pack.series;
  return steady.every((load) => {
    const { ratedV, kind } = load;
    return volts >= ratedV * LEAST_SHARE && volts <= ratedV * MOST_SHARE[kind];
  });
}

/** Less than this is no light, A. */
const LEAST_A = 1e-4;

/** Whether lights are lit at all: by a voltage they are made for, with current that is light. */
const lightUp = (
  working: Working | undefined,
  steady: readonly SteadyLoad[],
  pack: Pack,
  feed: Feed,
): boolean => takes(pack, steady, feed) && (working?.lightA ?? 0) > LEAST_A;

/** Lamps of one colour and one current share their strings. */
function groupsOf(circuit: Circuit, lamps: readonly Fitted[]): LampGroup[] {
  const groups = new Map<string, LampGroup>();
  for (const { item, times } of lamps) {
    const { colour } = item.lamp!;
    const { currentMa } = findIn(circuit.loads, (l) => l.feature === item.featureId);
    const key = `${colour}/${currentMa}`;
    const known = groups.get(key);
    if (known) known.count += times;
    else
      groups.set(key, {
        label: colour,
        count: times,
        junction: junctionOf({ forwardV: leds[colour].forwardV, ratedA: ledMaxA }),
        currentA: currentMa / 1000,
        ...(circuit.apart && { most: 1 }),
      });
  }
  return [...groups.values()];
}

/** Features a circuit is made of. */
const namedIn = ({ source, switch: toggle, loads }: Circuit): string[] => [
  source,
  ...(toggle ? [toggle] : []),
  ...loads.map((l) => l.feature),
];

/** Parts that hold something of a circuit. */
function ownersOf(circuit: Circuit, parts: readonly PartReport[]): PartReport[] {
  const named = namedIn(circuit);
  return parts.filter((p) => p.items.some((i) => named.includes(i.featureId)));
}

/** Where nothing is said of the cold, cells are as warm as a room, °C. */
const ROOM_C = 20;

function circuitReport(
  circuit: Circuit,
  body: Body,
  parts: readonly PartReport[],
  coldC: number,
  capacityShare: number,
): CircuitReport {
  const named = namedIn(circuit);
  const owners = ownersOf(circuit, parts);
  const joined = owners.length > 1;
  const found = (featureId: string, of: (item: Item) => boolean): Fitted[] =>
    owners.flatMap((p) =>
      p.items
        .filter((item) => item.featureId === featureId && of(item))
        .map((item) => ({ item, partId: p.id, times: joined ? p.copies : 1 })),
    );
  const [source] = found(circuit.source, (i) => i.source !== undefined);
  const [toggle] = circuit.switch ? found(circuit.switch, (i) => i.toggle !== undefined) : [];
  const lamps = circuit.loads.flatMap((l) => found(l.feature, (i) => i.lamp !== undefined));
  const strips = circuit.loads.flatMap((l) => found(l.feature, (i) => i.steady !== undefined));
  const lit = strips.flatMap((s) => Array.from({ length: s.times }, () => s.item.steady!));
  // One controller plays every ring and strip of the circuit.
  const controlled = lit.some((s) => s.kind === 'digital');
  const steady = controlled ? [...lit, controllerLoad] : lit;
  const groups = groupsOf(circuit, lamps);
  const pack = source?.item.source;
  const stops = ({ item, partId, times }: Fitted): Stop[] => {
    const part = findIn(parts, (p) => p.id === partId);
    return sidesOf(part)
      .slice(0, times)
      .map((side, copy) => {
        const toSpace = placingOf(body, parts, partId, side);
        return { part, copy, at: item.at, inSpace: toSpace(item.at), toSpace };
      });
  };
  const from = source ? stops(source)[0] : undefined;
  const by = toggle ? stops(toggle)[0] : from;
  const wires =
    from && by ? wiresOf(from, by, [...lamps, ...strips].flatMap(stops)) : { lengthMm: 0, runs: [] };
  const wireMm = wires.lengthMm;
  const awg = circuit.wireAwg ?? startGauge;
  const feed: Feed = {
    switchOhm: toggle?.item.toggle?.contactOhm ?? STRAIGHT.switchOhm,
    wireOhm: (wireMm / 1000) * gaugeOhmPerM(awg),
    ...(circuit.regulator && {
      regulator: { ...regulators[circuit.regulator.kind], volts: circuit.regulator.volts },
    }),
  };
  const solved =
    pack && groups.length + steady.length > 0 ? solveOn(groups, pack, undefined, feed) : undefined;
  // A controller behind the switch is off with it; only what waits before the switch draws.
  const { effect } = circuit;
  const played = Math.max(lamps.length + lit.length, ...lit.map((s) => (s.kind === 'digital' ? s.lamps : 0)));
  const duty: Duty = {
    onShare: circuit.onShare ?? 1,
    idleA: toggle?.item.toggle?.idleA ?? 0,
    coldC,
    capacityShare,
    ...(effect && effect.kind !== 'steady' && { playedShare: meanShare(effect, played) }),
  };
  const lights = { strings: solved?.ok ? solved.value.strings : [], steady };
  const working = solved?.ok && pack ? workingAt(pack, lights, feed, 0) : undefined;
  const strangers = owners.filter((p) => p.id !== source?.partId);
  return {
    id: circuit.id,
    name: circuit.name,
    copies: joined ? 1 : (owners[0]?.copies ?? 1),
    partIds: owners.map((p) => p.id),
    ...(source && { source }),
    ...(toggle && { toggle }),
    lamps: [...lamps, ...strips],
    groups,
    steady,
    ...(pack && { pack }),
    ...(toggle?.item.toggle && { switch: toggle.item.toggle }),
    ...(solved?.ok && { solved: solved.value }),
    ...(solved && !solved.ok && { infeasible: solved.message }),
    ...(working && { working }),
    feed,
    duty,
    played,
    flashes: effect ? flashesPerSecond(effect, played) : 0,
    awg,
    // What does not light counts no hours.
    ...(solved?.ok &&
      pack &&
      lightUp(working, steady, pack, feed) && { run: runTime(pack, lights, feed, duty) }),
    wireMm,
    runs: wires.runs,
    wireG: (wireMm / 1000) * gaugeGPerM(awg),
    fused: circuit.fused === true,
    controlled,
    crossings: source ? strangers.reduce((sum, p) => sum + p.copies, 0) : Math.max(0, owners.length - 1),
    missing: named.filter((id) => !owners.some((p) => p.items.some((i) => i.featureId === id))),
  };
}

/** All that is mounted together with one of some parts: where these stand depends on it. */
function togetherWith(owners: readonly PartReport[], parts: readonly PartReport[]): PartReport[] {
  const roots = new Set(owners.map((p) => rootOf(p, parts)));
  return parts.filter((p) => roots.has(rootOf(p, parts)));
}

/**
 * Every circuit of the build, over all its parts.
 * @param stage remembers circuits whose parts did not change.
 */
export function circuitsOf(
  doc: BuildDoc,
  body: Body,
  parts: readonly PartReport[],
  capacityShare: number,
  stage: Stage<BuildDoc>,
): CircuitReport[] {
  const standing = parts.flatMap((p) => (p.mount.to === 'stand' ? p.id : [])).join();
  return doc.circuits.map((circuit) => {
    const touched = togetherWith(ownersOf(circuit, parts), parts);
    return stage(
      `circuit ${circuit.id}`,
      doc,
      [circuit, body, capacityShare, standing, ...touched],
      ({ brief }) => circuitReport(circuit, body, parts, brief.coldC ?? ROOM_C, capacityShare),
    );
  });
}
