import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Pictures, kept once whatever refers to them. */
export class Pictures1764400000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query(`CREATE TABLE picture (content TEXT PRIMARY KEY, widthPx INTEGER NOT NULL,
      heightPx INTEGER NOT NULL, bytes BLOB NOT NULL, addedAt TEXT NOT NULL)`);
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('DROP TABLE picture');
  }
}
