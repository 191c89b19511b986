import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Choices saved by rule, and what stands for the institution or a department. */
export class Recipes1764230400000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "recipe" ("id" text PRIMARY KEY NOT NULL, "person_id" text NOT NULL, "name" text NOT NULL, "is_shared" boolean NOT NULL, "stands_for" text, "department" text, "choices" text NOT NULL, "knows" text NOT NULL, "locks" text NOT NULL, "changed_at" text NOT NULL)`,
    );
    await runner.query(`CREATE INDEX "recipe_person" ON "recipe" ("person_id")`);
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE "recipe"');
  }
}
