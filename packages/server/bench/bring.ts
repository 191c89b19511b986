// Bringing a 5,000-item course, beside the raw multi-row insert of the same rows into the same file.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Item } from '@yarin/core';
import type { EntityManager } from 'typeorm';
import { addCourse, addPeople, addTerms } from '../src/courses/courseWriter.js';
import { openForWriting } from '../src/database/driver.js';
import { openPlan } from '../src/plans/planCommands.js';
import { groundOn, readCourse, readSides } from '../src/plans/workedPlan.js';
import { bring } from '../src/runs/bring.js';
import { takeBackRun } from '../src/takeBack/takeBackRun.js';
import type { Command } from '../src/database/command.js';

const THINGS = 5000;
const ROUNDS = 5;
const AT = '2026-11-24T09:00';
const ROWS_A_STATEMENT = 500;

const dataFolder = mkdtempSync(join(tmpdir(), 'yarin-bench-'));
const source = await openForWriting(dataFolder);
const { manager } = source;

async function run<Input, Output>(command: Command<Input, Output>, input: Input): Promise<Output> {
  await manager.query('BEGIN IMMEDIATE');
  const output = await command({ manager, dataFolder, progress: () => undefined }, input);
  await manager.query('COMMIT');
  return output;
}

const calendar = (firstDay: string, lastDay: string) => ({ firstDay, lastDay, timeZone: 'America/Chicago' });
const [S26, S27] = [calendar('2026-01-12', '2026-05-08'), calendar('2027-01-11', '2027-05-07')];
const items = Array.from({ length: THINGS }, (_, index): Item => {
  const unit = Math.floor(index / 50) * 50;
  const id = `i${index}`;
  if (index === unit)
    return {
      id,
      kind: 'unit',
      title: `Unit ${index / 50 + 1}`,
      body: `<p>Unit ${index}</p>`,
      position: index,
      editedAt: AT,
    };
  const day = String((index % 28) + 1).padStart(2, '0');
  return {
    id,
    kind: index % 3 === 0 ? 'assignment' : 'page',
    title: `Thing ${index} of the course`,
    parent: `i${unit}`,
    position: index,
    body: `<p>Text of thing ${index}. ${'Water sorts the stones of the bed. '.repeat(24)}</p>`,
    ...(index % 3 === 0
      ? {
          points: 10,
          moments: [{ id: `m${index}`, role: 'due' as const, at: `2026-0${(index % 4) + 1}-${day}T23:59` }],
        }
      : {}),
    links: index % 5 === 1 ? [{ type: 'links', to: `i${index - 1}` }] : [],
    editedAt: AT,
  };
});

await run(addTerms, [
  { id: 's26', name: 'Spring 2026', calendar: S26 },
  { id: 's27', name: 'Spring 2027', calendar: S27 },
]);
await run(addPeople, [
  { id: 'p', givenName: 'Ines', familyName: 'Marant', email: '', role: 'instructor', department: null },
]);
const head = { code: 'ECO', number: '214', title: 'Freshwater Ecology' };
await run(addCourse, {
  termId: 's26',
  staff: [],
  course: { course: { ...head, id: 'old', section: '01', term: 'Spring 2026' }, calendar: S26, items },
});
await run(addCourse, {
  termId: 's27',
  staff: [],
  course: { course: { ...head, id: 'new', section: '02', term: 'Spring 2027' }, calendar: S27, items: [] },
});
await run(openPlan, {
  id: 'plan',
  sourceIds: ['old'],
  lost: [],
  scope: 'course',
  destinationId: 'new',
  doer: { personId: 'p', forPersonId: null },
  at: AT,
});

const TABLES = ['item', 'moment', 'item_link', 'lineage', 'operation'];
/** Which rows of a table a run into the new course made. */
const madeBy = (run: string, table: string): string =>
  table === 'operation' ? `deed_id = (SELECT id FROM deed WHERE run_id = '${run}')` : `course_id = 'new'`;

