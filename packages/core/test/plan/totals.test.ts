import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { findFindings } from '../../src/choose/findings/findFindings.js';
import { countsOfRun, operationsOfRun } from '../../src/journal/operationsOfRun.js';
import { previewPlan } from '../../src/plan/preview.js';
import type { PlanInput, Preview } from '../../src/plan/shapes/preview.js';
import type { LineageEntry } from '../../src/plan/shapes/matches.js';
import { dateTotalsOf, fateOf } from '../../src/plan/totals.js';
import type { Snapshot } from '../../src/course/snapshot.js';
import type { Choices, Decisions } from '../../src/schemas/choices.js';
import { afterRun, asSnapshot, due, item, newShell, oldCourse, stock, unit } from '../builders.js';

/** Things of every fate: added, joined, kept in place, left by findings, standing there by name and by content. */
const SOURCE = oldCourse(
  ...unit(
    'u1',
    item('page', 'p1', { body: '<p>One</p>' }),
    item('quiz', 'q1', { points: 10, moments: due('q1', '2026-02-09T10:00') }),
  ),
  ...unit(
    'u2',
    item('page', 'p2', { body: '<p>Two</p>' }),
    item('page', 'mine', { title: 'Mine', body: '<p>Old</p>' }),
  ),
  item('page', 'copy', { title: 'p1 (2)', body: '<p>One</p>' }),
  item('syllabus', 'syl', { title: 'Outline', body: '<p>Weeks</p>' }),
  item('toolLink', 't', {
    details: { service: 'drill.example', outsideCourseId: 'Drill 7', launch: 'https://drill.example/l' },
  }),
  item('assignment', 'drill', {
    points: 20,
    links: [{ type: 'launches', to: 't' }],
    moments: due('drill', '2026-03-04T10:00'),
  }),
  item('announcement', 'snow', { body: '<p>No class tomorrow.</p>' }),
);
const SHELL = newShell(
  stock('page', 's1', { title: 'p2' }),
  stock('syllabus', 's2', { title: 'Outline', body: '<p>To come</p>' }),
  item('page', 'hers', { title: 'Mine', body: '<p>New</p>' }),
  item('page', 'own', { title: 'Only here' }),
  item('page', 'own2', { title: 'Here too' }),
);
const IDS = SOURCE.items.map(({ id }) => id);

const inputOf = (decisions: Partial<Decisions>, shell: Snapshot, lineage: LineageEntry[]): PlanInput => ({
  source: asSnapshot(SOURCE),
  shell,
  findings: findFindings(SOURCE, SHELL),
  decisions: { choices: {}, byHand: {}, settled: {}, ...decisions },
  policy: {},
  lineage,
});
function worked(input: PlanInput): Preview {
  const result = previewPlan(input);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
}
const sum = (numbers: readonly number[]): number => numbers.reduce((all, each) => all + each, 0);

const decided = fc.record({
  choices: fc.record({
    all: fc.constantFrom('bring' as const, 'leave' as const),
    items: fc.dictionary(fc.constantFrom(...IDS), fc.constantFrom('bring' as const, 'leave' as const)),
    places: fc.dictionary(fc.constantFrom('drill'), fc.constant(false as const)),
    takeOut: fc.dictionary(fc.constantFrom('own', 'own2', 's1', 'hers'), fc.constant(true as const)),
    equivalents: fc.dictionary(fc.constantFrom('p1', 'copy'), fc.constantFrom('own', 'hers')),
  }),
  answers: fc.constantFrom<Decisions['answers']>(undefined, {
    mine: { title: 'shell', body: 'source', points: 'shell', dates: 'shell', details: 'shell' },
  }),
}) as fc.Arbitrary<Partial<Decisions> & { choices: Choices }>;

function agree(input: PlanInput, preview: Preview): void {
  const { totals, counts, lines, items, toWrite, dates } = preview;
  const { of, comes, stands, stays, places, changed, takenOut, holds } = totals;
  const kinds = Object.values(counts);
  // What, its headings and its rows.
  expect(of).toBe(IDS.length);
  expect(comes + stands + stays).toBe(of);
  expect(sum(kinds.map(({ source }) => source))).toBe(of);
  expect(sum(kinds.map((each) => each.comes))).toBe(comes);
  expect(sum(kinds.map((each) => each.stands))).toBe(stands);
  expect(lines.slice(0, of).filter((line) => fateOf(line) === 'stays')).toHaveLength(stays);
  // Bring, and the course as it will be.
  expect(toWrite).toBe(comes + takenOut);
  expect(items).toHaveLength(holds);
  expect(items.filter(({ isWritten }) => isWritten)).toHaveLength(comes);
  expect(items.filter(({ isPlace }) => isPlace)).toHaveLength(places);
  // The run, its record and its counts.
  const operations = operationsOfRun(input, preview);
  const counted = countsOfRun(input, preview, operations);
  expect(counted.things).toBe(comes);
  expect(counted).toMatchObject({ changed, places, takenOut, left: stays });
  expect(sum(Object.values(counted.byKind).map(({ brought }) => brought))).toBe(comes);
  expect(sum(Object.values(counted.byKind).map(({ stood = 0 }) => stood))).toBe(stands);
  const { move, cleared, kept } = dateTotalsOf(dates);
  expect(move + cleared + kept).toBe(dates.length);
  expect(counted.dates).toBe(move);
}

describe('the numbers of a plan', () => {
  it('agree wherever they are told, whatever is decided, and again after the run', () => {
    fc.assert(
      fc.property(decided, decided, (first, second) => {
        const input = inputOf(first, asSnapshot(SHELL), []);
        const preview = worked(input);
        agree(input, preview);
        const { snapshot, lineage } = afterRun(SOURCE, SHELL, preview);
        expect(snapshot.items).toHaveLength(preview.totals.holds);
        const again = inputOf(second, snapshot, lineage);
        agree(again, worked(again));
        const same = inputOf({ ...first, choices: { ...first.choices, takeOut: {} } }, snapshot, lineage);
        expect(worked(same).totals.comes).toBe(0);
      }),
    );
  });

  it('tell each thing once: a place comes, what stands there is not brought', () => {
    // Two units, a page, a quiz, p2 into the stock page and the place of the drill come; the page of the same name stands
    // there; a copy, the syllabus, the tool link and the snow day stay; the shell keeps its syllabus and two pages.
    expect(worked(inputOf({}, asSnapshot(SHELL), [])).totals).toEqual({
      ...{ of: 11, comes: 6, stands: 1, stays: 4 },
      ...{ places: 1, changed: 1, own: 3, takenOut: 0, holds: 10 },
    });
  });

  it('count a date that is taken away as none that moves', () => {
    const dates = [
      { to: '2027-01-12T10:00', rule: 'week' },
      { to: null, rule: 'clear' },
      { to: '2026-01-12T10:00', rule: 'keep' },
      { to: '2027-01-13T10:00', rule: 'byHand' },
    ] as const;
    expect(dateTotalsOf(dates)).toEqual({ move: 2, cleared: 1, kept: 1 });
  });
});
