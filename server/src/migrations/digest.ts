import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was last worked out of a build, for the shelf. */
export class Digest1764300000000 implements MigrationInterface {
  async up(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE build ADD COLUMN digest TEXT');
  }

  async down(db: QueryRunner): Promise<void> {
    await db.query('ALTER TABLE build DROP COLUMN digest');
  }
}
