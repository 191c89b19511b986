import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import { outlineOf } from '../../src/course/outline.js';
import type { Snapshot } from '../../src/course/snapshot.js';
import { arrange } from '../../src/plan/landing/arrange.js';
import type { LineageEntry } from '../../src/plan/shapes/matches.js';
import { concernedDates, indexPlan, previewPlan } from '../../src/plan/preview.js';
import type { PlanInput, Preview } from '../../src/plan/shapes/preview.js';
import { reviewPlan, type Review } from '../../src/plan/review.js';
import { settledAs } from '../../src/retime/causes.js';
import type { Decisions } from '../../src/schemas/choices.js';
import type { Course } from '../../src/schemas/course.js';
import { afterRun, asSnapshot, due, item, newShell, oldCourse, stock, unit } from '../builders.js';

const NOTHING: Decisions = { choices: {}, byHand: {}, settled: {} };
const worked = (input: PlanInput): Preview & Review => {
  const result = previewPlan(input);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return { ...result.value, ...reviewPlan(input, result.value) };
};
const preview = (
  source: Course,
  shell: Course,
  decisions: Partial<Decisions> = {},
  lineage: LineageEntry[] = [],
): Preview & Review =>
  worked({
    source: asSnapshot(source),
    shell: asSnapshot(shell),
    findings: findFindings(source, shell),
    decisions: { ...NOTHING, ...decisions },
    policy: { weekdays: { 1: 2, 3: 4 } },
    lineage,
  });
const verbs = ({ lines }: Preview): Record<string, string> =>
  Object.fromEntries(lines.map(({ item: id, to, verb }) => [id ?? `(${to})`, verb]));

const LAB = item('assignment', 'lab', {
  title: 'Lab 3',
  points: 20,
  body: '<p>Count</p>',
  moments: due('lab', '2026-02-09T23:59'),
  links: [{ type: 'gradedIn', to: 'line' }],
});
const COURSE = oldCourse(
  ...unit('u3', item('page', 'riffle', { body: '<p>Riffles</p>' }), LAB),
  item('lineItem', 'line', { points: 20 }),
  item('announcement', 'snow', { body: '<p>Closed today.</p>' }),
);

describe('verbs', () => {
  it('what nothing answers to is added, what a finding leaves stays', () => {
    expect(verbs(preview(COURSE, newShell()))).toEqual({
      u3: 'add',
      riffle: 'add',
      lab: 'add',
      line: 'add',
      snow: 'leave',
    });
  });
  it('stock gives way, a person’s own of the same name asks, what else is there stays', () => {
    const shell = newShell(
      stock('unit', 's1', { title: 'U3' }),
      item('page', 's2', { title: 'Riffle!', body: '<p>Mine</p>' }),
      item('page', 's3', { title: 'Library', body: '<p>8 to 20</p>' }),
    );
    expect(verbs(preview(COURSE, shell))).toMatchObject({ u3: 'join', riffle: 'ask', lab: 'add', '(s3)': 'here' });
  });
  it('equal content is the same, whatever its place', () => {
    const shell = newShell(item('page', 's', { title: 'riffle', body: '<p>Riffles</p>', position: 9 }));
    expect(verbs(preview(COURSE, shell))).toMatchObject({ riffle: 'same' });
  });
  it('is compared three ways once it was brought', () => {
    const { snapshot, lineage } = afterRun(COURSE, newShell(), preview(COURSE, newShell()));
    const result = (source: Course, shell: Snapshot): Record<string, string> => {
      const again = previewPlan({
        source: asSnapshot(source),
        shell,
        findings: [],
        decisions: NOTHING,
        policy: {},
        lineage,
      });
      if (!again.ok) throw new Error('calendar');
      return verbs(again.value);
    };
    const edit = (shell: Snapshot): Snapshot => ({
      ...shell,
      items: shell.items.map((each) => (each.id === 'riffle' ? { ...each, contentHash: 'edited' } : each)),
    });
    const changed: Course = {
      ...COURSE,
      items: COURSE.items.map((each) => (each.id === 'riffle' ? { ...each, body: '<p>More riffles</p>' } : each)),
    };
    expect(result(COURSE, snapshot).riffle).toBe('same');
    expect(result(changed, snapshot).riffle).toBe('update');
    expect(result(COURSE, edit(snapshot)).riffle).toBe('keep');
    expect(result(changed, edit(snapshot)).riffle).toBe('ask');
    expect(result(COURSE, { ...snapshot, items: snapshot.items.filter(({ id }) => id !== 'riffle') }).riffle).toBe(
      'keep',
    );
    expect(result({ ...COURSE, items: COURSE.items.filter(({ id }) => id !== 'riffle') }, snapshot).riffle).toBe(
      'gone',
    );
  });
});

