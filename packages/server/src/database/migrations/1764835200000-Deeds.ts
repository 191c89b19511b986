import type { MigrationInterface, QueryRunner } from 'typeorm';

type Row = Record<string, unknown>;

/** The deed that something was noted as, else a new one, behind the others. */
interface Noting {
  readonly courseId: unknown;
  readonly at: unknown;
  readonly personId: unknown;
  readonly forPersonId?: unknown;
  readonly what: string;
  readonly itemKey?: unknown;
  /** How the deeds are called that it may be. */
  readonly like: string;
}

/** Everything that changes a course is kept as operations of a deed: runs, edits, and what takes them back. */
export class Deeds1764835200000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('ALTER TABLE "deed" ADD COLUMN "run_id" text');
    await runner.query('ALTER TABLE "deed" ADD COLUMN "takes_back" integer');
    await runner.query('ALTER TABLE "deed" ADD COLUMN "undone_by" integer');
    await runner.query('CREATE INDEX "deed_run" ON "deed" ("run_id")');
    await runner.query('CREATE INDEX "deed_takes_back" ON "deed" ("takes_back")');
    await runner.query('ALTER TABLE "operation" RENAME TO "operation_of_run"');
    await runner.query(OPERATION);
    const taken = new Set<number>();
    const runs = (await runner.query(
      `SELECT id, destination_id, person_id, for_person_id, at, undone_at, undone_by FROM run ORDER BY number`,
    )) as Row[];
    for (const run of runs) {
      const courseId = run.destination_id;
      const brought = await deedOf(runner, taken, {
        ...{ courseId, at: run.at, personId: run.person_id, forPersonId: run.for_person_id },
        ...{ what: 'brought a course', like: 'brought %' },
      });
      await runner.query('UPDATE deed SET run_id = ? WHERE id = ?', [run.id, brought]);
      await runner.query(
        `INSERT INTO operation SELECT ?, place, op, key, from_course, from_key, part, before, NULL, noted_before
           FROM operation_of_run WHERE run_id = ?`,
        [brought, run.id],
      );
      if (run.undone_at === null) continue;
      const back = await deedOf(runner, taken, {
        ...{ courseId, at: run.undone_at, personId: run.undone_by },
        ...{ what: 'took a run back', like: 'took back %' },
      });
      await runner.query('UPDATE deed SET takes_back = ? WHERE id = ?', [brought, back]);
      await runner.query('UPDATE deed SET undone_by = ? WHERE id = ?', [back, brought]);
    }
    await runner.query('DROP TABLE "operation_of_run"');
    await keepRevisions(runner, taken);
    await keepRemovals(runner, taken);
    await runner.query('DROP TABLE "item_revision"');
    await runner.query('DROP TABLE "removed_item"');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(REVISION);
    await runner.query(REMOVED);
    await giveRevisions(runner);
    await runner.query(
      `INSERT OR IGNORE INTO removed_item (course_id, key, title, stored, removed_at, removed_by)
       SELECT deed.course_id, operation.key, operation.before->>'title', operation.before, deed.at, deed.person_id
         FROM deed JOIN operation ON operation.deed_id = deed.id
        WHERE deed.run_id IS NULL AND deed.takes_back IS NULL AND deed.undone_by IS NULL AND operation.op = 'removed'
          AND NOT EXISTS (SELECT 1 FROM item WHERE item.course_id = deed.course_id AND item.key = operation.key)
        ORDER BY deed.id DESC`,
    );
    await runner.query('ALTER TABLE "operation" RENAME TO "operation_of_deed"');
    await runner.query(OPERATION_OF_RUN);
    await runner.query(
      `INSERT INTO operation (run_id, place, op, key, from_course, from_key, part, before, noted_before)
       SELECT deed.run_id, place, op, key, from_course, from_key, part, before, noted_before
         FROM operation_of_deed JOIN deed ON deed.id = deed_id WHERE deed.run_id IS NOT NULL`,
    );
    await runner.query('DROP TABLE "operation_of_deed"');
    for (const index of ['deed_run', 'deed_takes_back']) await runner.query(`DROP INDEX "${index}"`);
    for (const column of ['run_id', 'takes_back', 'undone_by'])
      await runner.query(`ALTER TABLE "deed" DROP COLUMN "${column}"`);
  }
}

const OPERATION = `CREATE TABLE "operation" ("deed_id" integer NOT NULL, "place" integer NOT NULL, "op" text NOT NULL, "key" text NOT NULL,
  "from_course" text, "from_key" text, "part" text, "before" text, "after" text, "noted_before" text, PRIMARY KEY ("deed_id", "place")) WITHOUT ROWID`;
const OPERATION_OF_RUN = `CREATE TABLE "operation" ("run_id" text NOT NULL, "place" integer NOT NULL, "op" text NOT NULL, "key" text NOT NULL,
  "from_course" text, "from_key" text, "part" text, "before" text, "noted_before" text, PRIMARY KEY ("run_id", "place")) WITHOUT ROWID`;
