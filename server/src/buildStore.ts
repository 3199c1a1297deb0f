import { type BuildDoc, type BuildFile, type LogEntry, type Pin, schemaVersion } from '@fomrik/core/document';
import { upgradeDoc } from '@fomrik/core/files/buildFile';
import {
  type DataSource,
  type EntityManager,
  type EntitySchema,
  type FindOptionsWhere,
  IsNull,
  LessThan,
} from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import {
  BuildEntity,
  LogEntity,
  PinEntity,
  RevisionEntity,
  type BuildRow,
  type LogRow,
  type PinRow,
} from './entities/build';
import type { Digest } from '@fomrik/core/report';
import { atomic } from './atomic';
import { HttpError, notFound } from './errors';
import { keepPictures } from './pictureStore';
import { summaryOf, type BuildSummary } from './summary';

export interface SavedBuild {
  id: string;
  version: number;
  updatedAt: string;
  doc: BuildDoc;
}

/** A build holds so many pins and log entries, as many as a build file takes. */
export const MOST_NOTES = 10_000;

/** Newest saves kept one by one; older ones one a day. */
const KEEP_EACH = 100;

const now = (): string => new Date().toISOString();
/** A stored document, lifted to the present schema whatever version it was saved in. */
export function docOf(row: { doc: string }): BuildDoc {
  let value: unknown;
  try {
    value = JSON.parse(row.doc);
  } catch (error) {
    throw new HttpError(422, 'broken', `This build cannot be read: ${(error as Error).message}.`);
  }
  const read = upgradeDoc(value);
  if (!read.ok) throw new HttpError(422, 'broken', `This build cannot be read: ${read.message}`);
  return read.value;
}
const saved = (row: BuildRow): SavedBuild => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt,
  doc: docOf(row),
});

export const pinOf = (row: PinRow): Pin => ({
  id: row.id,
  name: row.name,
  pinnedAt: row.pinnedAt,
  doc: docOf(row),
});
export const logOf = ({
  id,
  at,
  subject,
  note,
  planned,
  actual,
  unit,
  sort,
  part,
  photos,
}: LogRow): LogEntry => ({
  id,
  at,
  subject,
  note,
  planned,
  actual,
  unit,
  ...(sort && { sort }),
  ...(part && { part }),
  ...(photos && { photos: JSON.parse(photos) as string[] }),
});
const logRow = (buildId: string, { sort, part, photos, ...entry }: LogEntry): LogRow => ({
  ...entry,
  buildId,
  sort: sort ?? null,
  part: part ?? null,
  photos: photos && photos.length > 0 ? JSON.stringify(photos) : null,
});

/** Writes a new build with its first revision, pins and log, within a transaction. */
export async function insertBuild(
  tx: EntityManager,
  id: string,
  doc: BuildDoc,
  pins: readonly Pin[] = [],
  log: readonly LogEntry[] = [],
): Promise<SavedBuild> {
  const at = now();
  const row: BuildRow = {
    id,
    name: doc.name,
    doc: JSON.stringify(doc),
    version: 1,
    createdAt: at,
    updatedAt: at,
    deletedAt: null,
    digest: null,
  };
  await tx.insert(BuildEntity, row);
  await tx.insert(RevisionEntity, { buildId: id, version: 1, doc: row.doc, savedAt: at });
  for (const pin of pins) await tx.insert(PinEntity, { ...pin, buildId: id, doc: JSON.stringify(pin.doc) });
  for (const entry of log) await tx.insert(LogEntity, logRow(id, entry));
  return saved(row);
}

/** Everything that reads or writes builds; each write is one transaction. */
export class BuildStore {
  constructor(private readonly db: DataSource) {}

  private async row(id: string): Promise<BuildRow> {
    const row = await this.db.getRepository(BuildEntity).findOneBy({ id, deletedAt: IsNull() });
    if (!row) throw notFound('build');
    return row;
  }

  async list(): Promise<BuildSummary[]> {
    const rows = await this.db
      .getRepository(BuildEntity)
      .find({ where: { deletedAt: IsNull() }, order: { updatedAt: 'DESC' } });
    return rows.map(summaryOf);
  }

  async get(id: string): Promise<SavedBuild> {
    return saved(await this.row(id));
  }

  async has(id: string): Promise<boolean> {
    return this.db.getRepository(BuildEntity).existsBy({ id });
  }

  async create(
    id: string,
    doc: BuildDoc,
    pins: readonly Pin[] = [],
    log: readonly LogEntry[] = [],
  ): Promise<SavedBuild> {
    return atomic(this.db, (tx) => insertBuild(tx, id, doc, pins, log));
  }

  /** Saves when nobody saved since `baseVersion`; otherwise refuses and shows both. */
  async save(
    id: string,
    baseVersion: number,
    doc: BuildDoc,
  ): Promise<{ version: number; updatedAt: string }> {
    return atomic(this.db, async (tx) => {
      const row = await tx.findOneBy(BuildEntity, { id, deletedAt: IsNull() });
      if (!row) throw notFound('build');
      if (row.version !== baseVersion) {
        throw new HttpError(
          409,
          'stale',
          `This build was saved elsewhere as version ${row.version}; yours began from ${baseVersion}.`,
          {
            current: saved(row),
            yours: { version: baseVersion, doc },
          },
        );
      }
      const version = row.version + 1;
      const updatedAt = now();
      const text = JSON.stringify(doc);
      await tx.update(BuildEntity, { id }, { name: doc.name, doc: text, version, updatedAt });
      await tx.insert(RevisionEntity, { buildId: id, version, doc: text, savedAt: updatedAt });
      if (version % KEEP_EACH === 0) await this.prune(tx, id, version);
      return { version, updatedAt };
    });
  }

