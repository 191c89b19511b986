import { describe, expect, it } from '@jest/globals';
import type { PreviewItem } from '../../src/plan/shapes/preview.js';
import { indexPlan, previewOn } from '../../src/plan/preview.js';
import type { WorkSets } from '../../src/schemas/choices.js';
import { asSnapshot, item, newShell, oldCourse } from '../builders.js';

const gradedIn = (to: string) => [{ type: 'gradedIn' as const, to }];
const source = asSnapshot(
  oldCourse(
    item('gradeCategory', 'quizzes', { details: { weight: 40 } }),
    item('gradeCategory', 'labs', { details: { weight: 60 } }),
    item('lineItem', 'q1-line', { title: 'Quiz 1', points: 20, links: gradedIn('quizzes') }),
    item('quiz', 'q1', { points: 20, links: gradedIn('q1-line'), details: { attempts: 2, minutesAllowed: 30 } }),
    item('assignment', 'a1', { points: 10, details: { ways: ['file'] } }),
    item('page', 'p1'),
  ),
);
const index = indexPlan({ source, shell: asSnapshot(newShell()), findings: [], lineage: [] });
function landed(sets: WorkSets, choices = {}): (id: string) => PreviewItem {
  const result = previewOn(index, { decisions: { choices, byHand: {}, settled: {}, sets }, policy: {} });
  if (!result.ok) throw new Error('The calendars are sound.');
  return (id) => result.value.items.find((each) => each.from === id)!;
}

describe('what is set for work in a plan', () => {
  it('lands in the place of what the source says; the rest stays', () => {
    const of = landed({ q1: { points: 25, attempts: 3 }, a1: { ways: ['file', 'paper'] } });
    expect(of('q1')).toMatchObject({ points: 25, details: { attempts: 3, minutesAllowed: 30 } });
    expect(of('a1')).toMatchObject({ points: 10, details: { ways: ['file', 'paper'] } });
  });
  it('is taken away by null', () => {
    const of = landed({ q1: { minutesAllowed: null, points: null } });
    expect(of('q1').points).toBeUndefined();
    expect(of('q1').details).toEqual({ attempts: 2 });
  });
  it('takes the gradebook line along: its points when they were the same, and its category', () => {
    const of = landed({ q1: { points: 25, category: 'labs' } });
    expect(of('q1-line')).toMatchObject({ points: 25, links: gradedIn('labs') });
    expect(of('q1').links).toEqual(gradedIn('q1-line'));
  });
  it('a category that does not come is no place for a line; it stays where it was', () => {
    const of = landed({ q1: { category: 'labs' } }, { items: { labs: 'leave' } });
    expect(of('q1-line').links).toEqual(gradedIn('quizzes'));
  });
  it('holds for work alone', () => {
    const of = landed({ p1: { points: 5, attempts: 1 } });
    expect(of('p1').points).toBeUndefined();
    expect(of('p1').details).toBeUndefined();
  });
  it('nothing set leaves everything as it is', () => {
    const [without, empty] = [landed({}), landed({ q1: {} })];
    for (const id of ['q1', 'q1-line', 'a1'])
      expect({ ...empty(id), details: empty(id).details ?? {} }).toEqual({
        ...without(id),
        details: without(id).details ?? {},
      });
  });
});
