import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Foams of the shop that no catalogue has. */
export class OwnFoams1765200000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      'CREATE TABLE own_foam (id TEXT PRIMARY KEY, name TEXT NOT NULL, foam TEXT NOT NULL, version INTEGER NOT NULL DEFAULT 1)',
    );
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE own_foam');
  }
}
