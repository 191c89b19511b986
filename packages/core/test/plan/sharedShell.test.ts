import { describe, expect, it } from '@jest/globals';
import { datesOn, indexPlan, previewOn } from '../../src/plan/preview.js';
import { policyEffect } from '../../src/plan/policyEffect.js';
import { reviewPlan } from '../../src/plan/review.js';
import { suggestPlanPolicy } from '../../src/plan/dates/suggestPlanPolicy.js';
import { meetingsFor, retimeForSections, sectionsIn } from '../../src/plan/dates/sharedShell.js';
import type { Meeting } from '../../src/schemas/calendar.js';
import type { PlanPolicy } from '../../src/schemas/planPolicy.js';
import type { RetimeMoment } from '../../src/schemas/retimeJob.js';
import { asSnapshot, item, newShell, oldCourse } from '../builders.js';
import { aJob, SPRING_2026, SPRING_2027 } from '../terms.js';

const class_ = (weekday: number, section?: string): Meeting => ({
  weekday,
  start: '14:00',
  end: '15:15',
  ...(section === undefined ? {} : { for: section }),
});
/** Section A meets Tue Thu, section B Mon Wed; the old course met Mon Wed at 10. */
const SHARED = [class_(2, 'A'), class_(4, 'A'), class_(1, 'B'), class_(3, 'B')];
const destination = { calendar: SPRING_2027.calendar, meetings: SHARED };
const due = (id: string, at: string, people?: string): RetimeMoment => ({
  id,
  role: 'due',
  at,
  ...(people === undefined ? {} : { for: people }),
});
function moved(moments: RetimeMoment[], job: Parameters<typeof aJob>[1] = {}): string[] {
  const result = retimeForSections(aJob(moments, { destination, ...job }), []);
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value.map(({ id, to, section }) => `${id} ${to}${section === undefined ? '' : ` ${section}`}`);
}

describe('two sections that share a shell', () => {
  it('a date of everybody becomes one for each section on its own class days', () => {
    // Mon 2 Feb 2026 is week 4: Tuesday for A, Monday for B.
    expect(moved([due('q', '2026-02-02T23:59')])).toEqual(['q@A 2027-02-02T23:59 A', 'q@B 2027-02-01T23:59 B']);
  });
  it('the hour of class goes with the class of each', () => {
    expect(moved([due('q', '2026-02-04T10:00')])).toEqual(['q@A 2027-02-04T14:00 A', 'q@B 2027-02-03T14:00 B']);
  });
  it('where both come to the same date it stays one for everybody', () => {
    expect(moved([due('q', '2026-02-06T17:00')])).toEqual(['q 2027-02-05T17:00']);
  });
  it('a date of one section goes by that section; one of another group by no section’s', () => {
    expect(moved([due('a', '2026-02-02T23:59', 'A'), due('g', '2026-02-02T23:59', 'team 1')])).toEqual([
      'a 2027-02-02T23:59',
      'g 2027-02-02T23:59',
    ]);
  });
  it('set by hand for everybody it is everybody’s; set for one section it is that one’s', () => {
    const byHand = { q: '2027-02-08T12:00' };
    expect(moved([due('q', '2026-02-02T23:59')], { byHand })).toEqual(['q 2027-02-08T12:00']);
    expect(moved([due('q', '2026-02-02T23:59')], { byHand: { 'q@B': '2027-02-08T12:00' } })).toEqual([
      'q@A 2027-02-02T23:59 A',
      'q@B 2027-02-08T12:00 B',
    ]);
  });
  it('without a class-day map all keep their weekday', () => {
    expect(moved([due('q', '2026-02-02T23:59')], { policy: { rule: 'week' } })).toEqual(['q 2027-02-01T23:59']);
  });
  it('each section can have a class-day map of its own, also none', () => {
    const policy = { rule: 'week' as const, weekdays: { '1': 2 }, sections: { A: { '1': 4 }, B: {} } };
    expect(moved([due('q', '2026-02-02T23:59')], { policy })).toEqual([
      'q@A 2027-02-04T23:59 A',
      'q@B 2027-02-01T23:59 B',
    ]);
  });
  it('a shell of one section is dated as ever, and a date by hand of a section that is gone does no harm', () => {
    const job = { destination: SPRING_2027, byHand: { 'q@B': '2027-02-08T12:00' } };
    expect(moved([due('q', '2026-02-02T23:59')], job)).toEqual(['q 2027-02-02T23:59']);
  });
  it('an old course that two sections shared keeps them apart', () => {
    const source = {
      calendar: SPRING_2026.calendar,
      meetings: [class_(1, 'A'), class_(3, 'A'), class_(2, 'B'), class_(4, 'B')],
    };
    expect(moved([due('b', '2026-02-03T23:59', 'B')], { source })).toEqual(['b 2027-02-01T23:59']);
  });
  it('knows its sections, and the meetings of each with those of all', () => {
    const lecture = class_(5);
    expect(sectionsIn([...SHARED, lecture])).toEqual(['A', 'B']);
    expect(meetingsFor([...SHARED, lecture], 'A')).toEqual([SHARED[0], SHARED[1], lecture]);
    expect(meetingsFor([...SHARED, lecture], undefined)).toEqual([lecture]);
  });
});

