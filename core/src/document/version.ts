import { byId } from '../units';
import type { BuildDoc } from './document';
import type { PartOtherwise, Version } from './otherwise';
import type { Part } from './parts/part';

/** Whether an edit made while a version is shown is meant for all of them or for it alone. */
export type VersionScope = 'all' | 'one';

const keys = ['stack', 'lining', 'features', 'darts', 'finish', 'scheme', 'printed'] as const;

/** Names of every feature there is, in the parts and in what versions have otherwise. */
export const featureIdsOf = (doc: BuildDoc): string[] =>
  [...doc.parts, ...(doc.versions ?? []).flatMap((v) => Object.values(v.parts))].flatMap((p) =>
    (p.features ?? []).map((f) => f.id),
  );

/** Parts that are left out, with everything that hangs on them. */
function leftOut(parts: readonly Part[], version: Version): Set<string> {
  const gone = new Set(parts.filter((p) => version.parts[p.id]?.leftOut).map((p) => p.id));
  for (let grown = true; grown;) {
    grown = false;
    for (const { id, mount } of parts)
      if (mount.to === 'part' && gone.has(mount.part) && !gone.has(id)) {
        gone.add(id);
        grown = true;
      }
  }
  return gone;
}

/** The document as a version has it. Parts that do not differ keep their identity. */
export function inVersion(doc: BuildDoc, version: Version | undefined): BuildDoc {
  if (!version) return doc;
  const gone = leftOut(doc.parts, version);
  const electric = new Set(
    doc.circuits.flatMap((c) => [
      c.source,
      ...(c.switch ? [c.switch] : []),
      ...c.loads.map((l) => l.feature),
    ]),
  );
  const parts = doc.parts
    .filter((p) => !gone.has(p.id))
    .map((part): Part => {
      const other = version.parts[part.id];
      const features = other?.features ?? part.features;
      const lit = version.unlit ? features.filter((f) => !electric.has(f.id)) : features;
      if (!other && lit.length === features.length) return part;
      const { finish: ownFinish, scheme: ownScheme, printed: ownPrinted, ...rest } = part;
      const finish = other?.finish === undefined ? ownFinish : (other.finish ?? undefined);
      const printed = other?.printed === undefined ? ownPrinted : (other.printed ?? undefined);
      const scheme = other?.scheme === undefined ? ownScheme : (other.scheme ?? undefined);
      return {
        ...rest,
        ...(finish && { finish }),
        ...(scheme && { scheme }),
        ...(printed && { printed }),
        params: { ...part.params, ...other?.params },
        stack: other?.stack ?? part.stack,
        lining: other?.lining === undefined ? part.lining : other.lining,
        darts: other?.darts ?? part.darts,
        features: lit,
      };
    });
  const there = new Set(parts.flatMap((p) => p.features.map((f) => f.id)));
  return {
    ...doc,
    parts,
    circuits: doc.circuits
      .filter((c) => there.has(c.source))
      .map((c) => ({
        ...c,
        switch: c.switch && there.has(c.switch) ? c.switch : null,
        loads: c.loads.filter((l) => there.has(l.feature)),
      })),
    ...(version.statureMm !== undefined && {
      wearer: {
        ...doc.wearer,
        measures: [
          { key: 'stature', valueMm: version.statureMm, source: 'tape', takenOn: doc.brief.startDate },
        ],
      },
    }),
  };
}

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

/** A part without some of what it may have. */
const without = (part: Part, gone: readonly string[]): Part =>
  Object.fromEntries(Object.entries(part).filter(([k]) => !gone.includes(k))) as Part;

/** What of a part changed, beside its values. */
const changedKeys = (before: Part, after: Part): (typeof keys)[number][] =>
  keys.filter((k) => !same(before[k], after[k]));

/**
 * The document after a part was edited as a version shows it: the edit goes to the document and so to every version
 * that has nothing of its own there, or to this version alone. Name and place are always of the document.
 */
