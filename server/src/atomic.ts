import type Database from 'better-sqlite3';
import type { DataSource, EntityManager } from 'typeorm';

/** The driver's own connection: asked directly whether a transaction is open, and copied while it is used. */
export const rawOf = (db: DataSource): Database.Database =>
  (db.driver as unknown as { databaseConnection: Database.Database }).databaseConnection;

/** The connection cannot be brought out of a transaction: nothing more may be acknowledged. */
export class StuckConnection extends Error {
  constructor(cause: unknown) {
    super('A failed save could not be undone; Fomrik stops so that nothing is lost.', { cause });
  }
}

/**
 * Runs writes as one transaction. SQLite ends a transaction by itself when the disk is full, so afterwards the
 * connection is asked, not believed: whatever happened, no transaction is left open.
 * Writes within may not begin transactions of their own (insert, update, upsert, delete; not save).
 * @throws what the job threw; StuckConnection when the connection cannot be made clean.
 */
export async function atomic<T>(db: DataSource, job: (tx: EntityManager) => Promise<T>): Promise<T> {
  const raw = rawOf(db);
  raw.exec('BEGIN IMMEDIATE');
  try {
    const result = await job(db.manager);
    raw.exec('COMMIT');
    return result;
  } catch (error) {
    try {
      if (raw.inTransaction) raw.exec('ROLLBACK');
    } catch (cause) {
      throw new StuckConnection(cause);
    }
    if (raw.inTransaction) throw new StuckConnection(error);
    throw error;
  }
}
