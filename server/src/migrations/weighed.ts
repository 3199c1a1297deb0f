import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Sheets may be weighed, and groove tests are kept with the foam they were made in. */
export class Weighed1764200000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE stock_item ADD COLUMN sheetG REAL');
    await db.query('ALTER TABLE stock_item ADD COLUMN rightAngleMm REAL');
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE stock_item DROP COLUMN rightAngleMm');
    await db.query('ALTER TABLE stock_item DROP COLUMN sheetG');
  }
}
