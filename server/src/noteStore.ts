import { getFrom } from '@fomrik/core/units';
import type { LogEntry, Pin } from '@fomrik/core/document';
import { type DataSource, type EntitySchema, type FindOptionsWhere, In, IsNull } from 'typeorm';
import type { QueryDeepPartialEntity } from 'typeorm/query-builder/QueryPartialEntity.js';
import { atomic } from './atomic';
import { Changes } from './changes';
import { BuildEntity, LogEntity, PinEntity } from './entities/build';
import { HttpError, notFound } from './errors';
import { logOf, logRow, pinOf } from './rows';

/** A build holds so many pins and log entries, as many as a build file takes. */
export const MOST_NOTES = 10_000;

/** What is kept with a build besides its document: pins and log. */
export class NoteStore {
  constructor(
    private readonly db: DataSource,
    private readonly changes: Changes,
  ) {}

  /** @throws HttpError 404 when there is no such build on the shelf. */
  private async known(id: string): Promise<void> {
    if (!(await this.db.getRepository(BuildEntity).existsBy({ id, deletedAt: IsNull() })))
      throw notFound('build');
  }

  /** Pins that can be read, and the names of those that cannot. */
  async pins(id: string): Promise<{ pins: Pin[]; broken: string[] }> {
    await this.known(id);
    const rows = await this.db
      .getRepository(PinEntity)
      .find({ where: { buildId: id }, order: { pinnedAt: 'ASC' } });
    const pins: Pin[] = [];
    const broken: string[] = [];
    for (const row of rows)
      try {
        pins.push(pinOf(row));
      } catch {
        broken.push(row.name);
      }
    return { pins, broken };
  }

  async putPin(id: string, pin: Pin): Promise<void> {
    await this.known(id);
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
    this.changes.tell({ buildId });
  }

  async removePin(id: string, pinId: string): Promise<void> {
    await this.known(id);
    await this.db.getRepository(PinEntity).delete({ buildId: id, id: pinId });
    this.changes.tell({ buildId: id });
  }

  async log(id: string): Promise<LogEntry[]> {
    await this.known(id);
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
    await this.known(id);
    await this.keep(LogEntity, id, logRow(id, entry), 'log entries');
  }

  async removeLog(id: string, entryId: string): Promise<void> {
    await this.known(id);
    await this.db.getRepository(LogEntity).delete({ buildId: id, id: entryId });
    this.changes.tell({ buildId: id });
  }

  /** What there is to export, by its ids, so that it can be read a piece at a time. */
  async contents(id: string): Promise<{ pins: string[]; log: string[] }> {
    await this.known(id);
    const [pins, log] = await Promise.all([
      this.db.getRepository(PinEntity).find({
        where: { buildId: id },
        select: { id: true, buildId: true },
        order: { pinnedAt: 'ASC', id: 'ASC' },
      }),
      this.db.getRepository(LogEntity).find({
        where: { buildId: id },
        select: { id: true, buildId: true },
        order: { at: 'ASC', id: 'ASC' },
      }),
    ]);
    return { pins: pins.map((p) => p.id), log: log.map((e) => e.id) };
  }

  /** One pin; nothing when it is gone or cannot be read. */
  async pin(buildId: string, id: string): Promise<Pin | undefined> {
    const row = await this.db.getRepository(PinEntity).findOneBy({ buildId, id });
    try {
      return row ? pinOf(row) : undefined;
    } catch {
      return undefined;
    }
  }

  async logEntries(buildId: string, ids: readonly string[]): Promise<LogEntry[]> {
    const rows = await this.db.getRepository(LogEntity).findBy({ buildId, id: In([...ids]) });
    const order = new Map(ids.map((id, i) => [id, i]));
    return rows.sort((a, b) => getFrom(order, a.id) - getFrom(order, b.id)).map(logOf);
  }
}
