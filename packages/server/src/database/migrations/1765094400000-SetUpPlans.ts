import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A pair has a plan for the course, and may have one for its gradebook set-up by itself. */
export class SetUpPlans1765094400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "plan" ADD COLUMN "scope" text NOT NULL DEFAULT ('course')`);
    await runner.query('DROP INDEX "plan_pair"');
    await runner.query('CREATE UNIQUE INDEX "plan_pair" ON "plan" ("source_id", "destination_id", "scope")');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "plan_pair"');
    await runner.query(`DELETE FROM "plan" WHERE "scope" <> 'course'`);
    await runner.query('ALTER TABLE "plan" DROP COLUMN "scope"');
    await runner.query('CREATE UNIQUE INDEX "plan_pair" ON "plan" ("source_id", "destination_id")');
  }
}
