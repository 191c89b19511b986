import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A plan and its runs can bring from several courses; the first stays where it was. */
export class SeveralSources1764316800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "plan" ADD COLUMN "further_sources" text NOT NULL DEFAULT ('[]')`);
    await runner.query(`ALTER TABLE "run" ADD COLUMN "further_sources" text NOT NULL DEFAULT ('[]')`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "run" DROP COLUMN "further_sources"');
    await runner.query('ALTER TABLE "plan" DROP COLUMN "further_sources"');
  }
}
