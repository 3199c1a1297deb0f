import { strFromU8, unzipSync } from 'fflate';
import type { BuildDoc, LogEntry, Pin } from '../document';
import { fail, ok } from '../units';
import { readBuildFile, upgrade, upgradePin } from './buildFile';
import type { Checked } from '../rule';
import { checkLog } from './schema';

/**
 * A build with pictures is one archive (ZIP): the build first, then pins and the log in files of their own, and pictures
 * by their content, so that it is written and read a piece at a time however much there is of it.
 */
export type ArchiveEntry =
  { kind: 'build' } | { kind: 'pin' } | { kind: 'log' } | { kind: 'picture'; content: string };

export const entryName = {
  build: 'build.json',
  pin: (index: number): string => `pins/${String(index).padStart(5, '0')}.json`,
  log: (index: number): string => `log/${String(index).padStart(5, '0')}.json`,
  picture: (content: string): string => `pictures/${content}.webp`,
};

/** Log entries in one file of the archive. */
export const LOG_CHUNK = 200;

/** Bytes an entry may unpack to, by its kind; more is no build that could be saved. */
export const MOST_ENTRY_BYTES: Record<ArchiveEntry['kind'], number> = {
  build: 16e6,
  pin: 16e6,
  log: 4e6,
  picture: 40e6,
};

/** What an entry of an archive is by its name; nothing when it is none of ours. */
export function entryOf(name: string): ArchiveEntry | undefined {
  if (name === entryName.build) return { kind: 'build' };
  if (/^pins\/\d{1,6}\.json$/.test(name)) return { kind: 'pin' };
  if (/^log\/\d{1,6}\.json$/.test(name)) return { kind: 'log' };
  const content = /^pictures\/([0-9a-f]{64})\.webp$/.exec(name)?.[1];
  return content === undefined ? undefined : { kind: 'picture', content };
}

const isZip = (bytes: Uint8Array): boolean => bytes[0] === 0x50 && bytes[1] === 0x4b;

function parsed(name: string, bytes: Uint8Array): Checked<unknown> {
  try {
    return ok(JSON.parse(strFromU8(bytes)) as unknown);
  } catch (error) {
    return fail(`${name} in this build file is not JSON: ${(error as Error).message}.`);
  }
}

/** The build itself, from its entry. */
export function readBuildEntry(bytes: Uint8Array): Checked<BuildDoc> {
  const value = parsed(entryName.build, bytes);
  if (!value.ok) return value;
  const file = upgrade(value.value);
  return file.ok ? ok(file.value.build) : file;
}

export function readPinEntry(name: string, bytes: Uint8Array): Checked<Pin> {
  const value = parsed(name, bytes);
  return value.ok ? upgradePin(value.value) : value;
}

export function readLogEntry(name: string, bytes: Uint8Array): Checked<LogEntry[]> {
  const value = parsed(name, bytes);
  return value.ok ? checkLog(value.value) : value;
}

/**
 * The document in a build file of either kind: JSON text, or an archive.
 * @returns a plain sentence when there is none that can be read.
 */
export function docInFile(bytes: Uint8Array): Checked<BuildDoc> {
  if (!isZip(bytes)) {
    const file = readBuildFile(strFromU8(bytes));
    return file.ok ? ok(file.value.build) : file;
  }
  try {
    const entries = unzipSync(bytes, {
      filter: ({ name, originalSize }) => name === entryName.build && originalSize <= MOST_ENTRY_BYTES.build,
    });
    const build = entries[entryName.build];
    return build ? readBuildEntry(build) : fail('There is no build in this archive.');
  } catch (error) {
    return fail(`This archive cannot be read: ${(error as Error).message}.`);
  }
}
