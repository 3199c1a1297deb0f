import type { BuildDoc, BuildFile, LogEntry, Pin } from '@fomrik/core/document';
import { schemaVersion } from '@fomrik/core/document';
import { entryName, LOG_CHUNK } from '@fomrik/core/files/buildArchive';
import { writeBuildFile } from '@fomrik/core/files/buildFile';
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate';
import type { BuildStore } from './buildStore';
import { HttpError } from './errors';
import type { NoteStore } from './noteStore';
import type { PictureStore } from './pictureStore';

/** What of a person goes along in a build file. */
export interface Along {
  measures: boolean;
  name: boolean;
}

const NAMELESS = 'the wearer';

const wearerAlong = (doc: BuildDoc, { measures, name }: Along): BuildDoc => ({
  ...doc,
  wearer: {
    ...doc.wearer,
    name: name ? doc.wearer.name : NAMELESS,
    measures: measures ? doc.wearer.measures : [],
  },
});

/** A ZIP counts its bytes in 32 bits. */
const MOST_ARCHIVE_BYTES = 3.9e9;
/** A build of more text than this goes out in pieces as well. */
const MOST_TEXT_BYTES = 32e6;

/** Everything of one build, ready to be written in pieces. */
export class BuildExport {
  private constructor(
    private readonly notes: NoteStore,
    private readonly pictures: PictureStore,
    private readonly id: string,
    private readonly along: Along,
    private readonly doc: BuildDoc,
    private readonly pins: readonly string[],
    private readonly log: readonly string[],
    private readonly contents: readonly string[],
  ) {}

  /** @throws HttpError when there is no such build, or its pictures come to more than one file holds. */
  static async of(
    builds: BuildStore,
    notes: NoteStore,
    pictures: PictureStore,
    id: string,
    along: Along,
  ): Promise<BuildExport> {
    const { doc } = await builds.get(id);
    const { pins, log } = await notes.contents(id);
    const { contents, bytes } = await pictures.namedBy(id);
    if (bytes > MOST_ARCHIVE_BYTES)
      throw new HttpError(
        413,
        'too-large',
        `Its pictures come to ${(bytes / 1e9).toFixed(1)} GB; a build file holds 3.9 GB. Make a backup instead.`,
      );
    return new BuildExport(notes, pictures, id, along, wearerAlong(doc, along), pins, log, contents);
  }

  get name(): string {
    return this.doc.name;
  }

  private async *eachPin(): AsyncGenerator<Pin> {
    for (const id of this.pins) {
      const pin = await this.notes.pin(this.id, id);
      if (pin) yield { ...pin, doc: wearerAlong(pin.doc, this.along) };
    }
  }

  private async *eachLog(): AsyncGenerator<LogEntry[]> {
    for (let i = 0; i < this.log.length; i += LOG_CHUNK)
      yield await this.notes.logEntries(this.id, this.log.slice(i, i + LOG_CHUNK));
  }

  /** The whole as JSON text; nothing when there are pictures or too much of it. */
  async text(): Promise<string | undefined> {
    if (this.contents.length > 0) return undefined;
    const file: BuildFile = { fomrik: schemaVersion, build: this.doc, pins: [], log: [] };
    let bytes = JSON.stringify(this.doc).length;
    for await (const pin of this.eachPin()) {
      bytes += JSON.stringify(pin).length;
      if (bytes > MOST_TEXT_BYTES) return undefined;
      file.pins.push(pin);
    }
    for await (const entries of this.eachLog()) file.log.push(...entries);
    return writeBuildFile(file);
  }

  /** The whole as an archive, a piece at a time. */
  async *archive(): AsyncGenerator<Uint8Array> {
    const made: Uint8Array[] = [];
    const zip = new Zip((error, chunk) => {
      if (error) throw error;
      made.push(chunk);
    });
    const add = (entry: ZipDeflate | ZipPassThrough, bytes: Uint8Array): Uint8Array[] => {
      zip.add(entry);
      entry.push(bytes, true);
      return made.splice(0);
    };
    const json = (name: string, value: unknown): Uint8Array[] =>
      add(new ZipDeflate(name, { level: 6 }), strToU8(JSON.stringify(value)));
    yield* json(entryName.build, { fomrik: schemaVersion, build: this.doc, pins: [], log: [] });
    let index = 0;
    for await (const pin of this.eachPin()) yield* json(entryName.pin(++index), pin);
    index = 0;
    for await (const entries of this.eachLog()) yield* json(entryName.log(++index), entries);
    for (const content of this.contents) {
      const bytes = await this.pictures.bytes(content);
      if (bytes) yield* add(new ZipPassThrough(entryName.picture(content)), bytes);
    }
    zip.end();
    yield* made;
  }
}
