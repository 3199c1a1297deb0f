import type { Mount } from '../document';

interface Mounted {
  readonly id: string;
  readonly mount: Mount;
}

/** Where in a list the parts are that are mounted on each; made once for each list. */
const known = new WeakMap<readonly Mounted[], Map<string, number[]>>();

function indexOf(parts: readonly Mounted[]): Map<string, number[]> {
  const before = known.get(parts);
  if (before) return before;
  const index = new Map<string, number[]>();
  parts.forEach(({ mount }, i) => {
    if (mount.to !== 'part') return;
    const others = index.get(mount.part);
    if (others) others.push(i);
    else index.set(mount.part, [i]);
  });
  known.set(parts, index);
  return index;
}

/** What is mounted on a part itself, in the order of the list. */
export const mountedOn = <P extends Mounted>(parts: readonly P[], id: string): P[] =>
  (indexOf(parts).get(id) ?? []).map((i) => parts[i]!);

/** A part and everything that hangs on it, however deep, in the order of the list. */
export function membersOf<P extends Mounted>(parts: readonly P[], rootId: string): P[] {
  const index = indexOf(parts);
  const root = parts.findIndex((p) => p.id === rootId);
  if (root < 0) return [];
  const found = new Set([root]);
  for (const i of found) for (const on of index.get(parts[i]!.id) ?? []) found.add(on);
  return [...found].sort((a, b) => a - b).map((i) => parts[i]!);
}
