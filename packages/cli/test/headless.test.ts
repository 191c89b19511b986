import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from '@jest/globals';
import { validator } from '@yarin/formats';
import { answer, type Answer } from '../src/answer.js';
import { plannedSchema, proposedSchema, refreshedSchema, retimedSchema } from '@yarin/core/schemas';

const project = fileURLToPath(new URL('../../..', import.meta.url));
const folder = mkdtempSync(join(tmpdir(), 'yarin-cli-'));
const EXAMPLE = 'docs/formats/retime-job.example.json';

/** A call as the program answers it; files of the repository by their path in it. */
const yarin = (...args: string[]): Promise<Answer> =>
  answer(args.map((arg) => (arg.startsWith('docs/') ? join(project, arg) : arg)));
/** The program itself, as it is started from a shell. */
const started = (...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--conditions=development', '--import', 'tsx', 'packages/cli/src/main.ts', ...args],
    { cwd: project, encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } },
  );
  return { status, stdout, stderr };
};
const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

describe('yarin retime', () => {
  it('prints the new dates of the example in input order, in the documented shape', async () => {
    const { status, stdout, stderr } = await yarin('retime', EXAMPLE);
    expect([status, stderr]).toEqual([0, '']);
    const printed = JSON.parse(stdout);
    expect(validator(retimedSchema)(printed).ok).toBe(true);
    expect(printed.moments.map(({ id, to }: { id: string; to: string }) => [id, to])).toEqual([
      ['essay', '2027-01-12T23:59'],
      ['prep', '2027-01-21T14:00'],
      ['lab-6', '2027-02-19T23:59'],
      ['draft', '2027-03-07T23:59'],
      ['exam', '2027-05-05T09:00'],
    ]);
  });
  it('prints an array for several jobs', async () => {
    expect(JSON.parse((await yarin('retime', EXAMPLE, EXAMPLE)).stdout)).toHaveLength(2);
  });
  it('refuses what is not JSON, what breaks the schema and what can’t be dated: exit code 1, nothing printed', async () => {
    const job = JSON.parse(readFileSync(join(project, EXAMPLE), 'utf8'));
    const cases: [string, string, string][] = [
      [file('a.json', '{"source":'), 'notJson', ''],
      [
        file('b.json', JSON.stringify({ ...job, moments: [{ id: 'x', role: 'dew', at: '2026-01-12T23:59' }] })),
        'notAllowed',
        '/moments/0/role',
      ],
      [
        file('c.json', JSON.stringify({ ...job, moments: [{ id: 'x', role: 'due', at: '2026-02-30T23:59' }] })),
        'noSuchDate',
        '/moments/0/at',
      ],
      [join(folder, 'missing.json'), 'noSuchFile', ''],
    ];
    for (const [path, code, where] of cases) {
      const { status, stdout, stderr } = await yarin('retime', path);
      expect([status, stdout]).toEqual([1, '']);
      expect(JSON.parse(stderr).problems[0]).toMatchObject({ code, where });
    }
  });
  it('answers a wrong call with a usage line and exit code 2', async () => {
    for (const args of [[], ['retime'], ['guess', EXAMPLE]]) {
      const { status, stdout, stderr } = await yarin(...args);
      expect([status, stdout]).toEqual([2, '']);
      expect(stderr).toMatch(/^usage: yarin /);
    }
  });
});

describe('the program', () => {
  it('prints and exits as answered', async () => {
    expect(started('retime', EXAMPLE)).toEqual(await yarin('retime', EXAMPLE));
    expect(started('guess')).toEqual({ status: 2, stdout: '', stderr: expect.stringMatching(/^usage: yarin /) });
  });
});

describe('yarin propose', () => {
  const PROPOSE = 'docs/formats/propose-job.example.json';
  it('prints the likely predecessors of the example, ranked, with reasons', async () => {
    const { status, stdout, stderr } = await yarin('propose', PROPOSE);
    expect([status, stderr]).toEqual([0, '']);
    const printed = JSON.parse(stdout);
    expect(validator(proposedSchema)(printed).ok).toBe(true);
    expect(printed).toEqual({
      verdict: 'one',
      candidates: [
        { course: 'eco214-s26-01', for: ['sameCourse', 'yours', 'latestRun', 'sameCampus', 'usedBefore'], against: [] },
        { course: 'eco214-s25-01', for: ['sameCourse', 'sameCampus'], against: ['notYours', 'olderRun', 'fewThings'] },
        { course: 'bio214-s24-01', for: ['formerCode', 'sameCampus'], against: ['notYours', 'olderRun'] },
      ],
    });
  });
  it('refuses what breaks the schema, and days on no calendar, with their places', async () => {
    const job = JSON.parse(readFileSync(join(project, PROPOSE), 'utf8'));
    const cases: [object, string, string][] = [
      [{ ...job, shell: { ...job.shell, instructors: 'p1' } }, 'wrongType', '/shell/instructors'],
      [{ ...job, shell: { ...job.shell, firstDay: '2027-02-30' } }, 'noSuchDate', '/shell/firstDay'],
    ];
    for (const [input, code, where] of cases) {
      const { status, stdout, stderr } = await yarin('propose', file('propose.json', JSON.stringify(input)));
      expect([status, stdout]).toEqual([1, '']);
      expect(JSON.parse(stderr).problems[0]).toMatchObject({ code, where });
    }
  });
});

