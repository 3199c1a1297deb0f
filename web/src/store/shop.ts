import type { FoamStock } from '@fomrik/core/materials';
import { toast } from 'sonner';
import { api, ApiError, type FoamChange, type SharedFoam } from './api';

const said = (error: unknown): string => (error as Error).message;

/**
 * Changes one item of the shop from the version it began from. When it was changed elsewhere meanwhile, that is said and
 * nothing is written; the toast offers to keep this one instead.
 * @returns what was written, or nothing.
 */
export async function fromVersion<T>(
  what: string,
  baseVersion: number,
  attempt: (baseVersion: number) => Promise<T>,
  done: () => void = () => undefined,
): Promise<T | undefined> {
  try {
    return await attempt(baseVersion);
  } catch (error) {
    const stale = error instanceof ApiError && error.code === 'stale' ? error : undefined;
    const there = stale?.current as { version?: number } | null | undefined;
    toast.error(`${what}: ${said(error)}`, {
      duration: 12_000,
      ...(stale && {
        action: {
          label: 'Keep mine',
          onClick: () =>
            void fromVersion(what, there?.version ?? 0, attempt).then((ok) => ok !== undefined && done()),
        },
      }),
    });
    return undefined;
  }
}

/** Undo of something done to the shop, told when it fails. */
export const undoing = (what: string, back: () => Promise<unknown>, done: () => void = () => undefined) => ({
  label: 'Undo',
  onClick: () =>
    void back().then(done, (error: unknown) => toast.error(`${what} not undone: ${said(error)}`)),
});

const keyOf = ({ foamId, nominalMm }: { foamId: string; nominalMm: number }): string =>
  `${foamId}/${nominalMm}`;

/** A foam of the shelf as a build has it. */
export const plainFoam = ({ version, ...item }: SharedFoam): FoamStock => item;

/** The same whatever order its fields came in. */
const reported = (item: FoamStock): string =>
  JSON.stringify(Object.entries(item).sort(([a], [b]) => (a < b ? -1 : 1)));

/** The changes that bring the shelf from one state to another, foam by foam; foams that `to` does not name stay. */
export function foamChanges(from: readonly SharedFoam[], to: readonly FoamStock[]): FoamChange[] {
  const there = new Map(from.map((item) => [keyOf(item), item]));
  return to.flatMap((item) => {
    const known = there.get(keyOf(item));
    if (known && reported(plainFoam(known)) === reported(item)) return [];
    const { foamId, nominalMm } = item;
    return [{ foamId, nominalMm, baseVersion: known?.version ?? 0, item }];
  });
}

/** The changes that take others back: each foam as it was, from the version it has now. */
export function takenBack(changes: readonly FoamChange[], before: readonly SharedFoam[]): FoamChange[] {
  const was = new Map(before.map((item) => [keyOf(item), plainFoam(item)]));
  return changes.map((change) => ({
    ...change,
    baseVersion: change.baseVersion + 1,
    item: was.get(keyOf(change)) ?? null,
  }));
}

/** Changes the shared shelf by item; what was changed elsewhere since is refused and told. */
export async function changeShelf(
  to: (shelf: SharedFoam[]) => readonly FoamStock[],
): Promise<{ changes: FoamChange[]; back: () => Promise<unknown> }> {
  const before = await api.stock();
  const changes = foamChanges(before, to(before));
  if (changes.length > 0) await api.changeStock(changes);
  return { changes, back: () => api.changeStock(takenBack(changes, before)) };
}

/** The build's foams with what the shelf has of each; foams the shelf does not have stay. */
export function withShelf(own: readonly FoamStock[], shelf: readonly SharedFoam[]): FoamStock[] {
  const shared = new Map(shelf.map((item) => [keyOf(item), plainFoam(item)]));
  const known = own.map((item) => shared.get(keyOf(item)) ?? item);
  return [...known, ...[...shared.values()].filter((s) => !own.some((o) => keyOf(o) === keyOf(s)))];
}
