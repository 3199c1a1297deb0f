import { applyChanges, type BuildDoc, type Circuit, type Feature, type Part } from '../document';
import { catalogue as standard } from '../materials';
import { type Context, partReport, standardKinds, startFeature, startLights } from '../parts';
import type { Finding, Remedy } from '../document';
import { byId, fail, ok, type Result, getFrom, firstOf } from '../units';
import { derive } from './derive';
import { contextOfPart, surroundingsOf } from './surroundings';

/** A first light for a part: what is laid on and put in, and the circuit that joins it. */
export interface Lights {
  features: Feature[];
  circuit: Circuit;
}

/** A light that fits, and what of the part had to give way for it: its values then, and the words for what changed. */
export interface FittedLights extends Lights {
  params: Part['params'];
  changed: string[];
  /** What lies in a part it is mounted on, such as the pack in a handle. */
  elsewhere: { partId: string; features: Feature[] }[];
}

/** What should shine, and for how long: lamps, and as long as the build's day, when nothing is said. */
export interface LightsAsked {
  light?: string;
  hours?: number;
}

/** Remedies that are taken one after another before a light is given up. */
const ROUNDS = 6;
/** So many rounds that put nothing right are the last. */
const IDLE = 2;

/** Orders in which things find their room: the pack is the largest, lamps are where they are seen. */
function ordersOf({ features, circuit }: Lights): Feature[][] {
  const rank = (f: Feature): number => (f.id === circuit.source ? 0 : f.id === circuit.switch ? 1 : 2);
  const packFirst = [...features].sort((a, b) => rank(a) - rank(b));
  return [packFirst, [...packFirst].reverse()];
}

/** The parts that one is mounted on, from the nearest to what is worn or held. */
function hostsOf({ parts }: BuildDoc, { mount }: Part): Part[] {
  const host = mount.to === 'part' ? byId(parts, mount.part) : undefined;
  return host ? [host, ...hostsOf({ parts: parts.filter((p) => p !== host) } as BuildDoc, host)] : [];
}

/** A build of the one part, as if it stood by itself, or with the parts it is mounted on. */
function alone(doc: BuildDoc, part: Part, lights: Lights | undefined, hosts: readonly Part[]): BuildDoc {
  const mount = part.mount.to === 'part' && hosts.length === 0 ? ({ to: 'stand' } as const) : part.mount;
  return {
    ...doc,
    parts: [{ ...part, mount, features: [...part.features, ...(lights?.features ?? [])] }, ...hosts],
    circuits: lights ? [lights.circuit] : [],
    versions: [],
  };
}

/** What is found before anything is lit. */
const noticed = (doc: BuildDoc, part: Part, hosts: readonly Part[]): ReadonlySet<string> =>
  new Set(derive(alone(doc, part, undefined, hosts), { untried: true }).findings.map((f) => f.id));

/**
 * Lamps, a pack and a switch that fit a part, and a circuit that lights them: each where it has room, and what the build
 * would stop at put right by its own remedies.
 * @param free makes a name that is not taken.
 */
export function startLightsIn(
  from: BuildDoc,
  partId: string,
  free: (base: string) => string,
  { light, hours }: LightsAsked = {},
): Result<FittedLights> {
  const doc = hours === undefined ? from : { ...from, brief: { ...from.brief, lightHours: hours } };
  const part = byId(doc.parts, partId);
  if (!part) return fail('That part is no longer there.');
  const context = contextOfPart(doc, part, surroundingsOf(doc, standard, standardKinds));
  const first = startLights(part, partReport(part, context, true), standardKinds, free, light);
  if (!first) return fail('There is nowhere on this part for lamps, a pack and a switch.');
  const inside = packInHost(doc, part, first);
  if (inside) {
    const lit = settled(
      doc,
      part,
      inside.lights,
      noticed(doc, part, hostsOf(doc, part)),
      ofLight,
      inside.hosts,
    );
    if (lit.ok) return lit;
  }
  const before = noticed(doc, part, []);
  let said = '';
  // The part stays as it is where that can be; else it gives way as far as its own remedies say.
  const orders = ordersOf(first).map((order) => fittedIn(part, context, order));
  for (const may of [ofLight, ofPart])
    for (const [i, fitted] of orders.entries()) {
      // What finds no place anywhere is helped by the part giving way alone, whatever is put in first.
      if (!fitted.ok && (may === ofLight || orders.slice(0, i).some((o) => !o.ok))) {
        said ||= fitted.message;
        continue;
      }
      const features = first.features.map((f) => (fitted.ok && fitted.value.get(f.id)) || f);
      const lit = settled(doc, part, { ...first, features }, before, may);
      if (lit.ok) return lit;
      said ||= lit.message;
    }
  return fail(said);
}