const quiz = (id: string, at: string, people?: string) =>
  item('quiz', id, {
    moments: [{ id: `${id}-due`, role: 'due', at, ...(people === undefined ? {} : { for: people }) }],
  });
const NOTHING_DECIDED = { choices: {}, byHand: {}, settled: {} };
type Maps = NonNullable<PlanPolicy['sections']>;

/** An old course of these quizzes on the way into the shell of both sections. */
const ontoShared = (...quizzes: ReturnType<typeof quiz>[]) => onto(SHARED, ...quizzes);
function onto(meetings: readonly Meeting[], ...quizzes: ReturnType<typeof quiz>[]) {
  const source = { ...asSnapshot(oldCourse(...quizzes)), meetings: SPRING_2026.meetings! };
  return { source, shell: { ...asSnapshot(newShell()), meetings: [...meetings] }, findings: [], lineage: [] };
}

describe('what suits a shared shell', () => {
  it('is a map for the section that has other class days, and none where they stay', () => {
    const { source, shell, findings } = ontoShared(quiz('q', '2026-02-02T23:59'), quiz('r', '2026-02-04T23:59'));
    // Monday of week 4 is closed: q lands on Tuesday for B, and goes there for A, whose class met on Monday and meets on Tuesday.
    const closed = { from: '2027-02-01', to: '2027-02-01', label: 'Storm day', kind: 'holiday' as const };
    const calendar = { ...SPRING_2027.calendar, closures: [closed] };
    const suggestion = suggestPlanPolicy(source, { ...shell, calendar }, findings);
    if (!suggestion.ok) throw new Error(JSON.stringify(suggestion.problems));
    const { proposed, reason, others } = suggestion.value;
    expect(proposed.policy).toEqual({
      rule: 'week',
      weekdays: { '1': 2, '2': 3, '3': 4 },
      sections: { A: { '1': 2, '2': 3, '3': 4 }, B: {} },
    });
    expect(proposed.words).toBe('Same teaching week, A: Mon to Tue, Tue to Wed, Wed to Thu; B: same weekday');
    expect(reason).toMatch(/^The new term is 2 weeks longer, 17 instead of 15; weeks keep their number/);
    // Without a map only r of section A goes elsewhere, from Thursday to Wednesday.
    expect(others.map(({ words }) => words.split(',')[0])).toEqual([
      'Same teaching week',
      'Class by class',
      'Same share of the term',
    ]);
    expect(others[0]).toMatchObject({ words: 'Same teaching week, same weekday', doubts: 1, differs: 1 });
  });
});

