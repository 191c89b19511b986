import type { MigrationInterface, QueryRunner } from 'typeorm';

/** An owner lets a colleague in who did not ask. */
export class LetInUnasked1765008000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "access_ask" ADD COLUMN "unasked" boolean NOT NULL DEFAULT 0');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "access_ask" DROP COLUMN "unasked"');
  }
}
