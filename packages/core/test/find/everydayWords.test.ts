import { describe, expect, it } from '@jest/globals';
import { actsMeant, kindsMeant } from '../../src/find/everydayWords.js';

describe('everyday words', () => {
  it.each([
    ['copy', ['bring']],
    ['import', ['bring']],
    ['publish', ['publish']],
    ['due dates', ['dates']],
    ['due dat', ['dates']],
    ['Export', ['sendOn']],
    ['undo', ['takeBack']],
    ['students', ['people']],
    ['student', ['people']],
    ['weights', ['gradebook']],
    ['holiday', ['calendars']],
  ])('“%s” means an act', (typed, acts) => expect(actsMeant(typed)).toEqual(acts));
  it.each([
    ['announcements', ['announcement']],
    ['syllabus', ['syllabus']],
    ['module', ['unit']],
    ['modules', ['unit']],
    ['exam', ['quiz']],
    ['forum', ['discussion']],
    ['question bank', ['questionBank']],
  ])('“%s” means a kind', (typed, kinds) => expect(kindsMeant(typed)).toEqual(kinds));
  it.each(['', 'co', 'eco 214', 'due ecology', 'freshwater', 'date date date'])('“%s” means none', (typed) => {
    expect(actsMeant(typed)).toEqual([]);
    expect(kindsMeant(typed)).toEqual([]);
  });
});