  /** Of saves older than the newest hundred, keeps the last of each day. */
  private async prune(
    tx: Pick<DataSource['manager'], 'find' | 'delete'>,
    buildId: string,
    version: number,
  ): Promise<void> {
    const old = await tx.find(RevisionEntity, {
      where: { buildId, version: LessThan(version - KEEP_EACH) },
      select: { buildId: true, version: true, savedAt: true },
      order: { version: 'ASC' },
    });
    const lastOfDay = new Map(old.map((r) => [r.savedAt.slice(0, 10), r.version]));
    for (const r of old)
      if (lastOfDay.get(r.savedAt.slice(0, 10)) !== r.version)
        await tx.delete(RevisionEntity, { buildId, version: r.version });
  }

  /** Keeps what was worked out of a version of a build, for the shelf; of an older version it is not wanted. */
  async putDigest(id: string, version: number, digest: Digest): Promise<void> {
    await this.db
      .getRepository(BuildEntity)
      .update({ id, version }, { digest: JSON.stringify({ ...digest, version }) });
  }

  async throwAway(id: string): Promise<void> {
    await this.row(id);
    await this.db.getRepository(BuildEntity).update({ id }, { deletedAt: now() });
  }

  async bringBack(id: string): Promise<SavedBuild> {
    const builds = this.db.getRepository(BuildEntity);
    if (!(await builds.existsBy({ id }))) throw notFound('build');
    await builds.update({ id }, { deletedAt: null });
    return this.get(id);
  }

  async duplicate(id: string, newId: string): Promise<SavedBuild> {
    const doc = docOf(await this.row(id));
    return this.create(newId, {
      ...doc,
      name: `${doc.name} (copy)`.slice(0, 120),
      make: { ...doc.make, done: {} },
    });
  }

  async revisions(id: string): Promise<{ version: number; savedAt: string }[]> {
    await this.row(id);
    return this.db
      .getRepository(RevisionEntity)
      .find({ where: { buildId: id }, select: { version: true, savedAt: true }, order: { version: 'DESC' } });
  }

  async revision(id: string, version: number): Promise<{ version: number; savedAt: string; doc: BuildDoc }> {
    await this.row(id);
    const row = Number.isInteger(version)
      ? await this.db.getRepository(RevisionEntity).findOneBy({ buildId: id, version })
      : null;
    if (!row) throw notFound('revision');
    return { version: row.version, savedAt: row.savedAt, doc: docOf(row) };
  }

  async pins(id: string): Promise<Pin[]> {
    await this.row(id);
    return (
      await this.db.getRepository(PinEntity).find({ where: { buildId: id }, order: { pinnedAt: 'ASC' } })
    ).map(pinOf);
  }

  async putPin(id: string, pin: Pin): Promise<void> {
    await this.row(id);
    const kept = { ...pin, buildId: id, doc: JSON.stringify(pin.doc) };
    await this.keep(PinEntity, id, kept, 'pins');
  }

  /** Writes a pin or an entry, over one of the same id or as a new one while there is room. */
  private async keep<T extends { id: string; buildId: string }>(
    entity: EntitySchema<T>,
    buildId: string,
    row: T,
    what: string,
  ): Promise<void> {
    await atomic(this.db, async (tx) => {
      const own = { buildId } as FindOptionsWhere<T>;
      const known = await tx.existsBy(entity, { ...own, id: row.id });
      if (!known && (await tx.countBy(entity, own)) >= MOST_NOTES)
        throw new HttpError(409, 'full', `A build holds at most ${MOST_NOTES} ${what}.`);
      await tx.upsert(entity, row as QueryDeepPartialEntity<T>, ['id', 'buildId']);
    });
  }

  async removePin(id: string, pinId: string): Promise<void> {
    await this.row(id);
    await this.db.getRepository(PinEntity).delete({ buildId: id, id: pinId });
  }

  async log(id: string): Promise<LogEntry[]> {
    await this.row(id);
    return (
      await this.db.getRepository(LogEntity).find({ where: { buildId: id }, order: { at: 'ASC' } })
    ).map(logOf);
  }

  /** What other builds said to do otherwise next time, newest first. */
  async lessons(exceptId: string, most: number): Promise<(LogEntry & { build: string })[]> {
    const builds = await this.db.getRepository(BuildEntity).find({
      select: { id: true, name: true },
      where: { deletedAt: IsNull() },
    });
    const names = new Map(builds.filter((b) => b.id !== exceptId).map((b) => [b.id, b.name]));
    const rows = await this.db
      .getRepository(LogEntity)
      .find({ where: { sort: 'next' }, order: { at: 'DESC' } });
    return rows
      .flatMap((row) => {
        const build = names.get(row.buildId);
        return build === undefined ? [] : [{ ...logOf(row), build }];
      })
      .slice(0, most);
  }

  async putLog(id: string, entry: LogEntry): Promise<void> {
    await this.row(id);
    await this.keep(LogEntity, id, logRow(id, entry), 'log entries');
  }

  async removeLog(id: string, entryId: string): Promise<void> {
    await this.row(id);
    await this.db.getRepository(LogEntity).delete({ buildId: id, id: entryId });
  }

  /** The stored text as it is, whatever is wrong with it. */
  async raw(id: string): Promise<{ name: string; doc: string }> {
    const { name, doc } = await this.row(id);
    return { name, doc };
  }

  async exportFile(id: string): Promise<BuildFile> {
    const { doc } = await this.get(id);
    return { fomrik: schemaVersion, build: doc, pins: await this.pins(id), log: await this.log(id) };
  }

  async importFile(id: string, file: BuildFile): Promise<SavedBuild> {
    return atomic(this.db, async (tx) => {
      await keepPictures(tx, file.pictures);
      return insertBuild(tx, id, file.build, file.pins, file.log);
    });
  }
}
