import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = [
  `CREATE TABLE "person" ("id" text PRIMARY KEY NOT NULL, "given_name" text NOT NULL, "family_name" text NOT NULL, "email" text NOT NULL, "role" text NOT NULL)`,
  `CREATE TABLE "term" ("id" text PRIMARY KEY NOT NULL, "name" text NOT NULL, "first_day" text NOT NULL, "last_day" text NOT NULL, "calendar" text NOT NULL)`,
  `CREATE TABLE "course" ("id" text PRIMARY KEY NOT NULL, "code" text NOT NULL, "number" text NOT NULL, "section" text NOT NULL, "title" text NOT NULL, "term_id" text NOT NULL, "type" text NOT NULL, "mode" text, "campus" text, "room" text, "locale" text NOT NULL, "open_to_learners" boolean NOT NULL, "archived" boolean NOT NULL, "meetings" text NOT NULL, "version" integer NOT NULL, "search_text" text NOT NULL)`,
  `CREATE INDEX "course_term" ON "course" ("term_id")`,
  `CREATE TABLE "course_staff" ("course_id" text NOT NULL, "person_id" text NOT NULL, "role" text NOT NULL, PRIMARY KEY ("course_id", "person_id"))`,
  `CREATE INDEX "course_staff_person" ON "course_staff" ("person_id")`,
  `CREATE TABLE "item" ("course_id" text NOT NULL, "key" text NOT NULL, "kind" text NOT NULL, "title" text NOT NULL, "body_hash" text, "parent_key" text, "position" real, "state" text NOT NULL, "state_before" text, "ever_open" boolean, "points" real, "details" text, "content_hash" text NOT NULL, "edited_at" text, PRIMARY KEY ("course_id", "key"))`,
  `CREATE TABLE "item_alias" ("course_id" text NOT NULL, "alias" text NOT NULL, "key" text NOT NULL, PRIMARY KEY ("course_id", "alias"))`,
  `CREATE TABLE "item_link" ("course_id" text NOT NULL, "from_key" text NOT NULL, "place" integer NOT NULL, "type" text NOT NULL, "to_key" text NOT NULL, "quantity" integer, "other_course" text, PRIMARY KEY ("course_id", "from_key", "place"))`,
  `CREATE TABLE "moment" ("course_id" text NOT NULL, "key" text NOT NULL, "item_key" text NOT NULL, "role" text NOT NULL, "at" text NOT NULL, "for_whom" text, "series" text, PRIMARY KEY ("course_id", "key"))`,
  `CREATE INDEX "moment_item" ON "moment" ("course_id", "item_key")`,
  `CREATE TABLE "body" ("hash" text PRIMARY KEY NOT NULL, "text" text NOT NULL)`,
  `CREATE TABLE "mark" ("course_id" text NOT NULL, "item_key" text NOT NULL, "mark" text, "note" text, PRIMARY KEY ("course_id", "item_key"))`,
  `CREATE TABLE "learner_record" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "course_id" text NOT NULL, "sort" text NOT NULL, "item_key" text, "learner_id" text NOT NULL, "at" text NOT NULL)`,
  `CREATE INDEX "learner_record_course" ON "learner_record" ("course_id", "sort")`,
  `CREATE TABLE "plan" ("id" text PRIMARY KEY NOT NULL, "source_id" text NOT NULL, "destination_id" text NOT NULL, "person_id" text NOT NULL, "decisions" text NOT NULL, "version" integer NOT NULL, "changed_at" text NOT NULL)`,
  `CREATE UNIQUE INDEX "plan_pair" ON "plan" ("source_id", "destination_id")`,
  `CREATE TABLE "run" ("id" text PRIMARY KEY NOT NULL, "plan_id" text NOT NULL, "source_id" text NOT NULL, "destination_id" text NOT NULL, "person_id" text NOT NULL, "at" text NOT NULL, "policy" text NOT NULL, "counts" text NOT NULL, "operations" text NOT NULL, "undone_at" text, "undone_by" text)`,
  `CREATE INDEX "run_destination" ON "run" ("destination_id")`,
  `CREATE TABLE "lineage" ("course_id" text NOT NULL, "source_course_id" text NOT NULL, "source_key" text NOT NULL, "item_key" text NOT NULL, "run_id" text NOT NULL, "source_hash" text NOT NULL, "landed_hash" text NOT NULL, PRIMARY KEY ("course_id", "source_course_id", "source_key"))`,
  `CREATE INDEX "lineage_run" ON "lineage" ("run_id")`,
  `CREATE TABLE "session" ("id" text PRIMARY KEY NOT NULL, "data" text NOT NULL, "expires_at" integer NOT NULL)`,
];

export class FirstTables1764057600000 implements MigrationInterface {
  name = 'FirstTables1764057600000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of TABLES) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of [...TABLES].reverse()) {
      const [, kind, name] = /^CREATE (?:UNIQUE )?(TABLE|INDEX) "(\w+)"/.exec(statement)!;
      await runner.query(`DROP ${kind} "${name}"`);
    }
  }
}