/** Inserts the rows that a run made once more, as plain multi-row statements. */
async function rawInsert(
  rows: ReadonlyMap<string, readonly Record<string, unknown>[]>,
  to: EntityManager,
): Promise<number> {
  const begun = performance.now();
  await to.query('BEGIN IMMEDIATE');
  for (const [table, all] of rows) {
    const columns = Object.keys(all[0] ?? {});
    for (let at = 0; at < all.length; at += ROWS_A_STATEMENT) {
      const some = all.slice(at, at + ROWS_A_STATEMENT);
      const values = some.map(() => `(${columns.map(() => '?').join(',')})`).join(',');
      await to.query(
        `INSERT INTO ${table} (${columns.join(',')}) VALUES ${values}`,
        some.flatMap((row) => columns.map((column) => row[column])),
      );
    }
  }
  await to.query('COMMIT');
  return performance.now() - begun;
}

// Findings and the proposed policy are computed when the plan is opened, once for both versions; a run takes them as they are.
const { findings, suggestion } = await groundOn(
  manager,
  await readSides(manager, await readCourse(manager, 'old'), 'new'),
  ['old'],
);
const versionOf = async (id: string): Promise<number> =>
  (await manager.query<{ version: number }[]>('SELECT version FROM course WHERE id = ?', [id]))[0]!.version;

const doer = { personId: 'p', forPersonId: null };
async function bringAs(runId: string): Promise<number> {
  const known = {
    sourceVersion: await versionOf('old'),
    shellVersion: await versionOf('new'),
    findings,
    policy: suggestion.proposed.policy,
  };
  const begun = performance.now();
  const { outcome } = await run(bring, { runId, planId: 'plan', doer, at: AT, known: { old: known } });
  if (outcome !== 'brought') throw new Error('nothing was brought');
  return performance.now() - begun;
}
async function takenBack(runId: string): Promise<number> {
  const begun = performance.now();
  await run(takeBackRun, { runId, doer, at: AT, changed: 'ask' });
  return performance.now() - begun;
}

/** Everything changes in the old course; that is brought up to date in the new one, and taken back. */
async function again(raw: number): Promise<void> {
  await manager.query(
    `UPDATE item SET title = title || '.', content_hash = hex(randomblob(16)) WHERE course_id = 'old'`,
  );
  await manager.query(`UPDATE course SET version = version + 1 WHERE id = 'old'`);
  const updated = await bringAs('again');
  const back = await takenBack('again');
  console.log(
    `bring all ${THINGS} up to date: ${updated.toFixed(0)} ms, ratio ${(updated / raw).toFixed(2)}; take that back: ${back.toFixed(0)} ms, ratio ${(back / raw).toFixed(2)}`,
  );
}

const ratios: number[] = [];
let lastRaw = 0;
for (let round = 0; round < ROUNDS; round++) {
  const brought = await bringAs(`run${round}`);
  const rows = new Map<string, Record<string, unknown>[]>();
  let count = 0;
  for (const table of TABLES) {
    const all = await manager.query<Record<string, unknown>[]>(
      `SELECT * FROM ${table} WHERE ${madeBy(`run${round}`, table)}`,
    );
    rows.set(table, all);
    count += all.length;
  }
  if (round === ROUNDS - 1) await again(lastRaw);
  await takenBack(`run${round}`);
  await manager.query(`DELETE FROM operation WHERE ${madeBy(`run${round}`, 'operation')}`);
  const raw = await rawInsert(rows, manager);
  lastRaw = raw;
  for (const table of TABLES) await manager.query(`DELETE FROM ${table} WHERE ${madeBy(`run${round}`, table)}`);
  ratios.push(brought / raw);
  console.log(
    `bring ${THINGS} things: ${brought.toFixed(0)} ms; raw insert of its ${count} rows: ${raw.toFixed(0)} ms; ratio ${(brought / raw).toFixed(2)}`,
  );
}
console.log(`median ratio ${ratios.sort((a, b) => a - b)[Math.floor(ROUNDS / 2)]!.toFixed(2)}, limit 3`);
await source.destroy();
rmSync(dataFolder, { recursive: true, force: true });
