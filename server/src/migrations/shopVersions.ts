import type { MigrationInterface, QueryRunner } from 'typeorm';

const tables = ['wearer', 'printer', 'stock_item', 'kept_part'];

/** What the shop keeps counts its changes, so that two devices do not write over each other. */
export class ShopVersions1764900000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const table of tables)
      await db.query(`ALTER TABLE ${table} ADD COLUMN version INTEGER NOT NULL DEFAULT 1`);
  }

  async down(db: QueryRunner): Promise<void> {
    for (const table of [...tables].reverse()) await db.query(`ALTER TABLE ${table} DROP COLUMN version`);
  }
}
