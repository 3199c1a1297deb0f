import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was left of sheets lies on the shelf as outlines; a foam may have a grain. */
export class Offcuts1764700000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE stock_item ADD COLUMN turns TEXT');
    await db.query('ALTER TABLE stock_item ADD COLUMN offcuts TEXT');
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE stock_item DROP COLUMN offcuts');
    await db.query('ALTER TABLE stock_item DROP COLUMN turns');
  }
}
