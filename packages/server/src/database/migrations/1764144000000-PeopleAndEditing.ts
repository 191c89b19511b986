import type { MigrationInterface, QueryRunner } from 'typeorm';

const UP = [
  `ALTER TABLE "person" ADD COLUMN "department" text`,
  `ALTER TABLE "course" DROP COLUMN "search_text"`,
  `ALTER TABLE "course" ADD COLUMN "department" text`,
  `ALTER TABLE "course" ADD COLUMN "open_for_reuse" boolean NOT NULL DEFAULT 0`,
  `ALTER TABLE "course" ADD COLUMN "cancelled" boolean NOT NULL DEFAULT 0`,
  `ALTER TABLE "course" ADD COLUMN "made_by" text`,
  `ALTER TABLE "course" ADD COLUMN "starts_on" text`,
  `ALTER TABLE "course" ADD COLUMN "ends_on" text`,
  `ALTER TABLE "course" ADD COLUMN "find_id" integer`,
  `CREATE UNIQUE INDEX "course_find_id" ON "course" ("find_id")`,
  `CREATE TABLE "former_code" ("code" text NOT NULL, "number" text NOT NULL, "was_code" text NOT NULL, "was_number" text NOT NULL, PRIMARY KEY ("code", "number", "was_code", "was_number"))`,
  `ALTER TABLE "item" ADD COLUMN "version" integer NOT NULL DEFAULT 1`,
  `ALTER TABLE "item" ADD COLUMN "edited_by" text`,
  `CREATE TABLE "item_revision" ("course_id" text NOT NULL, "key" text NOT NULL, "version" integer NOT NULL, "title" text NOT NULL, "body_hash" text, "points" real, "details" text, "moments" text NOT NULL, "replaced_at" text NOT NULL, "replaced_by" text NOT NULL, PRIMARY KEY ("course_id", "key", "version"))`,
  `CREATE TABLE "removed_item" ("course_id" text NOT NULL, "key" text NOT NULL, "title" text NOT NULL, "stored" text NOT NULL, "removed_at" text NOT NULL, "removed_by" text NOT NULL, PRIMARY KEY ("course_id", "key"))`,
  `ALTER TABLE "mark" ADD COLUMN "person_id" text`,
  `ALTER TABLE "mark" ADD COLUMN "at" text`,
  `ALTER TABLE "plan" ADD COLUMN "place" integer NOT NULL DEFAULT 1`,
  `ALTER TABLE "learner_record" ADD COLUMN "says" text NOT NULL DEFAULT ''`,
  `ALTER TABLE "lineage" ADD COLUMN "landed_version" integer NOT NULL DEFAULT 1`,
  `ALTER TABLE "run" ADD COLUMN "for_person_id" text`,
  `ALTER TABLE "run" ADD COLUMN "number" integer NOT NULL DEFAULT 0`,
  `UPDATE "run" SET "number" = rowid`,
  `CREATE TABLE "access_ask" ("id" text PRIMARY KEY NOT NULL, "course_id" text NOT NULL, "person_id" text NOT NULL, "wants" text NOT NULL, "words" text NOT NULL, "asked_at" text NOT NULL, "answer" text, "answered_by" text, "answered_at" text, "answer_words" text NOT NULL)`,
  `CREATE INDEX "access_ask_course" ON "access_ask" ("course_id", "person_id")`,
  `CREATE INDEX "access_ask_person" ON "access_ask" ("person_id")`,
  `CREATE TABLE "deed" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "course_id" text NOT NULL, "at" text NOT NULL, "person_id" text NOT NULL, "for_person_id" text, "what" text NOT NULL, "item_key" text)`,
  `CREATE INDEX "deed_course" ON "deed" ("course_id", "id")`,
  `CREATE TABLE "roster_notice" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "course_id" text NOT NULL, "at" text NOT NULL, "sentence" text NOT NULL)`,
  `CREATE INDEX "roster_notice_course" ON "roster_notice" ("course_id")`,
  `CREATE TABLE "roster_load" ("id" integer PRIMARY KEY AUTOINCREMENT NOT NULL, "report" text NOT NULL)`,
  `CREATE VIRTUAL TABLE "course_find" USING fts5(words, content='', contentless_delete=1, detail=none, prefix='1 2 3 4', tokenize='unicode61')`,
  `CREATE TABLE "find_word" ("word" text PRIMARY KEY NOT NULL)`,
  `CREATE INDEX "course_type" ON "course" ("type")`,
  `CREATE INDEX "course_open_for_reuse" ON "course" ("open_for_reuse")`,
  `CREATE INDEX "course_department" ON "course" ("department")`,
];

const DOWN = [
  ...['find_word', 'course_find', 'roster_load', 'roster_notice', 'deed', 'access_ask', 'item_revision'],
  ...['removed_item', 'former_code'],
].map((table) => `DROP TABLE "${table}"`);

const COLUMNS: readonly [string, string][] = [
  ['lineage', 'landed_version'],
  ['learner_record', 'says'],
  ['run', 'number'],
  ['run', 'for_person_id'],
  ['plan', 'place'],
  ['mark', 'at'],
  ['mark', 'person_id'],
  ['item', 'edited_by'],
  ['item', 'version'],
  ['course', 'ends_on'],
  ['course', 'starts_on'],
  ['course', 'made_by'],
  ['course', 'cancelled'],
  ['course', 'open_for_reuse'],
  ['course', 'department'],
  ['person', 'department'],
];

/** Departments, access, editing with earlier texts, what was done and for whom, the roster's notices, and finding. */
export class PeopleAndEditing1764144000000 implements MigrationInterface {
  name = 'PeopleAndEditing1764144000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const statement of UP) await runner.query(statement);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const statement of DOWN) await runner.query(statement);
    for (const index of ['course_find_id', 'course_type', 'course_open_for_reuse', 'course_department'])
      await runner.query(`DROP INDEX "${index}"`);
    await runner.query('ALTER TABLE "course" DROP COLUMN "find_id"');
    for (const [table, column] of COLUMNS) await runner.query(`ALTER TABLE "${table}" DROP COLUMN "${column}"`);
    await runner.query(`ALTER TABLE "course" ADD COLUMN "search_text" text NOT NULL DEFAULT ''`);
  }
}
