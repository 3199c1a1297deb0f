import { measureInfo } from '../body';
import { byId } from '../units';
import type { BuildDoc } from './document';
import type { Feature, Part } from './parts/part';

/** Words for what documents name by key. */
export interface Labels {
  field: (form: string, key: string) => string;
  feature: (kind: string) => string;
  featureField: (kind: string, key: string) => string;
}

interface Named {
  readonly id: string;
  readonly name: string;
}

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

const changedKeys = (before: object, after: object): string[] =>
  [...new Set([...Object.keys(before), ...Object.keys(after)])].filter(
    (key) => !same((before as Record<string, unknown>)[key], (after as Record<string, unknown>)[key]),
  );

/** A list in words that stays short. */
const few = (words: readonly string[]): string =>
  words.length <= 2 ? words.join(' and ') : `${words.slice(0, 2).join(', ')} and ${words.length - 2} more`;

const lower = (label: string): string =>
  /^[A-Z][a-z]/.test(label) ? `${label.charAt(0).toLowerCase()}${label.slice(1)}` : label;

/** What came, went or changed in a list of things with ids; nothing when only their order did. */
function inList<T extends { readonly id: string }>(
  before: readonly T[],
  after: readonly T[],
  nameOf: (item: T) => string,
  changed: (before: T, after: T) => string,
): string | undefined {
  const added = after.filter((a) => !byId(before, a.id));
  const gone = before.filter((b) => !byId(after, b.id));
  if (added.length > 0 && gone.length === 0) return `add ${few(added.map(nameOf))}`;
  if (gone.length > 0 && added.length === 0) return `remove ${few(gone.map(nameOf))}`;
  if (gone.length > 0) return `replace ${few(gone.map(nameOf))}`;
  const others = after.flatMap((a) => {
    const b = byId(before, a.id);
    return b && !same(a, b) ? [{ a, b }] : [];
  });
  const [only] = others;
  if (!only) return undefined;
  return others.length === 1 ? changed(only.b, only.a) : few(others.map(({ a }) => nameOf(a)));
}

const featureKeys: Partial<Record<keyof Feature, string>> = {
  place: 'place',
  note: 'note',
  picture: 'photograph',
};

const featureWords = (labels: Labels) => (before: Feature, after: Feature) => {
  const params = changedKeys(before.params, after.params).map((k) =>
    lower(labels.featureField(after.kind, k)),
  );
  const others = changedKeys(before, after).flatMap((key) => featureKeys[key as keyof Feature] ?? []);
  const what = few([...params, ...others]);
  return `${lower(labels.feature(after.kind))}, ${what}`;
};

const partWords: Partial<Record<keyof Part, string>> = {
  stack: 'foam',
  lining: 'lining',
  mount: 'where it hangs',
  darts: 'darts',
  finish: 'finish',
  beneath: 'picture beneath',
  reused: 'how it is made',
  printed: 'how it is made',
  form: 'form',
  name: 'name',
};

function inPart(before: Part, after: Part, labels: Labels): string {
  const words = changedKeys(before, after).flatMap((key): string[] => {
    if (key === 'params')
      return changedKeys(before.params, after.params).map((k) => lower(labels.field(after.form, k)));
    if (key === 'features') {
      const nameOf = (f: Feature): string => lower(labels.feature(f.kind));
      return [inList(before.features, after.features, nameOf, featureWords(labels)) ?? 'order of details'];
    }
    return [partWords[key as keyof Part] ?? key];
  });
  return `${after.name}: ${few(words)}`;
}

const nameOf = ({ name }: Named): string => name;

/** Parts of a document that are not lists of named things, in words. */
const wholes: Partial<Record<keyof BuildDoc, string>> = {
  brief: 'brief',
  stock: 'foam on the shelf',
  cut: 'cutting',
  make: 'making',
  setAside: 'dismissed findings',
  broughtIn: 'what was brought in',
  printed: 'small printed parts',
};

function inWearer(before: BuildDoc['wearer'], after: BuildDoc['wearer']): string {
  const known = new Set(before.measures.map((m) => JSON.stringify(m)));
  const fresh = after.measures.filter((m) => !known.has(JSON.stringify(m)));
  if (fresh.length > 0) return few([...new Set(fresh.map((m) => lower(measureInfo(m.key).label)))]);
  return after.measures.length < before.measures.length ? 'remove a measure' : 'wearer';
}

/**
 * What leads from one document to the next, in a few words for an undo button: “Kelp bracer: gap”, “add Harbour helm”.
 * @example changeName(before, after, labels) // 'Kelp bracer: ease in girth'
 */
export function changeName(before: BuildDoc, after: BuildDoc, labels: Labels): string {
  const words = changedKeys(before, after).flatMap((key): string[] => {
    switch (key as keyof BuildDoc) {
      case 'parts':
        return [
          inList(before.parts, after.parts, nameOf, (b, a) => inPart(b, a, labels)) ?? 'order of parts',
        ];
      case 'circuits':
        return [inList(before.circuits, after.circuits, nameOf, (_, a) => a.name) ?? 'order of circuits'];
      case 'pictures':
        return [inList(before.pictures ?? [], after.pictures ?? [], nameOf, (_, a) => a.name) ?? 'pictures'];
      case 'meshes':
        return [inList(before.meshes ?? [], after.meshes ?? [], nameOf, (_, a) => a.name) ?? 'surfaces'];
      case 'foams':
        return [inList(before.foams ?? [], after.foams ?? [], nameOf, (_, a) => a.name) ?? 'foams'];
      case 'versions':
        return [inList(before.versions ?? [], after.versions ?? [], nameOf, (_, a) => a.name) ?? 'versions'];
      case 'wearer':
        return [inWearer(before.wearer, after.wearer)];
      case 'name':
        return ['name of the build'];
      default:
        return [wholes[key as keyof BuildDoc] ?? key];
    }
  });
  return few(words);
}
