import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What lists of courses say of each, how many things it holds and when one was last edited, is read off an index. */
export class Counting1764576000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX "item_edited" ON "item" ("course_id", "edited_at")');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "item_edited"');
  }
}
