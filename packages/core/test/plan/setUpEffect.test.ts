import { describe, expect, it } from '@jest/globals';
import { decisionsOfSetUp } from '../../src/plan/decisionsAtFirst.js';
import { previewPlan } from '../../src/plan/preview.js';
import { categoriesOf, setUpEffect } from '../../src/plan/setUpEffect.js';
import type { Item } from '../../src/schemas/course.js';
import { asSnapshot, item, newShell, oldCourse, stock } from '../builders.js';

const category = (id: string, weight: number): Item => item('gradeCategory', id, { details: { weight } });
const line = (id: string, inCategory: string, points: number): Item =>
  item('lineItem', id, { points, links: [{ type: 'gradedIn', to: inCategory }] });
const OLD = [
  category('Labs', 60),
  category('Quizzes', 40),
  line('Lab 1 line', 'Labs', 20),
  line('Quiz 1 line', 'Quizzes', 10),
  item('scoreScale', 'Letters'),
  item('outcome', 'Reads rivers'),
  item('rubric', 'Lab report', { links: [{ type: 'aligned', to: 'Reads rivers' }] }),
  item('quiz', 'Quiz 1', { points: 10, links: [{ type: 'gradedIn', to: 'Quiz 1 line' }] }),
  item('page', 'Welcome'),
];

function effectIn(...held: Item[]) {
  const shell = asSnapshot(newShell(...held));
  const preview = previewPlan({
    source: asSnapshot(oldCourse(...OLD)),
    shell,
    findings: [],
    lineage: [],
    policy: {},
    decisions: decisionsOfSetUp(),
  });
  if (!preview.ok) throw new Error(preview.problems[0]!.message);
  return { ...setUpEffect(shell.items, preview.value), items: preview.value.items.map(({ title }) => title) };
}

describe('the gradebook set-up by itself', () => {
  it('brings categories, lines, scale and rubrics with their outcomes, and no work', () => {
    const { items, holds, after, added } = effectIn();
    expect([...items].sort()).toEqual([
      ...['Lab 1 line', 'Lab report', 'Labs', 'Letters', 'Quiz 1 line', 'Quizzes', 'Reads rivers'],
    ]);
    expect(holds).toEqual({ categories: 0, lines: 0, rubrics: 0, hasScale: false, weights: null });
    expect(after).toEqual({ categories: 2, lines: 2, rubrics: 1, hasScale: true, weights: 100 });
    expect(added).toHaveLength(6);
  });
  it('fills what is stock, and leaves what somebody wrote as it is', () => {
    const { changed, unlike, after } = effectIn(stock('gradeCategory', 'x', { title: 'Labs' }), {
      ...category('y', 50),
      title: 'Quizzes',
    });
    expect([changed, unlike]).toEqual([['Labs'], ['Quizzes']]);
    expect(after.weights).toBe(60 + 50);
  });
  it('says what the weights would come to where the course has categories of its own', () => {
    expect(effectIn(category('Essays', 100)).after.weights).toBe(200);
  });
  it('doubles nothing that is there alike', () => {
    const { added, same } = effectIn(...OLD);
    expect([added, same]).toEqual([[], 6]);
  });
  it('counts the lines of each category', () => {
    expect(categoriesOf(asSnapshot(oldCourse(...OLD)).items)).toEqual([
      { title: 'Labs', weight: 60, lines: 1 },
      { title: 'Quizzes', weight: 40, lines: 1 },
    ]);
  });
});
