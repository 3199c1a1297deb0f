import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Entries of the log say what they are and of which part, and have pictures (a JSON list of contents). */
export class LogMore1764500000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    for (const column of ['sort', 'part', 'photos'])
      await db.query(`ALTER TABLE log_entry ADD COLUMN ${column} TEXT`);
  }

  async down(db: QueryRunner): Promise<void> {
    for (const column of ['photos', 'part', 'sort'])
      await db.query(`ALTER TABLE log_entry DROP COLUMN ${column}`);
  }
}
