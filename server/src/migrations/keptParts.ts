import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The shop's book: parts kept for later builds. */
export class KeptParts1764800000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      'CREATE TABLE kept_part (id TEXT PRIMARY KEY, name TEXT NOT NULL, keptAt TEXT NOT NULL, doc TEXT NOT NULL)',
    );
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE kept_part');
  }
}