export function editPart(
  doc: BuildDoc,
  versionId: string,
  scope: VersionScope,
  before: Part,
  after: Part,
): BuildDoc {
  const params = Object.fromEntries(
    Object.entries(after.params).filter(([k, v]) => !same(v, before.params[k])),
  );
  const changed = changedKeys(before, after);
  // What the version does not show of a part (its lights, when it is unlit) stays in it.
  const whole =
    doc.versions?.find((v) => v.id === versionId)?.parts[after.id]?.features ??
    byId(doc.parts, after.id)?.features ??
    [];
  const hidden = whole.filter((f) => !before.features.some((b) => b.id === f.id));
  const values = Object.fromEntries(
    changed.map((k) => [k, k === 'features' ? [...after.features, ...hidden] : (after[k] ?? null)]),
  ) as PartOtherwise;
  // The document itself has no key for what is taken away.
  const inAll = Object.fromEntries(
    changed.filter((k) => after[k] !== undefined).map((k) => [k, values[k as keyof PartOtherwise]]),
  ) as Partial<Part>;
  const gone = changed.filter((k) => after[k] === undefined);
  const common = {
    ...(!same(before.name, after.name) && { name: after.name }),
    ...(!same(before.mount, after.mount) && { mount: after.mount }),
  };
  const all = scope === 'all';
  return {
    ...doc,
    parts: doc.parts.map((p) =>
      p.id !== after.id
        ? p
        : {
            ...without(p, all ? gone : []),
            ...common,
            ...(all && { ...inAll, params: { ...p.params, ...params } }),
          },
    ),
    versions: (doc.versions ?? []).map((v) => {
      if (v.id !== versionId) return v;
      const own = v.parts[after.id] ?? {};
      // What now goes for all is no longer this version's own.
      const kept: PartOtherwise = { ...own };
      if (all) for (const k of changed) delete kept[k];
      const ownParams = all
        ? Object.fromEntries(Object.entries(own.params ?? {}).filter(([k]) => !(k in params)))
        : { ...own.params, ...params };
      delete kept.params;
      const next: PartOtherwise = {
        ...kept,
        ...(!all && values),
        ...(Object.keys(ownParams).length > 0 && { params: ownParams }),
      };
      const others = { ...v.parts };
      if (Object.keys(next).length > 0) others[after.id] = next;
      else delete others[after.id];
      return { ...v, parts: others };
    }),
  };
}

/** What a version has otherwise, one line each. */
export function differences(
  doc: BuildDoc,
  version: Version,
  labelOf: (form: string, field: string) => string,
): string[] {
  const formOf = (id: string): string => byId(doc.parts, id)?.form ?? '';
  const nameOf = (id: string): string => byId(doc.parts, id)?.name ?? id;
  return [
    ...(version.unlit ? ['nothing lit'] : []),
    ...(version.statureMm !== undefined ? [`for a wearer of ${Math.round(version.statureMm)} mm`] : []),
    ...Object.entries(version.parts).flatMap(([id, other]) =>
      other.leftOut
        ? [`${nameOf(id)} left out`]
        : [
            ...Object.keys(other.params ?? {}).map((k) => `${nameOf(id)}: ${labelOf(formOf(id), k)}`),
            ...(other.stack
              ? [`${nameOf(id)}: ${other.stack.map((s) => `${s.nominalMm}`).join(' + ')} mm`]
              : []),
            ...(other.lining !== undefined ? [`${nameOf(id)}: lining`] : []),
            ...(other.features ? [`${nameOf(id)}: details`] : []),
            ...(other.darts ? [`${nameOf(id)}: darts`] : []),
            ...(other.finish !== undefined || other.scheme !== undefined ? [`${nameOf(id)}: finish`] : []),
            ...(other.printed !== undefined
              ? [`${nameOf(id)}: ${other.printed ? 'printed' : 'cut from sheet'}`]
              : []),
          ],
    ),
  ];
}
