import { describe, expect, it } from '@jest/globals';
import { previewPlan } from '../../src/plan/preview.js';
import { reviewPlan } from '../../src/plan/review.js';
import type { Choices } from '../../src/schemas/choices.js';
import type { Item } from '../../src/schemas/course.js';
import type { LineageEntry } from '../../src/plan/shapes/matches.js';
import { asSnapshot, item, newShell, oldCourse, stock } from '../builders.js';

const category = (id: string, weight: number): Item => item('gradeCategory', id, { details: { weight } });
const LAB = [
  category('Labs', 40),
  item('lineItem', 'Lab 4 line', { points: 20, links: [{ type: 'gradedIn', to: 'Labs' }] }),
  item('assignment', 'Lab 4', { points: 20, links: [{ type: 'gradedIn', to: 'Lab 4 line' }] }),
];

function planInto(
  source: Item[],
  shell: Item[],
  { choices = {}, begun = [], lineage = [] }: { choices?: Choices; begun?: string[]; lineage?: LineageEntry[] } = {},
) {
  const standing = asSnapshot(newShell(...shell));
  const input = {
    source: asSnapshot(oldCourse(...source)),
    shell: {
      ...standing,
      items: standing.items.map((each) => (begun.includes(each.id) ? { ...each, begun: true as const } : each)),
    },
    findings: [],
    lineage,
    policy: {},
    decisions: { choices, byHand: {}, settled: {} },
  };
  const result = previewPlan(input);
  if (!result.ok) throw new Error(result.problems[0]!.message);
  return { ...result.value, ...reviewPlan(input, result.value) };
}

describe('a few things into a running course', () => {
  const ONE: Choices = { all: 'leave', items: { 'Lab 4': 'bring' } };
  const weights = ({ items }: ReturnType<typeof planInto>) =>
    items.filter(({ kind }) => kind === 'gradeCategory').map(({ title, details }) => [title, details?.weight]);

  it('a category that comes with one piece of work leaves its weight behind, and that is said', () => {
    const plan = planInto(LAB, [category('Essays', 100)], { choices: ONE });
    expect(weights(plan)).toEqual([
      ['Labs', undefined],
      ['Essays', 100],
    ]);
    const codes = plan.looseEnds.map(({ code }) => code);
    expect(codes).toContain('weightLeft');
    expect(codes).not.toContain('weights');
    expect(plan.looseEnds.find(({ code }) => code === 'weightLeft')!.sentence).toBe('“Labs” comes without its 40 %');
  });
  it('one of the course’s own takes the work instead', () => {
    const plan = planInto(LAB, [category('Essays', 100)], {
      choices: { ...ONE, equivalents: { Labs: 'Essays' } },
    });
    expect(weights(plan)).toEqual([['Essays', 100]]);
    expect(plan.items.find(({ id }) => id === 'Lab 4 line')!.links).toEqual([{ type: 'gradedIn', to: 'Essays' }]);
    expect(plan.looseEnds.map(({ code }) => code)).not.toContain('weightLeft');
  });
  it('a category of the same name takes the work by itself, with the weight that it has', () => {
    expect(weights(planInto(LAB, [{ ...category('own', 100), title: 'labs' }], { choices: ONE }))).toEqual([
      ['labs', 100],
    ]);
  });
  it('keeps its weight where the course’s own go out with the run', () => {
    const choices: Choices = { ...ONE, takeOut: { Essays: true } };
    const plan = planInto(LAB, [category('Essays', 100)], { choices });
    expect(weights(plan)).toEqual([['Labs', 40]]);
    expect(plan.looseEnds.map(({ code }) => code)).not.toContain('weightLeft');
  });
  it('keeps its weight where the course has none of its own, where it was chosen itself, and where all comes', () => {
    expect(weights(planInto(LAB, [], { choices: ONE }))).toEqual([['Labs', 40]]);
    const chosen: Choices = { all: 'leave', items: { Labs: 'bring' } };
    expect(weights(planInto(LAB, [category('Essays', 100)], { choices: chosen }))[0]).toEqual(['Labs', 40]);
    expect(weights(planInto(LAB, [category('Essays', 100)]))[0]).toEqual(['Labs', 40]);
  });
  it('what learners have begun is not written over, be it stock or brought before', () => {
    const talk = item('discussion', 'Talk', { body: '<p>New words</p>' });
    const there = stock('discussion', 'Talk there', { title: 'Talk' });
    expect(planInto([talk], [there]).lines[0]!.verb).toBe('join');
    const kept = planInto([talk], [there], { begun: ['Talk there'] });
    expect(kept.lines[0]).toMatchObject({ verb: 'keep', to: 'Talk there', begun: true });
    expect(kept.toWrite).toBe(0);

    const brought = item('discussion', 'Talk', { body: '<p>Old words</p>' });
    const landed = asSnapshot(newShell(brought)).items[0]!.contentHash;
    const lineage = [{ item: 'Talk', sourceCourse: 'old', sourceItem: 'Talk', sourceHash: landed, landedHash: landed }];
    expect(planInto([talk], [brought], { lineage }).lines[0]!.verb).toBe('update');
    expect(planInto([talk], [brought], { lineage, begun: ['Talk'] }).lines[0]).toMatchObject({
      ...{ verb: 'keep', begun: true },
    });
  });
  it('nor is it taken out, with the unit that it stands in', () => {
    const own = [item('unit', 'Own unit'), item('quiz', 'Own quiz', { parent: 'Own unit' })];
    const takeOut = { 'Own unit': true, 'Own quiz': true };
    const out = (begun: string[]) =>
      planInto([], own, { choices: { takeOut }, begun }).lines.filter(({ takenOut }) => takenOut === true).length;
    expect([out([]), out(['Own quiz'])]).toEqual([2, 0]);
  });
});