describe('the doubts of a shared shell', () => {
  function reviewed(ground: ReturnType<typeof ontoShared>, sections: Maps) {
    const decided = { decisions: NOTHING_DECIDED, policy: { rule: 'week' as const, weekdays: { '3': 4 }, sections } };
    const preview = previewOn(indexPlan(ground), decided);
    if (!preview.ok) throw new Error(JSON.stringify(preview.problems));
    return reviewPlan({ ...ground, ...decided }, preview.value).causes;
  }
  /** A prep on the Wednesday, and a post on the Thursday afternoon after it. */
  const prep = quiz('prep', '2026-02-04T23:59');
  const post = quiz('post', '2026-02-05T17:00');
  const prepAndPost = ontoShared(prep, post);

  it('say whose they are, and are settled for that section alone', () => {
    // For A the prep goes to Thursday night, behind the post; for B both stay. The post is one date of both.
    const [cause, ...others] = reviewed(prepAndPost, { A: { '3': 4 }, B: {} });
    expect(others).toEqual([]);
    expect(cause!.sentence).toBe('Section A: prep and post: order changed, twice, first on Thu 4 Feb');
    expect(cause!.moments.map(({ id }) => id)).toEqual(['prep-due@A', 'post-due']);
    expect(cause!.settlements).toEqual([
      { name: 'oldDistance', words: 'As far behind as it was', dates: { 'post-due@A': '2027-02-05T17:00' } },
    ]);
  });
  it('about a date of everybody are those of each section that has them', () => {
    const ofThree = onto([...SHARED, class_(5, 'C')], prep, post);
    const causes = reviewed(ofThree, { A: { '3': 4 }, B: {}, C: { '3': 4 } });
    expect(causes.map(({ sentence, settlements }) => [sentence, settlements[0]!.dates])).toEqual([
      ['Section A: prep and post: order changed, twice, first on Thu 4 Feb', { 'post-due@A': '2027-02-05T17:00' }],
      ['Section C: prep and post: order changed, twice, first on Thu 4 Feb', { 'post-due@C': '2027-02-05T17:00' }],
    ]);
  });
  it('that all sections have are everybody’s, and one date for all settles them', () => {
    const [cause, ...others] = reviewed(prepAndPost, { A: { '3': 4 }, B: { '3': 4 } });
    expect(others).toEqual([]);
    expect(cause!.sentence).toBe('prep and post: order changed, twice, first on Thu 4 Feb');
    expect(cause!.settlements.map(({ dates }) => dates)).toEqual([{ 'post-due': '2027-02-05T17:00' }]);
  });
  it('of a closed day name the section that meets on it, or the group whose date it is', () => {
    const ground = ontoShared(quiz('prep', '2026-02-18T09:00'), quiz('talk', '2026-02-19T09:00', 'team 1'));
    expect(
      reviewed(ground, { A: { '3': 4 }, B: {} }).map(({ sentence, moments }) => [sentence, moments.length]),
    ).toEqual([['Thu 18 Feb is Charter Day now, twice', 2]]);
    const [ofSection] = reviewed(ontoShared(quiz('prep', '2026-02-18T09:00')), { A: { '3': 4 }, B: {} });
    expect(ofSection!.sentence).toBe('Section A: Thu 18 Feb is Charter Day now');
    const [ofTeam] = reviewed(ontoShared(quiz('talk', '2026-02-19T09:00', 'team 1')), { A: {}, B: {} });
    expect(ofTeam!.sentence).toBe('For team 1: Thu 18 Feb is Charter Day now');
  });
});

it('what another map would do counts each section by itself, where they part and where they agree', () => {
  const ground = ontoShared(
    quiz('prep 4', '2026-02-04T09:00'),
    quiz('post 4', '2026-02-05T23:59'),
    quiz('prep 6', '2026-02-18T09:00'),
  );
  const byMaps = (sections: Maps): PlanPolicy => ({ rule: 'week', weekdays: {}, sections });
  const others: Maps[] = [{}, { A: { '3': 4 }, B: {} }, { A: { '3': 4 }, B: { '3': 4 } }];
  const decided = { decisions: NOTHING_DECIDED, policy: byMaps({ A: { '3': 4 }, B: {} }) };
  const index = indexPlan(ground);
  const now = datesOn(index, decided);
  if (!now.ok) throw new Error(JSON.stringify(now.problems));
  const effects = others.map((sections) =>
    policyEffect(index, decided, now.value, ground.source.course.id, byMaps(sections)),
  );
  // Now both preps are two dates each, the post is one. Without maps both preps of A go elsewhere.
  expect(effects.map((effect) => effect.ok && effect.value.differs)).toEqual([2, 0, 2]);
});

it('in a plan they land as dates of their sections, with ids of their own', () => {
  const source = asSnapshot(
    oldCourse(
      item('quiz', 'q', {
        moments: [
          { id: 'q-opens', role: 'opens', at: '2026-02-06T08:00' },
          { id: 'q-due', role: 'due', at: '2026-02-09T23:59' },
        ],
      }),
    ),
  );
  const shell = { ...asSnapshot(newShell()), meetings: SHARED };
  const index = indexPlan({ source: { ...source, meetings: SPRING_2026.meetings! }, shell, findings: [], lineage: [] });
  const preview = previewOn(index, {
    decisions: { choices: {}, byHand: {}, settled: {} },
    policy: { rule: 'week', weekdays: { '1': 2, '3': 4 } },
  });
  if (!preview.ok) throw new Error(JSON.stringify(preview.problems));
  expect(preview.value.items.find(({ from }) => from === 'q')!.moments).toEqual([
    { id: 'q-opens', role: 'opens', at: '2027-02-05T08:00' },
    { id: 'q-due@A', role: 'due', at: '2027-02-09T23:59', for: 'A' },
    { id: 'q-due@B', role: 'due', at: '2027-02-08T23:59', for: 'B' },
  ]);
  expect(preview.value.dates.map(({ id, moment, for: section }) => [id, moment, section])).toEqual([
    ['q-opens', undefined, undefined],
    ['q-due@A', 'q-due', 'A'],
    ['q-due@B', 'q-due', 'B'],
  ]);
});