/** The pack in a room of what the part is mounted on, such as the bore of its handle; the rest where it has room on the part. */
function packInHost(doc: BuildDoc, part: Part, first: Lights): { lights: Lights; hosts: Part[] } | undefined {
  const hosts = hostsOf(doc, part);
  const surroundings = surroundingsOf(doc, standard, standardKinds);
  const pack = first.features.find((f) => f.id === first.circuit.source)!;
  const rest = fittedIn(
    part,
    contextOfPart(doc, part, surroundings),
    first.features.filter((f) => f !== pack),
  );
  if (!rest.ok) return undefined;
  for (const [i, host] of hosts.entries()) {
    const context = contextOfPart(doc, host, surroundings);
    const room = partReport(host, context, true).rooms.find((r) => r.panel === undefined);
    const place = room && ({ on: 'room', room: room.id, alongMm: 0, acrossMm: 0, turnDeg: 0 } as const);
    const fitted = place && fittedIn(host, context, [{ ...pack, place }]);
    const inRoom = fitted?.ok ? fitted.value.get(pack.id) : undefined;
    if (inRoom)
      return {
        lights: { ...first, features: [...rest.value.values()] },
        hosts: hosts.map((h, k) => (k === i ? { ...h, features: [...h.features, inRoom] } : h)),
      };
  }
  return undefined;
}

/** Each of some features where it has room beside those before it, by its id. */
function fittedIn(part: Part, context: Context, features: readonly Feature[]): Result<Map<string, Feature>> {
  let lit = part;
  const fitted = new Map<string, Feature>();
  for (const { id, kind, place } of features) {
    const started = startFeature(lit, context, {
      kind: getFrom(standardKinds.features, kind),
      id,
      pointed:
        place.on === 'panel'
          ? { panel: place.panel, edge: '', at: { x: place.u, y: place.v } }
          : { panel: '', edge: '', at: { x: 0.5, y: 0.5 } },
      ...(place.on === 'room' && { place }),
    });
    if (!started.ok) return started;
    fitted.set(id, started.value);
    lit = { ...lit, features: [...lit.features, started.value] };
  }
  return ok(fitted);
}

/** A remedy that changes the light alone: the part stays as it is. */
const ofLight = ({ changes }: Pick<Remedy, 'changes'>): boolean =>
  changes.every(({ path }) => path[0] === 'circuits' || (path[0] === 'parts' && path[2] === 'features'));

/** One that changes the part too, and nothing beside it. */
const ofPart = ({ changes }: Pick<Remedy, 'changes'>): boolean =>
  changes.every(({ path }) => path[0] === 'circuits' || (path[0] === 'parts' && path[1] === 0));

/** Lights with what stops them put right: of the remedies of a stop, the one that leaves the fewest stops. */
function settled(
  doc: BuildDoc,
  part: Part,
  lights: Lights,
  before: ReadonlySet<string>,
  may: (remedy: Pick<Remedy, 'changes'>) => boolean,
  hosts: readonly Part[] = [],
): Result<FittedLights> {
  /** What stops it; while there is something to choose, what a circuit warns of as well, such as too few hours. */
  const stopsOf = (of: BuildDoc, untried = true, also = true): Finding[] =>
    derive(of, { untried }).findings.filter(
      (f) =>
        f.station === 'inside' &&
        !before.has(f.id) &&
        (f.severity === 'stop' || (also && f.severity === 'mind' && f.circuitId !== undefined)),
    );
  let now = alone(doc, part, lights, hosts);
  let stops = stopsOf(now);
  const changed: string[] = [];
  let idle = 0;
  for (let round = 0; round < ROUNDS && stops.length > 0 && idle < IDLE; round++) {
    // Of all that stops it, not of the first alone: what gives a pack its room often clears the lamps as well.
    const remedies = stopsOf(now, false)
      .flatMap((s) => s.remedies)
      .filter(may);
    let best: { label: string; changes: Remedy['changes']; next: BuildDoc; stops: Finding[] } | undefined;
    for (const { label, changes } of remedies) {
      const next = applyChanges(now, changes);
      const left = stopsOf(next);
      if (!best || left.length < best.stops.length) best = { label, changes, next, stops: left };
      // Nothing is better than no stop.
      if (left.length === 0) break;
    }
    if (!best) break;
    idle = best.stops.length < stops.length ? 0 : idle + 1;
    [now, stops] = [best.next, best.stops];
    if (!ofLight(best)) changed.push(best.label);
  }
  const [stop] = stopsOf(now, true, false);
  if (stop) return fail(stop.title);
  // Nothing that lay in a host before is handed back: had a remedy changed it, what was found would not be what is made.
  const changedHost = hosts.some((host) =>
    host.features.some(
      (f) => doc.parts.some((p) => p.features.includes(f)) && !now.parts.some((p) => p.features.includes(f)),
    ),
  );
  if (changedHost) return fail('Something else in what it is mounted on would have to change.');
  // Its lamps, pack and switch, and what its remedies added for them, such as a hatch.
  const there = new Set(doc.parts.flatMap((p) => p.features.map((f) => f.id)));
  const added = ({ features }: Part): Feature[] => features.filter((f) => !there.has(f.id));
  return ok({
    features: added(firstOf(now.parts)),
    elsewhere: now.parts
      .slice(1)
      .map((p) => ({ partId: p.id, features: added(p) }))
      .filter(({ features }) => features.length > 0),
    circuit: byId(now.circuits, lights.circuit.id) ?? lights.circuit,
    params: firstOf(now.parts).params,
    changed,
  });
}
