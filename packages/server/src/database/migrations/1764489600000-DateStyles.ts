import type { MigrationInterface, QueryRunner } from 'typeorm';

/** People read dates in the order and on the clock that they prefer. */
export class DateStyles1764489600000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "person" ADD COLUMN "date_style" text');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "person" DROP COLUMN "date_style"');
  }
}
