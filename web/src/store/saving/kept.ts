import { safeStorage } from '../safeStorage';
import { database, type KeptCopy } from './database';

/** Keeps a copy in this browser. @returns whether it could; storage may be full or forbidden. */
export async function keepCopy(copy: KeptCopy): Promise<boolean> {
  try {
    await (await database()).put('copies', copy);
    return true;
  } catch {
    return false;
  }
}

/** @returns whether it is gone; where storage is forbidden there was nothing. */
export async function forgetCopy(buildId: string, tab: string): Promise<boolean> {
  try {
    await (await database()).delete('copies', [buildId, tab]);
    return true;
  } catch {
    return false;
  }
}

/** Migrates a copy that an older version kept in local storage, before copies were kept per tab. */
async function takeInOld(buildId: string): Promise<void> {
  const key = `fomrik:unsaved:${buildId}`;
  const text = safeStorage.getItem(key);
  if (text === null) return;
  const { baseVersion, doc } = JSON.parse(text) as Pick<KeptCopy, 'baseVersion' | 'doc'>;
  const copy = { buildId, tab: 'before', baseVersion, doc, keptAt: new Date().toISOString() };
  if (await keepCopy(copy)) safeStorage.removeItem(key);
}

/** Every copy of a build in this browser, newest first; none where storage is forbidden. */
export async function copiesOfBuild(buildId: string): Promise<KeptCopy[]> {
  try {
    await takeInOld(buildId);
    const all = await (await database()).getAllFromIndex('copies', 'build', buildId);
    return all.sort((a, b) => b.keptAt.localeCompare(a.keptAt));
  } catch {
    return [];
  }
}
