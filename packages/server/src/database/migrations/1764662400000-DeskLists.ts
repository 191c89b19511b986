import type { MigrationInterface, QueryRunner } from 'typeorm';

/** A Desk finds the plans into its shells and the last runs without looking through those of the whole college. */
export class DeskLists1764662400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX "plan_destination" ON "plan" ("destination_id")');
    await runner.query('CREATE INDEX "run_number" ON "run" ("number")');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX "run_number"');
    await runner.query('DROP INDEX "plan_destination"');
  }
}
