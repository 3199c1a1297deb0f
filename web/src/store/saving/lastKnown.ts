import { database, type LastKnown } from './database';

/** So many builds can be opened while the server is away: those last worked on. */
const MOST = 10;

/** Remembers a build as the server has it now. */
export async function remember(build: LastKnown): Promise<void> {
  try {
    const tx = (await database()).transaction('known', 'readwrite');
    await tx.store.put(build);
    const ids = await tx.store.index('updated').getAllKeys();
    for (const id of ids.slice(0, Math.max(0, ids.length - MOST)))
      if (id !== build.id) await tx.store.delete(id);
    await tx.done;
  } catch {
    // Without storage a build opens only while the server answers.
  }
}

/** The build as it was last known; nothing when it never was. */
export async function lastKnown(id: string): Promise<LastKnown | undefined> {
  try {
    return await (await database()).get('known', id);
  } catch {
    return undefined;
  }
}