describe('doubts about what was brought', () => {
  const LATE = item('assignment', 'late', { points: 5, moments: due('late', '2026-02-18T23:59') });
  const course = oldCourse(LATE, item('assignment', 'early', { points: 5, moments: due('early', '2026-02-09T23:59') }));
  const first = preview(course, newShell());
  const { snapshot, lineage } = afterRun(course, newShell(), first);
  /** The plan again on the shell as it stands after its run. */
  const again = (shell: Snapshot, more: Partial<PlanInput> = {}): Preview & Review =>
    worked({
      source: asSnapshot(course),
      shell,
      findings: [],
      decisions: NOTHING,
      policy: { weekdays: { 1: 2, 3: 4 } },
      lineage,
      ...more,
    });
  const moved = (at: string): Snapshot => ({
    ...snapshot,
    items: snapshot.items.map((each) => (each.id === 'late' ? { ...each, moments: due('late', at) } : each)),
  });

  it('are the same as before the run, while nobody settled them and the dates stand as they came', () => {
    expect(first.causes.map(({ sentence, stands }) => [sentence, stands])).toEqual([
      ['Thu 18 Feb is Charter Day now', undefined],
    ]);
    const after = again(snapshot);
    expect([after.toWrite, after.dates.length]).toEqual([0, 0]);
    expect(after.asBrought.map(({ id, to }) => [id, to])).toEqual([
      ['late-due', '2027-02-19T23:59'],
      ['early-due', '2027-02-09T23:59'],
    ]);
    expect(after.causes.map(({ sentence, stands }) => [sentence, stands])).toEqual([
      ['Thu 18 Feb is Charter Day now', true],
    ]);
  });
  it('end when they are fine as they are, and when the date is moved in the new course', () => {
    const [cause] = again(snapshot).causes;
    const settled = { 'late-due': settledAs(cause!.moments[0]!) };
    expect(again(snapshot, { decisions: { ...NOTHING, settled } }).causes).toEqual([]);
    expect(again(moved('2027-02-17T23:59')).causes).toEqual([]);
    expect(again(moved('2027-02-19T23:59')).causes).toHaveLength(1);
  });
  it('are of what stands: what would stand elsewhere on the calendar as it is now is told by itself', () => {
    const { closures = [] } = snapshot.calendar;
    const storm = { from: '2027-02-09', to: '2027-02-09', label: 'Storm', kind: 'holiday' } as const;
    const after = again({ ...snapshot, calendar: { ...snapshot.calendar, closures: [...closures, storm] } });
    expect(after.asBrought.map(({ id }) => id)).toEqual(['late-due']);
    expect(after.elsewhere.map(({ id, to }) => [id, to])).toEqual([['early-due', '2027-02-10T23:59']]);
    expect(after.looseEnds.find(({ code }) => code === 'datedElsewhere')).toEqual({
      code: 'datedElsewhere',
      severity: 'wrong',
      sentence: 'One date that was brought would stand elsewhere on the calendar as it is now',
      detail: 'early',
      items: ['early'],
    });
    expect(again(snapshot).looseEnds.some(({ code }) => code === 'datedElsewhere')).toBe(false);
    // What a person moved stands where they want it.
    const edited = moved('2027-02-17T23:59');
    const items = edited.items.map((each) => (each.id === 'late' ? { ...each, contentHash: 'edited' } : each));
    expect(again({ ...edited, items }).elsewhere).toEqual([]);
  });
  it('a change of the calendars concerns what is left to come, and when nothing is, what was brought', () => {
    const concerned = (shell: Snapshot, source: Course): string[] => {
      const decided = { decisions: NOTHING, policy: { weekdays: { 1: 2, 3: 4 } } };
      const index = indexPlan({ source: asSnapshot(source), shell, findings: [], lineage });
      const dates = concernedDates(index, decided);
      if (!dates.ok) throw new Error(JSON.stringify(dates.problems));
      return dates.value.map(({ id }) => id);
    };
    const more = {
      ...course,
      items: [...course.items, item('quiz', 'new', { moments: due('new', '2026-02-10T12:00') })],
    };
    expect(concerned(snapshot, course)).toEqual(['late-due', 'early-due']);
    expect(concerned(snapshot, more)).toEqual(['new-due']);
    expect(concerned(asSnapshot(newShell()), course)).toEqual([]);
  });
  it('compare the order of what stands, not of where the plan would put it', () => {
    const pair = oldCourse(
      item('quiz', 'one', { points: 5, moments: due('one', '2026-02-11T12:00') }),
      item('quiz', 'two', { points: 5, moments: due('two', '2026-02-12T09:00') }),
    );
    const came = afterRun(pair, newShell(), preview(pair, newShell()));
    const over = { source: asSnapshot(pair), lineage: came.lineage };
    expect(again(came.snapshot, over).asBrought.map(({ id, to, flags }) => [id, to, flags])).toEqual([
      ['one-due', '2027-02-11T12:00', ['orderChanged']],
      ['two-due', '2027-02-11T09:00', ['orderChanged']],
    ]);
    const items = came.snapshot.items.map((each) =>
      each.id === 'one' ? { ...each, moments: due('one', '2027-02-09T12:00'), contentHash: 'edited' } : each,
    );
    const after = again({ ...came.snapshot, items }, over);
    expect(after.asBrought.map(({ id, flags }) => [id, flags])).toEqual([['two-due', []]]);
    expect(after.causes).toEqual([]);
  });
  it('are of all that stands, also of what is not chosen any more', () => {
    const decisions = { ...NOTHING, choices: { items: { late: 'leave' } } } as const;
    expect(again(snapshot, { decisions }).causes.map(({ sentence }) => sentence)).toEqual([
      'Thu 18 Feb is Charter Day now',
    ]);
  });
  it('do not come up because time passes', () => {
    expect(again(snapshot, { now: '2027-04-01T09:00' }).causes.map(({ cause }) => cause)).toEqual(['closure']);
  });
  it('are settled by the same dates as before', () => {
    const swapped = oldCourse(
      item('quiz', 'one', { points: 5, moments: due('one', '2026-01-14T23:59') }),
      item('quiz', 'two', { points: 5, moments: due('two', '2026-01-15T17:00') }),
    );
    const before = preview(swapped, newShell());
    expect(before.causes[0]!.settlements.map(({ name }) => name)).toEqual(['oldDistance']);
    const stands = afterRun(swapped, newShell(), before);
    const after = again(stands.snapshot, { source: asSnapshot(swapped), lineage: stands.lineage });
    expect(after.causes[0]!.settlements).toEqual(before.causes[0]!.settlements);
  });
});

