import { describe, expect, it } from '@jest/globals';
import { compareCourses } from '../../src/course/compareCourses.js';
import type { Item } from '../../src/schemas/course.js';
import { asSnapshot, due, item, newShell, oldCourse, unit } from '../builders.js';

const compared = (left: Item[], right: Item[]) =>
  compareCourses(asSnapshot(oldCourse(...left)).items, asSnapshot(newShell(...right)).items).map((row) => [
    row.left?.title ?? '',
    row.right?.title ?? '',
    row.differs.join(' '),
  ]);

describe('two courses beside each other', () => {
  it('says of each thing whether both have it, and in what it differs', () => {
    const left = unit('Rivers', item('page', 'Banks', { body: '<p>Old</p>' }), item('quiz', 'Quiz 1', { points: 10 }));
    const right = unit('Rivers', item('page', 'Banks', { body: '<p>New</p>' }), item('quiz', 'Quiz 1', { points: 10 }));
    expect(compared(left, right)).toEqual([
      ['Rivers', 'Rivers', ''],
      ['Banks', 'Banks', 'text'],
      ['Quiz 1', 'Quiz 1', ''],
    ]);
  });
  it('dates of two terms are no difference; points, settings and state are', () => {
    const left = item('quiz', 'q', { moments: due('q', '2026-02-11T23:59'), points: 10, details: { attempts: 1 } });
    const right = item('quiz', 'q', {
      ...{ moments: due('q', '2027-02-10T23:59'), points: 20, details: { attempts: 2 }, state: 'draft' },
    });
    expect(compared([left], [{ ...left, moments: due('q', '2027-02-10T23:59') }])).toEqual([['q', 'q', '']]);
    expect(compared([left], [right])).toEqual([['q', 'q', 'points settings state']]);
  });
  it('a thing that was renamed answers by its key, another by its title', () => {
    const left = [item('page', 'a', { title: 'Gear' }), item('page', 'b', { title: 'Safety!', body: '<p>1</p>' })];
    const right = [item('page', 'a', { title: 'Equipment' }), item('page', 'c', { title: 'safety', body: '<p>2</p>' })];
    expect(compared(left, right)).toEqual([
      ['Gear', 'Equipment', 'title'],
      ['Safety!', 'safety', 'title text'],
    ]);
  });
  it('what only the right one has stands behind what it follows there, what only the left one has in its place', () => {
    const page = (id: string): Item => item('page', id);
    expect(
      compared(unit('U', page('1'), page('2'), page('4')), unit('U', page('0'), page('1'), page('3'), page('4'))),
    ).toEqual([
      ['U', 'U', ''],
      ['', '0', ''],
      ['1', '1', ''],
      ['', '3', ''],
      ['2', '', ''],
      ['4', '4', ''],
    ]);
  });
  it('an empty course has nothing beside the other’s things', () => {
    expect(compared([], [item('page', 'p')])).toEqual([['', 'p', '']]);
    expect(compared([item('page', 'p')], [])).toEqual([['p', '', '']]);
  });
});