describe('yarin refresh', () => {
  const REFRESH = 'docs/formats/refresh-job.example.json';
  it('prints the words of the old term in the example, each at its place, with what would stand there', async () => {
    const { status, stdout, stderr } = await yarin('refresh', REFRESH);
    expect([status, stderr]).toEqual([0, '']);
    const printed = JSON.parse(stdout);
    expect(validator(refreshedSchema)(printed).ok).toBe(true);
    const { items } = JSON.parse(readFileSync(join(project, REFRESH), 'utf8')).course;
    const rows = printed.proposals.map(
      ({ item, field, start, end, text, replacement }: Record<string, string> & { start: number; end: number }) => {
        const own = items.find(({ id }: { id: string }) => id === item);
        expect(own[field!].slice(start, end)).toBe(text);
        return [item, text, replacement];
      },
    );
    expect(rows).toEqual([
      ['syl', 'Spring 2026', 'Spring 2027'],
      ['syl', 'Mondays and Wednesdays at 10', 'Tuesdays and Thursdays at 2'],
      ['syl', 'Weir 12', 'Weir 14'],
      ['syl', 'Monday</b>, March 16', 'Tuesday</b>, March 9'],
      ['syl', 'March 9–15', 'March 15–21'],
      ['proof', 'Mar. 16 at 5 pm', 'Mar. 9 at 5 pm'],
      ['proof', 'https://meet.example/prn110', null],
      [
        'link',
        'https://here.example/courses/prn110-s26-01/items/proof',
        'https://here.example/courses/prn110-s27-01/items/n-proof',
      ],
    ]);
  });
  it('refuses what breaks the schema, calendars that are none, and things that the course has not', async () => {
    const job = JSON.parse(readFileSync(join(project, REFRESH), 'utf8'));
    const calendar = { ...job.destination.calendar, lastDay: '2026-01-01' };
    const cases: [object, string, string][] = [
      [{ ...job, course: { ...job.course, items: 'none' } }, 'wrongType', '/course/items'],
      [{ ...job, brought: { nothing: 'x' } }, 'noSuchItem', '/brought/nothing'],
      [{ ...job, destination: { ...job.destination, calendar } }, 'reversedTerm', '/destination/calendar/lastDay'],
    ];
    for (const [input, code, where] of cases) {
      const { status, stdout, stderr } = await yarin('refresh', file('refresh.json', JSON.stringify(input)));
      expect([status, stdout]).toEqual([1, '']);
      expect(JSON.parse(stderr).problems[0]).toMatchObject({ code, where });
    }
  });
});

describe('yarin plan', () => {
  const PLAN = 'docs/formats/plan-job.example.json';
  it('prints what happens to every thing of the example, and the new course', async () => {
    const { status, stdout, stderr } = await yarin('plan', PLAN);
    expect([status, stderr]).toEqual([0, '']);
    const printed = JSON.parse(stdout);
    expect(validator(plannedSchema)(printed).ok).toBe(true);
    const verbs = printed.lines.map(({ item, verb }: { item: string; verb: string }) => `${item} ${verb}`);
    expect(verbs).toEqual([
      ...['u1 join', 'p1 add', 'hand.png add', 'q1 add', 'b1 add', 'c1 add', 'l1 add', 'e1 add', 'r1 add'],
      ...['a1 add', 'a2 leave', 's2 here'],
    ]);
    expect(printed.lines[4].why).toEqual([{ reason: 'neededBy', item: 'q1' }, { reason: 'all' }]);
    expect(printed.findings[0]).toMatchObject({ item: 'a2', finding: 'lastTermsAnnouncement', default: 'leave' });
    expect(printed.looseEnds.map(({ code }: { code: string }) => code)).toEqual(['neededButLeft', 'notOpen']);
    const essay = printed.course.items.find(({ id }: { id: string }) => id === 'e1');
    expect(essay.moments).toEqual([{ id: 'e1-due', role: 'due', at: '2027-02-04T14:00' }]);
  });
  it('takes what it printed for the next call, and then adds nothing', async () => {
    const job = JSON.parse(readFileSync(join(project, PLAN), 'utf8'));
    const { course: destination, history } = JSON.parse((await yarin('plan', PLAN)).stdout);
    const path = file('again.json', JSON.stringify({ ...job, destination, history }));
    const again = JSON.parse((await yarin('plan', path)).stdout);
    expect(again.lines.filter(({ verb }: { verb: string }) => !['same', 'leave', 'here'].includes(verb))).toEqual([]);
    expect(again.course).toEqual(destination);
  });
  it('refuses what breaks the schema and choices that speak of nothing, with their places', async () => {
    const job = JSON.parse(readFileSync(join(project, PLAN), 'utf8'));
    const cases: [object, string, string][] = [
      [{ ...job, sources: [] }, 'minItems', '/sources'],
      [{ ...job, choices: { findings: { stale: 'leave' } } }, 'noSuchFinding', '/choices/findings/stale'],
      [{ ...job, choices: { items: { b1: 'maybe' } } }, 'notAllowed', '/choices/items/b1'],
    ];
    for (const [input, code, where] of cases) {
      const { status, stdout, stderr } = await yarin('plan', file('plan.json', JSON.stringify(input)));
      expect([status, stdout]).toEqual([1, '']);
      expect(JSON.parse(stderr).problems[0]).toMatchObject({ code, where });
    }
  });
});
