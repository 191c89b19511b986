import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Terms have parts and versions, courses a calendar of their own beside the term's, and plans know which one was seen. */
export class Calendars1764403200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "term" ADD COLUMN "parent_id" text');
    await runner.query('ALTER TABLE "term" ADD COLUMN "version" integer NOT NULL DEFAULT (1)');
    await runner.query('CREATE INDEX "term_parent" ON "term" ("parent_id")');
    await runner.query('ALTER TABLE "course" ADD COLUMN "part_id" text');
    await runner.query('ALTER TABLE "course" ADD COLUMN "calendar_additions" text');
    await runner.query('ALTER TABLE "plan" ADD COLUMN "seen_times" text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "plan" DROP COLUMN "seen_times"');
    await runner.query('ALTER TABLE "course" DROP COLUMN "calendar_additions"');
    await runner.query('ALTER TABLE "course" DROP COLUMN "part_id"');
    await runner.query('DROP INDEX "term_parent"');
    await runner.query('ALTER TABLE "term" DROP COLUMN "version"');
    await runner.query('ALTER TABLE "term" DROP COLUMN "parent_id"');
  }
}
