import type { BuildDoc } from '../document';
import { byId, letterAt } from '../units';
import type { PartReport } from '../parts';

type Mounted = Pick<PartReport, 'id' | 'mount'>;

const hostOf = <P extends Mounted>(part: P, parts: readonly P[]): P | undefined => {
  const { mount } = part;
  return mount.to === 'part' ? byId(parts, mount.part) : undefined;
};

/** How many mounts lie between a part and what carries all of it. */
export function depthOf<P extends Mounted>(part: P, parts: readonly P[], deep = 0): number {
  const host = deep < parts.length ? hostOf(part, parts) : undefined;
  return host ? 1 + depthOf(host, parts, deep + 1) : 0;
}

/** Parts by what they are put together with, each in the order it is put on: first what carries the rest. */
export function assembliesOf<P extends Mounted>(parts: readonly P[]): P[][] {
  const rootOf = (part: P, deep = 0): P => {
    const host = deep < parts.length ? hostOf(part, parts) : undefined;
    return host ? rootOf(host, deep + 1) : part;
  };
  const groups = new Map<string, P[]>();
  for (const part of parts) {
    const root = rootOf(part).id;
    groups.set(root, [...(groups.get(root) ?? []), part]);
  }
  return [...groups.values()].map((group) =>
    group
      .map((part) => ({ part, depth: depthOf(part, parts) }))
      .sort((a, b) => a.depth - b.depth)
      .map(({ part }) => part),
  );
}

/**
 * A letter for every part; its pieces are A1, A2 … Letters that were given before stay, whatever was added or taken away
 * since; new ones are the next that were never given, in the order parts are put together.
 */
export function partLetters(
  parts: readonly Mounted[],
  kept: Readonly<Record<string, string>> = {},
): Record<string, string> {
  const given = new Set(Object.values(kept));
  let next = 0;
  const fresh = (): string => {
    while (given.has(letterAt(next))) next += 1;
    return letterAt(next++);
  };
  return Object.fromEntries(
    assembliesOf(parts)
      .flat()
      .map((part) => [part.id, Object.hasOwn(kept, part.id) ? kept[part.id]! : fresh()]),
  );
}

/** The build with a letter kept for every part of it; the same one when all have theirs. */
export function withLetters(doc: BuildDoc): BuildDoc {
  const kept = doc.cut.letters ?? {};
  if (doc.parts.every((p) => Object.hasOwn(kept, p.id))) return doc;
  return { ...doc, cut: { ...doc.cut, letters: { ...kept, ...partLetters(doc.parts, kept) } } };
}