const REVISION = `CREATE TABLE "item_revision" ("course_id" text NOT NULL, "key" text NOT NULL, "version" integer NOT NULL, "title" text NOT NULL,
  "body_hash" text, "points" real, "details" text, "moments" text NOT NULL, "replaced_at" text NOT NULL, "replaced_by" text NOT NULL,
  PRIMARY KEY ("course_id", "key", "version"))`;
const REMOVED = `CREATE TABLE "removed_item" ("course_id" text NOT NULL, "key" text NOT NULL, "title" text NOT NULL, "stored" text NOT NULL,
  "removed_at" text NOT NULL, "removed_by" text NOT NULL, PRIMARY KEY ("course_id", "key"))`;

async function deedOf(runner: QueryRunner, taken: Set<number>, noting: Noting): Promise<number> {
  const { courseId, at, personId, forPersonId = null, what, itemKey = null, like } = noting;
  const known = (await runner.query(
    `SELECT id FROM deed WHERE course_id = ? AND at = ? AND what LIKE ? AND (? IS NULL OR item_key = ?) ORDER BY id`,
    [courseId, at, like, itemKey, itemKey],
  )) as { id: number }[];
  let id = known.find((row) => !taken.has(row.id))?.id;
  if (id === undefined) {
    await runner.query(
      'INSERT INTO deed (course_id, at, person_id, for_person_id, what, item_key) VALUES (?, ?, ?, ?, ?, ?)',
      [courseId, at, personId ?? '', forPersonId, what, itemKey],
    );
    const [{ last }] = (await runner.query('SELECT last_insert_rowid() AS last')) as [{ last: number }];
    id = last;
  }
  taken.add(id);
  return id;
}

const INSERT = `INSERT INTO operation (deed_id, place, op, key, before) VALUES (?, 0, ?, ?, ?)`;

/** What things said before edits. What they said after stands in the next one, and in the course. */
async function keepRevisions(runner: QueryRunner, taken: Set<number>): Promise<void> {
  const revisions = (await runner.query(
    'SELECT * FROM item_revision ORDER BY replaced_at, course_id, key, version',
  )) as Row[];
  for (const row of revisions) {
    const deed = await deedOf(runner, taken, {
      ...{ courseId: row.course_id, at: row.replaced_at, personId: row.replaced_by, itemKey: row.key },
      ...{ what: `changed “${String(row.title)}”`, like: 'changed %' },
    });
    const before = {
      title: row.title,
      bodyHash: row.body_hash,
      points: row.points ?? undefined,
      details: row.details === null ? undefined : (JSON.parse(String(row.details)) as unknown),
      moments: JSON.parse(String(row.moments)) as unknown,
      version: row.version,
    };
    await runner.query(INSERT, [deed, 'changed', row.key, JSON.stringify(before)]);
  }
}

async function keepRemovals(runner: QueryRunner, taken: Set<number>): Promise<void> {
  for (const row of (await runner.query('SELECT * FROM removed_item ORDER BY removed_at, course_id, key')) as Row[]) {
    const deed = await deedOf(runner, taken, {
      ...{ courseId: row.course_id, at: row.removed_at, personId: row.removed_by },
      ...{ what: `removed “${String(row.title)}”`, like: `removed “${String(row.title)}”` },
    });
    await runner.query(INSERT, [deed, 'removed', row.key, row.stored]);
  }
}

/** Things as they stood before each edit, from what stands now and what each edit changed, the last one first. */
async function giveRevisions(runner: QueryRunner): Promise<void> {
  const items = (await runner.query(
    `SELECT DISTINCT deed.course_id, operation.key FROM deed JOIN operation ON operation.deed_id = deed.id
      WHERE deed.run_id IS NULL AND operation.op = 'changed'`,
  )) as Row[];
  for (const { course_id: course, key } of items) {
    const [item] = (await runner.query('SELECT * FROM item WHERE course_id = ? AND key = ?', [course, key])) as Row[];
    let thing: Row = { title: item?.title ?? '', bodyHash: item?.body_hash, points: item?.points, moments: [] };
    if (typeof item?.details === 'string') thing.details = JSON.parse(item.details) as unknown;
    const edits = (await runner.query(
      `SELECT deed.at, deed.person_id, operation.before, operation.after FROM deed JOIN operation ON operation.deed_id = deed.id
        WHERE deed.course_id = ? AND deed.run_id IS NULL AND operation.key = ? AND operation.op = 'changed' ORDER BY deed.id DESC`,
      [course, key],
    )) as Row[];
    for (const { at, person_id: by, before, after } of edits) {
      const named = after === null ? {} : (JSON.parse(String(after)) as Row);
      const unset = Object.fromEntries(Object.keys(named).map((name) => [name, undefined]));
      thing = { ...thing, ...unset, ...(JSON.parse(String(before)) as Row) };
      await runner.query(
        `INSERT OR IGNORE INTO item_revision (course_id, key, version, title, body_hash, points, details, moments, replaced_at, replaced_by)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
        [
          ...[course, key, thing.version ?? 0, thing.title, thing.bodyHash ?? null, thing.points ?? null],
          ...[thing.details === undefined ? null : JSON.stringify(thing.details), JSON.stringify(thing.moments ?? [])],
          ...[at, by],
        ],
      );
    }
  }
}