describe('the new course as it will stand', () => {
  it('has every date on the new calendar, and links to what is there', () => {
    const shell = newShell(stock('lineItem', 'stock-line', { title: 'line' }));
    const { items, dates } = preview(COURSE, shell);
    const lab = items.find(({ id }) => id === 'lab')!;
    expect(lab.moments).toEqual([{ id: 'lab-due', role: 'due', at: '2027-02-09T23:59' }]);
    expect(lab.links).toEqual([{ type: 'gradedIn', to: 'stock-line' }]);
    expect(dates).toMatchObject([{ title: 'Lab 3', graded: true, from: '2026-02-09T23:59' }]);
  });
  it('keeps the order and the nesting of the old one', () => {
    const rows = outlineOf(preview(COURSE, newShell()).items).flatMap((row) =>
      row.row === 'item' ? [`${'  '.repeat(row.depth)}${row.item.title}`] : [],
    );
    expect(rows).toEqual(['u3', '  riffle', '  Lab 3', '  line']);
  });
  it('lands a thing whose date was cleared as a draft, and hidden ones hidden', () => {
    const hidden = { ...COURSE, marks: [{ item: 'riffle', mark: 'hidden' as const }] };
    const result = previewPlan({
      source: asSnapshot(hidden),
      shell: asSnapshot(newShell()),
      findings: [],
      decisions: NOTHING,
      policy: { rule: 'clear' },
      lineage: [],
    });
    const state = (id: string) => result.ok && result.value.items.find((each) => each.id === id)!.state;
    expect([state('lab'), state('riffle'), state('u3')]).toEqual(['draft', 'hidden', 'open']);
  });
  it('keeps the place of outside work: title, points, category and dates, without the link and the text', () => {
    const tool = item('toolLink', 't', { details: { outsideCourseId: '1' } });
    const held = oldCourse(
      tool,
      {
        ...LAB,
        links: [
          { type: 'launches', to: 't' },
          { type: 'gradedIn', to: 'line' },
        ],
      },
      item('lineItem', 'line'),
    );
    const place = preview(held, newShell()).items.find(({ id }) => id === 'lab')!;
    expect(place).toMatchObject({
      state: 'draft',
      points: 20,
      links: [{ type: 'gradedIn', to: 'line' }],
      moments: [{ at: '2027-02-09T23:59' }],
    });
    expect(place.bodyHash).toBeUndefined();
  });
  it('says what will be left over, the worst first', () => {
    const source = oldCourse(
      ...COURSE.items,
      item('gradeCategory', 'c', { details: { weight: 60 } }),
      item('assignment', 'w', { details: { originalityCheck: true } }),
    );
    expect(preview(source, newShell()).looseEnds.map(({ code, severity }) => [code, severity])).toEqual([
      ['weights', 'breaks'],
      ['originalityCheck', 'wrong'],
      ['notOpen', 'untidy'],
    ]);
  });
});

