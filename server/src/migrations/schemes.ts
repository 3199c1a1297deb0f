import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Colours of the shop, kept for later builds. */
export class Schemes1765100000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      'CREATE TABLE scheme (id TEXT PRIMARY KEY, name TEXT NOT NULL, scheme TEXT NOT NULL, version INTEGER NOT NULL DEFAULT 1)',
    );
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE scheme');
  }
}
