import type { BuildDoc, LogEntry, Pin } from '@fomrik/core/document';
import { And, type DataSource, type EntityManager, type EntitySchema, IsNull, Not } from 'typeorm';
import { atomic } from './atomic';
import { insertBuild } from './buildStore';
import { BuildEntity, LogEntity, PinEntity, RevisionEntity } from './entities/build';
import { HttpError, notFound } from './errors';
import { MOST_NOTES } from './noteStore';
import { logRow } from './rows';

/** Marks a build that is still coming in; one that never came whole is erased at the next start. */
const IMPORTING = 'importing';

/** Takes a build and everything of it away, within a transaction. */
async function eraseBuild(tx: EntityManager, id: string): Promise<void> {
  for (const entity of [PinEntity, LogEntity, RevisionEntity] as EntitySchema<{ buildId: string }>[])
    await tx.delete(entity, { buildId: id });
  await tx.delete(BuildEntity, { id });
}

/** Builds that are not on the shelf: those that were deleted, and those that are still coming in. */
export class OutOfSight {
  constructor(private readonly db: DataSource) {}

  /** Builds that were deleted, the last one first. */
  async trash(): Promise<{ id: string; name: string; deletedAt: string }[]> {
    const rows = await this.db.getRepository(BuildEntity).find({
      where: { deletedAt: And(Not(IsNull()), Not(IMPORTING)) },
      select: { id: true, name: true, deletedAt: true },
      order: { deletedAt: 'DESC' },
    });
    return rows.map(({ id, name, deletedAt }) => ({ id, name, deletedAt: deletedAt! }));
  }

  /** Erases a build that was deleted; one on the shelf is not erased. */
  async eraseTrashed(id: string): Promise<void> {
    if (!(await this.trash()).some((b) => b.id === id)) throw notFound('build');
    await this.erase(id);
  }

  /** Erases what was deleted before a time. @returns how many builds. */
  async emptyTrash(before: Date): Promise<number> {
    const gone = (await this.trash()).filter((b) => b.deletedAt <= before.toISOString());
    for (const { id } of gone) await this.erase(id);
    return gone.length;
  }

  /** Erases builds that never came in whole, after a kill. */
  async eraseUnfinished(): Promise<void> {
    const rows = await this.db.getRepository(BuildEntity).findBy({ deletedAt: IMPORTING });
    for (const { id } of rows) await this.erase(id);
  }

  /** Begins a build that comes in a piece at a time: it is not on the shelf until it is whole. */
  async beginImport(id: string, doc: BuildDoc): Promise<void> {
    await atomic(this.db, async (tx) => {
      await insertBuild(tx, id, doc);
      await tx.update(BuildEntity, { id }, { deletedAt: IMPORTING });
    });
  }

  /** A pin or log entries of a build that is coming in. */
  async addImported(id: string, pins: readonly Pin[], log: readonly LogEntry[]): Promise<void> {
    await atomic(this.db, async (tx) => {
      for (const pin of pins)
        await tx.insert(PinEntity, { ...pin, buildId: id, doc: JSON.stringify(pin.doc) });
      for (const entry of log) await tx.insert(LogEntity, logRow(id, entry));
      const [most, entries] = [
        await tx.countBy(PinEntity, { buildId: id }),
        await tx.countBy(LogEntity, { buildId: id }),
      ];
      if (Math.max(most, entries) > MOST_NOTES)
        throw new HttpError(400, 'full', `A build holds at most ${MOST_NOTES} pins and log entries.`);
    });
  }

  /** The build came in whole: it is on the shelf now. */
  async endImport(id: string): Promise<void> {
    await this.db.getRepository(BuildEntity).update({ id }, { deletedAt: null });
  }

  /** Takes a build away for good, with everything of it but its pictures. */
  async erase(id: string): Promise<void> {
    await atomic(this.db, (tx) => eraseBuild(tx, id));
  }
}
