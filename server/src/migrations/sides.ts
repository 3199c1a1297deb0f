import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Left and right limbs may be measured apart: the side joins the key; empty is both. */
export class Sides1764100000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE measurement_sided (
      wearerId TEXT NOT NULL REFERENCES wearer(id) ON DELETE CASCADE, key TEXT NOT NULL, takenOn TEXT NOT NULL,
      side TEXT NOT NULL DEFAULT '', valueMm REAL NOT NULL, source TEXT NOT NULL,
      PRIMARY KEY (wearerId, key, takenOn, side))`);
    await db.query(`INSERT INTO measurement_sided (wearerId, key, takenOn, valueMm, source)
      SELECT wearerId, key, takenOn, valueMm, source FROM measurement`);
    await db.query('DROP TABLE measurement');
    await db.query('ALTER TABLE measurement_sided RENAME TO measurement');
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE measurement_plain (
      wearerId TEXT NOT NULL REFERENCES wearer(id) ON DELETE CASCADE, key TEXT NOT NULL, takenOn TEXT NOT NULL,
      valueMm REAL NOT NULL, source TEXT NOT NULL, PRIMARY KEY (wearerId, key, takenOn))`);
    await db.query(`INSERT INTO measurement_plain (wearerId, key, takenOn, valueMm, source)
      SELECT wearerId, key, takenOn, valueMm, source FROM measurement WHERE side = ''`);
    await db.query('DROP TABLE measurement');
    await db.query('ALTER TABLE measurement_plain RENAME TO measurement');
  }
}
