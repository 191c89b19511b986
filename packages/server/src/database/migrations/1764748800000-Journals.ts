import type { MigrationInterface, QueryRunner } from 'typeorm';

type Row = Record<string, unknown>;

/** A thing as it was kept until now: rows of three tables. */
interface StoredItem {
  readonly item: Row;
  readonly moments: readonly Row[];
  readonly links: readonly Row[];
}

/** A journal as it was kept until now, one text a run. */
interface StoredOperation {
  readonly op: 'added' | 'changed' | 'takenOut' | 'noted' | 'aliased';
  readonly key: string;
  readonly from: string;
  readonly source?: string;
  readonly place?: boolean;
  readonly isPart?: boolean;
  readonly before?: StoredItem;
  readonly lineageBefore?: Row;
}

/** The journals of runs are rows, and what stood before is kept as things instead of rows of tables; so is what was removed. Runs are counted. */
export class Journals1764748800000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE "operation" ("run_id" text NOT NULL, "place" integer NOT NULL, "op" text NOT NULL, "key" text NOT NULL,
         "from_course" text, "from_key" text, "part" text, "before" text, "noted_before" text, PRIMARY KEY ("run_id", "place")) WITHOUT ROWID`,
    );
    const runs = (await runner.query('SELECT id, source_id AS source FROM run')) as { id: string; source: string }[];
    for (const { id, source } of runs) {
      const [{ operations }] = (await runner.query('SELECT operations FROM run WHERE id = ?', [id])) as [
        { operations: string },
      ];
      const rows = (JSON.parse(operations) as StoredOperation[]).map((each) => ({
        op: each.op === 'takenOut' ? 'removed' : each.op,
        key: each.key,
        course: each.source ?? source,
        from: each.from,
        part: each.place === true ? 'place' : each.isPart === true ? 'heading' : undefined,
        before: each.before === undefined ? undefined : thingOf(each.before),
        noted: each.lineageBefore,
      }));
      await runner.query(
        `INSERT INTO operation (run_id, place, op, key, from_course, from_key, part, before, noted_before)
         SELECT ?, key, value->>'op', value->>'key', value->>'course', value->>'from', value->>'part', value->'before', value->'noted'
           FROM json_each(?)`,
        [id, JSON.stringify(rows)],
      );
    }
    await runner.query('ALTER TABLE "run" DROP COLUMN "operations"');
    await runner.query(`INSERT INTO "counter" SELECT 'runs', coalesce(max(number), 0) FROM run`);
    await rewriteRemoved(runner, (stored) => thingOf(stored as StoredItem));
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`ALTER TABLE "run" ADD COLUMN "operations" text NOT NULL DEFAULT '[]'`);
    const runs = (await runner.query('SELECT id, destination_id AS course FROM run')) as {
      id: string;
      course: string;
    }[];
    for (const { id, course } of runs) {
      const rows = (await runner.query(
        `SELECT op, key, from_course AS source, from_key AS "from", part, before, noted_before AS noted
           FROM operation WHERE run_id = ? ORDER BY place`,
        [id],
      )) as Row[];
      const operations = rows.map(({ op, key, source, from, part, before, noted }) => ({
        op: op === 'removed' ? 'takenOut' : op,
        key,
        from,
        source,
        ...(op === 'added' ? { place: part === 'place', isPart: part !== null } : {}),
        ...(before === null ? {} : { before: rowsOf(course, JSON.parse(before as string) as Row) }),
        ...(noted === null ? {} : { lineageBefore: JSON.parse(noted as string) as Row }),
      }));
      await runner.query('UPDATE run SET operations = ? WHERE id = ?', [JSON.stringify(operations), id]);
    }
    await runner.query('DROP TABLE "operation"');
    await runner.query(`DELETE FROM "counter" WHERE name = 'runs'`);
    await rewriteRemoved(runner, (stored, course) => rowsOf(course, stored as Row));
  }
}

async function rewriteRemoved(
  runner: QueryRunner,
  rewritten: (stored: unknown, course: string) => unknown,
): Promise<void> {
  const removed = (await runner.query('SELECT course_id AS course, key, stored FROM removed_item')) as {
    course: string;
    key: string;
    stored: string;
  }[];
  for (const { course, key, stored } of removed)
    await runner.query('UPDATE removed_item SET stored = ? WHERE course_id = ? AND key = ?', [
      JSON.stringify(rewritten(JSON.parse(stored), course)),
      course,
      key,
    ]);
}

const isPresent = (value: unknown): boolean => value !== null && value !== undefined;
const present = (row: Row): Row => Object.fromEntries(Object.entries(row).filter(([, value]) => isPresent(value)));

const thingOf = ({ item, moments, links }: StoredItem): Row =>
  present({
    id: item.key,
    kind: item.kind,
    title: item.title,
    contentHash: item.content_hash,
    version: item.version,
    state: item.state,
    moments: moments.map(({ key, role, at, for_whom, series }) =>
      present({ id: key, role, at, for: for_whom, series }),
    ),
    links: links.map(({ type, to_key, quantity, other_course }) =>
      present({ type, to: to_key, quantity, course: other_course }),
    ),
    bodyHash: item.body_hash,
    parent: item.parent_key,
    position: item.position,
    stateBefore: item.state_before,
    everOpen: isPresent(item.ever_open) ? item.ever_open === 1 : undefined,
    points: item.points,
    details: typeof item.details === 'string' ? (JSON.parse(item.details) as unknown) : undefined,
    editedAt: item.edited_at,
    editedBy: item.edited_by,
  });

function rowsOf(course: string, thing: Row): StoredItem {
  const { moments = [], links = [] } = thing as { moments?: Row[]; links?: Row[] };
  const key = thing.id;
  return {
    item: {
      course_id: course,
      key,
      kind: thing.kind,
      title: thing.title,
      body_hash: thing.bodyHash ?? null,
      parent_key: thing.parent ?? null,
      position: thing.position ?? null,
      state: thing.state,
      state_before: thing.stateBefore ?? null,
      ever_open: thing.everOpen === undefined ? null : Number(thing.everOpen),
      points: thing.points ?? null,
      details: thing.details === undefined ? null : JSON.stringify(thing.details),
      content_hash: thing.contentHash,
      edited_at: thing.editedAt ?? null,
      version: thing.version,
      edited_by: thing.editedBy ?? null,
    },
    moments: moments.map(({ id, role, at, for: people, series }) => ({
      course_id: course,
      key: id,
      item_key: key,
      role,
      at,
      for_whom: people ?? null,
      series: series ?? null,
    })),
    links: links.map(({ type, to, quantity, course: other }, place) => ({
      course_id: course,
      from_key: key,
      place,
      type,
      to_key: to,
      quantity: quantity ?? null,
      other_course: other ?? null,
    })),
  };
}