describe('twice is once', () => {
  it('a plan run again after its run has nothing to write', () => {
    fc.assert(
      fc.property(fc.subarray(COURSE.items.map(({ id }) => id)), (left) => {
        const decisions = { choices: { items: Object.fromEntries(left.map((id) => [id, 'leave' as const])) } };
        const first = preview(COURSE, newShell(stock('page', 's', { title: 'Riffle' })), decisions);
        const { snapshot, lineage } = afterRun(COURSE, newShell(), first);
        const again = previewPlan({
          policy: {},
          source: asSnapshot(COURSE),
          shell: snapshot,
          findings: findFindings(COURSE, newShell()),
          decisions: { ...NOTHING, ...decisions },
          lineage,
        });
        expect(again.ok && again.value.toWrite).toBe(0);
      }),
    );
  });
});

describe('places among what stands there', () => {
  const standing = [
    { id: 'x', position: 1 },
    { id: 'y', position: 2 },
  ];
  const order = (incoming: string[]): string[] =>
    [...standing.map(({ id, position }) => [id, position] as const), ...arrange(standing, incoming)]
      .sort((a, b) => a[1] - b[1])
      .map(([id]) => id);
  it.each([
    [
      ['a', 'b'],
      ['x', 'y', 'a', 'b'],
    ],
    [
      ['a', 'x', 'b'],
      ['a', 'x', 'b', 'y'],
    ],
    [
      ['a', 'y', 'b'],
      ['x', 'a', 'y', 'b'],
    ],
    [
      ['x', 'a', 'y', 'b'],
      ['x', 'a', 'y', 'b'],
    ],
    [
      ['y', 'a', 'x', 'b'],
      ['x', 'y', 'a', 'b'],
    ],
  ])('%j among x, y gives %j', (incoming, expected) => expect(order(incoming)).toEqual(expected));
  it('what comes stands behind what a person made by hand, and before the next thing of the old course', () => {
    const source = oldCourse(
      ...['Welcome', 'Rivers', 'Lakes'].map((title, index) => item('page', title, { position: index + 1 })),
    );
    const shell = newShell(
      stock('page', 's1', { title: 'Welcome', position: 1 }),
      item('page', 'Mine', { position: 2, body: '<p>Mine</p>' }),
      stock('page', 's2', { title: 'Lakes', position: 3 }),
    );
    const order = preview(source, shell).items.toSorted((a, b) => a.position! - b.position!);
    expect(order.map(({ title }) => title)).toEqual(['Welcome', 'Mine', 'Rivers', 'Lakes']);
  });
});
