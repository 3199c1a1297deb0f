import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Devices of the workshop that were let in. */
export class Devices1765000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE device (id TEXT PRIMARY KEY, name TEXT NOT NULL, tokenHash TEXT NOT NULL UNIQUE,
      pairedAt TEXT NOT NULL, seenAt TEXT NOT NULL)`);
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE device');
  }
}
