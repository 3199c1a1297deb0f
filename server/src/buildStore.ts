import type { BuildDoc, BuildFile, LogEntry, Pin } from '@fomrik/core/document';
import type { Digest } from '@fomrik/core/report';
import { type DataSource, type EntityManager, IsNull, LessThan } from 'typeorm';
import { atomic } from './atomic';
import { Changes } from './changes';
import { BuildEntity, LogEntity, PinEntity, RevisionEntity, type BuildRow } from './entities/build';
import { HttpError, notFound } from './errors';
import { keepPictures } from './pictureStore';
import { docOf, logRow, saved, type SavedBuild } from './rows';
import { type Receipts, summaryOf, type BuildSummary } from './summary';

/** Newest saves kept one by one; older ones one a day. */
const KEEP_EACH = 100;

const now = (): string => new Date().toISOString();
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
  constructor(
    private readonly db: DataSource,
    private readonly changes = new Changes(),
  ) {}

  private async row(id: string): Promise<BuildRow> {
    const row = await this.db.getRepository(BuildEntity).findOneBy({ id, deletedAt: IsNull() });
    if (!row) throw notFound('build');
    return row;
  }

  async list(): Promise<BuildSummary[]> {
    const rows = await this.db
      .getRepository(BuildEntity)
      .find({ where: { deletedAt: IsNull() }, order: { updatedAt: 'DESC' } });
    const receipts = await this.db
      .getRepository(LogEntity)
      .createQueryBuilder('entry')
      .select('entry.buildId', 'buildId')
      .addSelect('entry.unit', 'unit')
      .addSelect('COUNT(*)', 'count')
      .addSelect('SUM(entry.actual)', 'total')
      .where("entry.sort = 'bought' AND entry.actual IS NOT NULL")
      .groupBy('entry.buildId, entry.unit')
      .getRawMany<Receipts>();
    return rows.map((row) =>
      summaryOf(
        row,
        receipts.filter((r) => r.buildId === row.id),
      ),
    );
  }

  async get(id: string): Promise<SavedBuild> {
    return saved(await this.row(id));
  }

  /** Which version there is, without the document. */
  async head(id: string): Promise<{ version: number }> {
    const row = await this.db
      .getRepository(BuildEntity)
      .findOne({ where: { id, deletedAt: IsNull() }, select: { id: true, version: true } });
    if (!row) throw notFound('build');
    return { version: row.version };
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
    const done = await atomic(this.db, async (tx) => {
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
    this.changes.tell({ buildId: id, version: done.version });
    return done;
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

  /** The stored text as it is, whatever is wrong with it. */
  async raw(id: string): Promise<{ name: string; doc: string }> {
    const { name, doc } = await this.row(id);
    return { name, doc };
  }

  async importFile(id: string, file: BuildFile): Promise<SavedBuild> {
    return atomic(this.db, async (tx) => {
      await keepPictures(tx, file.pictures);
      return insertBuild(tx, id, file.build, file.pins, file.log);
    });
  }
}
