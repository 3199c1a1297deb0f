import {
  type ArchiveEntry,
  entryOf,
  MOST_ENTRY_BYTES,
  readBuildEntry,
  readLogEntry,
  readPinEntry,
} from '@fomrik/core/files/buildArchive';
import type { Checked } from '@fomrik/core/rule';
import { Unzip, UnzipInflate, type UnzipFile } from 'fflate';
import type { Readable } from 'node:stream';
import type { OutOfSight } from './outOfSight';
import { HttpError } from './errors';
import type { PictureStore } from './pictureStore';

const badFile = (message: string, field?: string): HttpError =>
  new HttpError(400, 'bad-file', message, field === undefined ? {} : { field });

function sound<T>(read: Checked<T>): T {
  if (read.ok) return read.value;
  throw badFile(read.message, read.field);
}

/** More files than a build can be made of. */
const MOST_ENTRIES = 400_000;

interface Whole {
  name: string;
  entry: ArchiveEntry;
  bytes: Uint8Array;
}

/** Puts an archive's entries together as its bytes come in; nothing is unpacked beyond what its kind may hold. */
class Entries {
  private readonly unzip = new Unzip((file) => this.begin(file));
  private readonly whole: Whole[] = [];
  private failure: unknown;
  private begun = 0;

  constructor() {
    this.unzip.register(UnzipInflate);
  }

  private begin(file: UnzipFile): void {
    if (++this.begun > MOST_ENTRIES) throw badFile('There are more files in this archive than a build has.');
    const entry = entryOf(file.name);
    if (!entry) return;
    const chunks: Uint8Array[] = [];
    let size = 0;
    file.ondata = (error, chunk, final) => {
      if (error) {
        this.failure ??= badFile(`${file.name} cannot be unpacked: ${error.message}.`);
        return;
      }
      size += chunk.length;
      if (size > MOST_ENTRY_BYTES[entry.kind]) {
        this.failure ??= badFile(
          `${file.name} unpacks to more than ${MOST_ENTRY_BYTES[entry.kind] / 1e6} MB; no build has that.`,
        );
        file.terminate();
        return;
      }
      chunks.push(chunk);
      if (final) this.whole.push({ name: file.name, entry, bytes: Buffer.concat(chunks) });
    };
    file.start();
  }

  /** @returns the entries that are whole now. @throws HttpError when the archive is none, or lies. */
  push(chunk: Uint8Array, final: boolean): Whole[] {
    try {
      this.unzip.push(chunk, final);
    } catch (error) {
      throw error instanceof HttpError
        ? error
        : badFile(`This archive cannot be read: ${(error as Error).message}.`);
    }
    if (this.failure) throw this.failure as Error;
    return this.whole.splice(0);
  }
}

/**
 * Reads a build file that is an archive as it comes in, an entry at a time. Until the last entry is in, the build is not
 * on the shelf; when anything is wrong, nothing of it stays but pictures, which go with the next sweep.
 */
export async function importArchive(
  incoming: OutOfSight,
  pictures: PictureStore,
  id: string,
  stream: Readable,
): Promise<void> {
  const entries = new Entries();
  let begun = false;
  const take = async ({ name, entry, bytes }: Whole): Promise<void> => {
    if (entry.kind === 'build') {
      if (begun) throw badFile('There are two builds in this archive.');
      begun = true;
      return incoming.beginImport(id, sound(readBuildEntry(bytes)));
    }
    if (!begun) throw badFile('The build does not come first in this archive; it is none of Fomrik’s.');
    if (entry.kind === 'pin') return incoming.addImported(id, [sound(readPinEntry(name, bytes))], []);
    if (entry.kind === 'log') return incoming.addImported(id, [], sound(readLogEntry(name, bytes)));
    return pictures.addKept(entry.content, Buffer.from(bytes));
  };
  try {
    // Kept open when something is wrong: the reason is still to be answered.
    for await (const chunk of stream.iterator({ destroyOnReturn: false }))
      for (const whole of entries.push(chunk as Buffer, false)) await take(whole);
    for (const whole of entries.push(new Uint8Array(0), true)) await take(whole);
    if (!begun) throw badFile('There is no build in this archive.');
    await incoming.endImport(id);
  } catch (error) {
    stream.resume();
    if (begun) await incoming.erase(id);
    throw error;
  }
}
