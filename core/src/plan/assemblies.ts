import { letterAt } from '../units';
import type { PartReport } from '../parts';

type Mounted = Pick<PartReport, 'id' | 'mount'>;

const hostOf = <P extends Mounted>(part: P, parts: readonly P[]): P | undefined => {
  const { mount } = part;
  return mount.to === 'part' ? parts.find((p) => p.id === mount.part) : undefined;
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

/** A letter for every part in the order they are put together, assembly by assembly; its pieces are A1, A2 … */
export const partLetters = (parts: readonly Mounted[]): Record<string, string> =>
  Object.fromEntries(
    assembliesOf(parts)
      .flat()
      .map((part, i) => [part.id, letterAt(i)]),
  );
