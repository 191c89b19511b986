import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Courses are found by their class days, their academic year and what they are: the index is written anew at the start. */
export class FoundByMore1764921600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('DELETE FROM course_find');
    await runner.query('UPDATE course SET find_id = NULL');
  }

  async down(runner: QueryRunner): Promise<void> {
    await this.up(runner);
  }
}
