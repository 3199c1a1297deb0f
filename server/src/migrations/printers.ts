import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Printers of the shop, each with what its two bars of 100 mm measured. */
export class Printers1764600000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(
      'CREATE TABLE printer (id TEXT PRIMARY KEY, name TEXT NOT NULL, acrossMm REAL NOT NULL, alongMm REAL NOT NULL)',
    );
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE printer');
  }
}
