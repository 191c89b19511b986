import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What lists say of a course, how much it holds and when it was last edited, is read off an index; changes of terms are counted. */
export class Counting1764576000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX "item_edited" ON "item" ("course_id", "edited_at")');
    await runner.query('CREATE TABLE "counter" ("name" text PRIMARY KEY NOT NULL, "value" integer NOT NULL)');
    await runner.query(`INSERT INTO "counter" VALUES ('terms', 1)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "counter"');
    await runner.query('DROP INDEX "item_edited"');
  }
}
