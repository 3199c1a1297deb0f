import type { MigrationInterface, QueryRunner } from 'typeorm';

export class First1764000000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE build (
      id TEXT PRIMARY KEY, name TEXT NOT NULL, doc TEXT NOT NULL, version INTEGER NOT NULL,
      createdAt TEXT NOT NULL, updatedAt TEXT NOT NULL, deletedAt TEXT)`);
    await db.query(`CREATE TABLE revision (
      buildId TEXT NOT NULL REFERENCES build(id) ON DELETE CASCADE, version INTEGER NOT NULL,
      doc TEXT NOT NULL, savedAt TEXT NOT NULL, PRIMARY KEY (buildId, version))`);
    await db.query(`CREATE TABLE pin (
      id TEXT NOT NULL, buildId TEXT NOT NULL REFERENCES build(id) ON DELETE CASCADE,
      name TEXT NOT NULL, pinnedAt TEXT NOT NULL, doc TEXT NOT NULL, PRIMARY KEY (id, buildId))`);
    await db.query(`CREATE TABLE log_entry (
      id TEXT NOT NULL, buildId TEXT NOT NULL REFERENCES build(id) ON DELETE CASCADE,
      at TEXT NOT NULL, subject TEXT NOT NULL, note TEXT NOT NULL, planned REAL, actual REAL, unit TEXT NOT NULL,
      PRIMARY KEY (id, buildId))`);
    await db.query(
      `CREATE TABLE wearer (id TEXT PRIMARY KEY, name TEXT NOT NULL UNIQUE, underLayerMm REAL NOT NULL)`,
    );
    await db.query(`CREATE TABLE measurement (
      wearerId TEXT NOT NULL REFERENCES wearer(id) ON DELETE CASCADE, key TEXT NOT NULL, takenOn TEXT NOT NULL,
      valueMm REAL NOT NULL, source TEXT NOT NULL, PRIMARY KEY (wearerId, key, takenOn))`);
    await db.query(`CREATE TABLE stock_item (
      foamId TEXT NOT NULL, nominalMm REAL NOT NULL, sheets INTEGER NOT NULL,
      measuredMm REAL, neutralFraction REAL, pricePerSheet REAL, PRIMARY KEY (foamId, nominalMm))`);
  }

  async down(db: QueryRunner): Promise<void> {
    for (const table of ['stock_item', 'measurement', 'wearer', 'log_entry', 'pin', 'revision', 'build']) {
      await db.query(`DROP TABLE ${table}`);
    }
  }
}
