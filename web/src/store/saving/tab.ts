import { newId } from '../newId';

const KEY = 'fomrik:tab';
const lockOf = (tab: string): string => `fomrik-tab-${tab}`;
const locks = (): LockManager | undefined => (navigator as { locks?: LockManager }).locks;

function remembered(): string | undefined {
  try {
    return sessionStorage.getItem(KEY) ?? undefined;
  } catch {
    return undefined;
  }
}

function remember(tab: string): string {
  try {
    sessionStorage.setItem(KEY, tab);
  } catch {
    // Without storage every load of the page is a tab of its own.
  }
  return tab;
}

/** Holds the tab's lock as long as the page lives. @returns whether it was free. */
const hold = (tab: string): Promise<boolean> =>
  new Promise((answer) => {
    void locks()!.request(lockOf(tab), { ifAvailable: true }, (lock) => {
      answer(lock !== null);
      return lock === null ? undefined : new Promise(() => undefined);
    });
  });

async function begin(): Promise<string> {
  const known = remembered();
  if (!locks()) return known ?? remember(newId('tab'));
  // A tab that was doubled remembers the name of the first, which still holds it.
  if (known !== undefined && (await hold(known))) return known;
  const tab = remember(newId('tab'));
  await hold(tab);
  return tab;
}

let own: Promise<string> | undefined;

/** This tab's name; the same after a reload, another in a doubled tab. */
export const thisTab = (): Promise<string> => (own ??= begin());

/** Tabs that are open; undefined where the browser cannot tell, as on a page without TLS. */
export async function openTabs(): Promise<Set<string> | undefined> {
  const held = (await locks()?.query())?.held;
  return held && new Set(held.map((lock) => (lock.name ?? '').replace(lockOf(''), '')));
}
