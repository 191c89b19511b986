import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Dates that a plan moved after its run are told from what somebody edited. */
export class Fixes1765180800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "deed" ADD COLUMN "is_fix" boolean NOT NULL DEFAULT 0');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "deed" DROP COLUMN "is_fix"');
  }
}
