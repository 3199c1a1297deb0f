import { getFrom, firstOf } from '../units';
import { type BuildDoc, type Circuit, featureIdsOf, type Mount, type Part, type Scheme } from '../document';
import { zoneInfo } from '../body';
import { formOf, type Kinds, standardKinds } from './kinds';
import { newBuild } from './newPart';

/** A name with a number that is not taken yet. */
export function freeName(taken: Iterable<string>, base: string): string {
  const known = new Set(taken);
  let n = 1;
  while (known.has(`${base}-${n}`)) n += 1;
  return `${base}-${n}`;
}

/** Ids leave room for a number behind them. */
const stem = (id: string): string => id.slice(0, 58);

const namedBy = (c: Circuit): string[] => [
  c.source,
  ...(c.switch ? [c.switch] : []),
  ...c.loads.map((l) => l.feature),
];

/** Circuits that lie wholly within a part. */
export function ownCircuits({ circuits }: Pick<BuildDoc, 'circuits'>, part: Part): Circuit[] {
  const own = new Set(part.features.map((f) => f.id));
  return circuits.filter((c) => namedBy(c).every((id) => own.has(id)));
}

/** Colours of details under the names these have in the copy. */
const schemeWith = (scheme: Scheme, renamed: ReadonlyMap<string, string>): Scheme => ({
  ...scheme,
  areas: scheme.areas.map((a) => ({ ...a, id: renamed.get(a.id) ?? a.id })),
});

/** What a copy of a part brings to a build: itself and its circuits under ids that are free there, and the surfaces and foams it needs. */
export interface Copied {
  part: Part;
  circuits: Circuit[];
  meshes: NonNullable<BuildDoc['meshes']>;
  foams: NonNullable<BuildDoc['foams']>;
}

/** The foams that a part names: its layers, its lining, and what its details are cut from. */
const foamsIn = (part: Part): Set<string> =>
  new Set([
    ...part.stack.map((p) => p.foamId),
    ...(part.lining ? [part.lining.foamId] : []),
    ...part.features.flatMap((f) => Object.values(f.params).filter((v) => typeof v === 'string')),
  ]);

/**
 * A part of one build as a part of another, or of the same; what it was mounted on is looked for in the other, and it
 * stands by itself where that is missing.
 */
export function copiedPart(
  from: Pick<BuildDoc, 'circuits' | 'meshes' | 'foams'>,
  part: Part,
  into: BuildDoc,
  name: string,
  mount: Mount = part.mount,
): Copied {
  const taken = featureIdsOf(into);
  const renamed = new Map(
    part.features.map((f) => {
      const id = freeName(taken, stem(f.id));
      taken.push(id);
      return [f.id, id];
    }),
  );
  const circuitIds = into.circuits.map((c) => c.id);
  const known = new Set((into.meshes ?? []).map((m) => m.id));
  // A picture stays with the build it was added to.
  const { beneath, ...bare } = part;
  const isThere = (id: string): boolean => into.pictures?.some((p) => p.id === id) ?? false;
  return {
    part: {
      ...bare,
      ...(beneath && isThere(beneath.picture) && { beneath }),
      id: freeName(
        into.parts.map((p) => p.id),
        stem(part.form),
      ),
      name: name.slice(0, 120),
      mount: mount.to === 'part' && !into.parts.some((p) => p.id === mount.part) ? { to: 'stand' } : mount,
      features: part.features.map(({ picture, ...f }) => ({
        ...f,
        ...(picture !== undefined && isThere(picture) && { picture }),
        id: getFrom(renamed, f.id),
      })),
      ...(part.scheme && { scheme: schemeWith(part.scheme, renamed) }),
    },
    circuits: ownCircuits(from, part).map((c) => {
      const id = freeName(circuitIds, stem(c.id));
      circuitIds.push(id);
      return {
        ...c,
        id,
        source: getFrom(renamed, c.source),
        switch: c.switch && getFrom(renamed, c.switch),
        loads: c.loads.map((l) => ({ ...l, feature: getFrom(renamed, l.feature) })),
      };
    }),
    meshes: (from.meshes ?? []).filter((m) => m.id === part.params['mesh'] && !known.has(m.id)),
    foams: (from.foams ?? []).filter(
      (f) => foamsIn(part).has(f.id) && !(into.foams ?? []).some((o) => o.id === f.id),
    ),
  };
}

/** A part by itself, as the shop's book keeps it: a build of nothing else, so that whatever opens builds opens it. */
export function keptAlone(
  doc: BuildDoc,
  part: Part,
  todayIso: string,
  kinds: Kinds = standardKinds,
): BuildDoc {
  const empty = newBuild(part.name, todayIso, { name: 'Anyone', underLayerMm: 0, measures: [] });
  const [zone] = formOf(kinds, part.form).zones;
  const mount: Mount =
    part.mount.to !== 'part'
      ? part.mount
      : zone === undefined
        ? { to: 'stand' }
        : { to: 'wearer', zone, side: firstOf(zoneInfo(zone).sides) };
  const { part: copy, circuits, meshes, foams } = copiedPart(doc, part, empty, part.name, mount);
  return {
    ...empty,
    parts: [copy],
    circuits,
    ...(meshes.length > 0 && { meshes }),
    ...(foams.length > 0 && { foams }),
  };
}
