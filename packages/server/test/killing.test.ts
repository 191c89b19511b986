import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { CalendarsView, CourseView, ItemView } from '@yarin/core';
import { readRoster, ROSTER_FILES } from '@yarin/formats';
import { killDuring, work, type Killed, type Work } from './faults/killWriter.js';
import { runPlan, startServer } from './testServer.js';

const WORKS = ['a run', 'runs at once', 'a take-back', 'an edit', 'a move of all dates', 'a roster', 'a calendar'];
const KILLS = Number(process.env.KILLS ?? 42);
const AT = '2026-11-24T10:00';
const DOER = { personId: 'p-rhee', forPersonId: null };
const PAIR = { sources: ['eco214-s26-01'], destination: 'eco214-s27-02' };
/** Other shells that are brought at the same time. */
const OTHERS = [
  { sources: ['eco214-s26-01'], destination: 'eco214-s27-03' },
  { sources: ['geo305-f26-01'], destination: 'geo305-s27-01' },
];
const PAGE = 'eco214-s27-02.library';

/** The roster of next morning: another name, a section in another room, one that is cancelled. */
function nextRoster() {
  const files = Object.fromEntries(
    ROSTER_FILES.map((name) => [
      name,
      readFileSync(fileURLToPath(new URL(`../../../demo/roster/${name}.csv`, import.meta.url)), 'utf8'),
    ]),
  );
  return readRoster({
    ...files,
    users: files.users!.replace(',Ana,Brandt,', ',Anna,Brandt,'),
    classes: files
      .classes!.replace(/^(apc120-s27-01),active/m, '$1,tobedeleted')
      .replaceAll('Haskell 120', 'Haskell 9'),
  });
}

describe('a process that is killed in the middle of', () => {
  let folder: string;
  let works: Work[];
  beforeAll(async () => {
    const server = await startServer({ demo: true });
    folder = mkdtempSync(join(tmpdir(), 'yarin-killing-'));
    const [planned, brought] = [join(folder, 'planned'), join(folder, 'brought')];
    const tomas = await server.as('p-rhee');
    const { body: plan } = await tomas.post('/api/plans').send(PAIR).expect(201);
    const others: string[] = [];
    for (const other of OTHERS) others.push((await tomas.post('/api/plans').send(other).expect(201)).body.id as string);
    const { body: page } = (await tomas.get(`/api/courses/eco214-s27-02/items/${PAGE}`).expect(200)) as {
      body: ItemView;
    };
    const { body: calendars } = (await tomas.get('/api/calendars').expect(200)) as { body: CalendarsView };
    const term = calendars.terms.find(({ id }) => id === 'term-s27')!;
    await server.keepAs(planned);
    const { last } = await runPlan(tomas, plan.id as string);
    const runId = last.outcome!.runId as string;
    const { body: course } = (await tomas.get('/api/courses/eco214-s27-02').expect(200)) as { body: CourseView };
    await server.keepAs(brought);
    await server.close();

    const edit = { courseId: 'eco214-s27-02', doer: DOER, at: AT };
    const moments = course.items.flatMap((item) => item.moments ?? []);
    const moves = Object.fromEntries(moments.map(({ id }) => [id, '2027-03-02T12:00']));
    const bringing = (planId: string) => ({ runId: `run of ${planId}`, planId, doer: DOER, at: AT, stands: undefined });
    works = [
      work('a run', planned, 'bring', bringing(plan.id as string)),
      work('runs at once', planned, 'bring', ...[plan.id as string, ...others].map(bringing)),
      work('a take-back', brought, 'takeBackRun', { runId, doer: DOER, at: AT, changed: 'ask' }),
      work('an edit', planned, 'editItem', {
        ...edit,
        key: PAGE,
        version: page.version,
        changes: { title: 'The library desk', body: `<p>${'Ask there. '.repeat(4000)}</p>` },
      }),
      work('a move of all dates', brought, 'moveMoments', { ...edit, version: course.summary.version, moves }),
      work('a roster', planned, 'loadRoster', { roster: nextRoster(), doer: DOER, at: AT }),
      work('a calendar', planned, 'changeTerm', {
        id: term.id,
        version: term.version,
        name: term.name,
        calendar: { ...term.calendar, closures: [] },
      }),
    ];
  });
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  const killed: Killed[] = [];
  it.each(WORKS)('%s leaves nothing of it or all of it', async (what) => {
    const counts = await killDuring(
      works.find((each) => each.what === what)!,
      Math.ceil(KILLS / WORKS.length),
    );
    if (process.env.KILLS !== undefined) process.stderr.write(`${JSON.stringify(counts)}\n`);
    killed.push(counts);
    expect(counts.halfDone).toBe(0);
  });

  it('any of these was killed in the middle, not only before or behind', () => {
    expect(killed.map(({ what }) => what)).toEqual(WORKS);
    expect(killed.reduce((sum, { nothing }) => sum + nothing, 0)).toBeGreaterThan(KILLS / 10);
  });
});
