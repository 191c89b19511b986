import type { Item } from '../../src/schemas/course.js';
import { item, newShell, oldCourse, stock, unit } from '../builders.js';
import type { LabelledCourse } from './labelled.js';

const text = (words: string): string => `<p>${words}</p>`;
const titled = (kind: Item['kind'], id: string, title: string): Item => item(kind, id, { title, body: text(id) });

const DOUBLES: LabelledCourse = {
  name: 'doubles',
  source: oldCourse(
    titled('assignment', 'essay', 'Essay'),
    titled('assignment', 'essay-2', 'Essay (2)'),
    titled('page', 'map', 'Reading a map'),
    titled('page', 'map-copy', 'Reading a map copy'),
    titled('page', 'copy-map', 'Copy of Reading a map'),
    titled('page', 'map-brackets', 'Reading a map (copy)'),
    titled('quiz', 'q1', 'Quiz 1'),
    titled('quiz', 'q2', 'Quiz 2'),
    titled('quiz', 'q2-1', 'Quiz 2-1'),
    titled('file', 'photo', 'reach.png'),
    titled('file', 'photo-2', 'reach (2).png'),
    titled('file', 'photo-copy', 'reach copy.png'),
    // Marks without the plain title are none, nor is another kind.
    titled('page', 'lone', 'Lake (2)'),
    titled('page', 'lone-3', 'Lake (3)'),
    titled('discussion', 'essay-talk', 'Essay (copy)'),
    // Equal titles without a mark are none.
    titled('page', 'notes-a', 'Notes'),
    titled('page', 'notes-b', 'Notes'),
    titled('page', 'hard-copy', 'Bring a hard copy'),
    titled('page', 'ten', 'Lake (12)'),
    titled('page', 'week', 'Week 1'),
    titled('page', 'week-first', 'Week 1, first half'),
    // The same content twice.
    item('page', 'same-a', { title: 'Field code', body: text('Nobody enters alone') }),
    item('page', 'same-b', { title: 'Field code', body: text('Nobody enters alone') }),
    item('weblink', 'w-a', { title: 'Gauge', details: { url: 'https://gauge.example/a' } }),
    item('weblink', 'w-b', { title: 'Gauge', details: { url: 'https://gauge.example/b' } }),
    // The copy is the one that is used.
    titled('questionBank', 'bank', 'Streams'),
    titled('questionBank', 'bank-copy', 'Streams (copy)'),
    item('quiz', 'uses', { body: text('uses'), links: [{ type: 'draws', to: 'bank-copy' }] }),
    ...unit('u1', item('label', 'l1', { title: 'Read first' })),
    ...unit('u2', item('label', 'l2', { title: 'Read first' })),
  ),
  shell: newShell(),
  expected: {
    double: ['essay-2', 'map-copy', 'copy-map', 'map-brackets', 'q2-1', 'photo-2', 'photo-copy', 'same-b', 'bank'],
  },
};

const moment = (id: string, role: 'due' | 'posts' | 'opens', at: string): Item['moments'] => [{ id, role, at }];
const graded = (to: string): Item['links'] => [{ type: 'gradedIn', to }];

const MIXED: LabelledCourse = {
  name: 'everything else',
  source: oldCourse(
    item('gradeCategory', 'labs', { details: { weight: 40 } }),
    item('gradeCategory', 'extras', { details: { weight: 0 } }),
    item('lineItem', 'line', { points: 20, links: graded('labs') }),
    item('lineItem', 'line-0', { links: graded('labs') }),
    item('lineItem', 'line-x', { links: graded('extras') }),
    // noPoints
    item('assignment', 'none', { body: text('1'), links: graded('line-0') }),
    item('quiz', 'zero', { body: text('2'), points: 0, links: graded('line') }),
    item('discussion', 'direct', { body: text('3'), links: graded('labs') }),
    item('assignment', 'pointed', { body: text('4'), points: 10, links: graded('line') }),
    item('assignment', 'weightless', { body: text('5'), points: 0, links: graded('line-x') }),
    item('assignment', 'ungraded', { body: text('6') }),
    item('survey', 'no-work', { body: text('7'), links: graded('line') }),
    // otherTerm: more than 60 days outside 12 Jan to 8 May 2026
    item('task', 'very-old', { moments: moment('m1', 'due', '2025-11-12T12:00') }),
    item('task', 'sixty', { moments: moment('m2', 'due', '2025-11-13T12:00') }),
    item('task', 'sixty-after', { moments: moment('m3', 'due', '2026-07-07T12:00') }),
    item('task', 'later', { moments: moment('m4', 'due', '2026-07-08T12:00') }),
    item('page', 'next-year', { body: text('8'), moments: moment('m5', 'opens', '2027-01-11T08:00') }),
    // hiddenAllTerm
    item('page', 'hidden', { body: text('9'), state: 'hidden' }),
    item('page', 'shown-once', { body: text('10'), state: 'hidden', everOpen: true }),
    item('page', 'hidden-at-once', { body: text('11'), state: 'hidden', stateBefore: 'open' }),
    item('page', 'hidden-before', { body: text('12'), state: 'hidden', stateBefore: 'hidden' }),
    item('page', 'draft', { body: text('13'), state: 'draft' }),
    // unused
    item('file', 'used.png'),
    item('file', 'listed.png'),
    item('file', 'by-path.png'),
    item('file', 'in-section.png'),
    item('file', 'loose.png'),
    item('file', 'only-named.png'),
    item('questionBank', 'drawn', { body: text('14') }),
    item('questionBank', 'undrawn', { body: text('15') }),
    item('rubric', 'scoring', { body: text('16') }),
    item('rubric', 'scoreless', { body: text('17') }),
    item('outcome', 'aimed', { body: text('18') }),
    item('outcome', 'aimless', { body: text('19') }),
    item('groups', 'crews'),
    item('groups', 'old-crews'),
    item('page', 'unlinked-page', { body: text('20') }),
    item('page', 'embedding', {
      body: '<img src="item:used.png"><p>See <a href="/courses/old/items/by-path.png">it</a>, or only-named.png.</p>',
      links: [{ type: 'embeds', to: 'listed.png' }],
    }),
    item('syllabus', 'outline', {
      details: { sections: [{ title: 'About', body: '<p><img src="item:in-section.png"></p>' }] },
    }),
    item('quiz', 'drawing', { body: text('21'), points: 5, links: [{ type: 'draws', to: 'drawn' }] }),
    item('assignment', 'team', {
      body: text('22'),
      links: [
        { type: 'teams', to: 'crews' },
        { type: 'scored', to: 'scoring' },
        { type: 'aligned', to: 'aimed' },
      ],
    }),
    // emptyUnit
    item('unit', 'empty'),
    item('unit', 'markup-only', { body: '<p> </p>' }),
    item('unit', 'outer'),
    item('unit', 'inner', { parent: 'outer' }),
    item('unit', 'pictured', { body: '<p><img src="https://films.example/x.png"></p>' }),
    item('unit', 'quoting', { body: '<blockquote>Water.</blockquote>' }),
    item('unit', 'full'),
    item('page', 'inside', { parent: 'full', body: text('23') }),
    item('unit', 'holds-empty'),
    item('unit', 'within', { parent: 'holds-empty' }),
    item('label', 'line-of-text', { parent: 'holds-empty' }),
    // heldOutside and originalityCheck
    item('toolLink', 'outside', { details: { service: 'drill.example', outsideCourseId: 'kx-2041' } }),
    item('toolLink', 'free', { details: { service: 'maps.example' } }),
    item('assignment', 'drill', { body: text('24'), links: [{ type: 'launches', to: 'outside' }] }),
    item('quiz', 'map-quiz', { body: text('25'), links: [{ type: 'launches', to: 'free' }] }),
    item('page', 'mentions', { body: text('26'), links: [{ type: 'links', to: 'outside' }] }),
    item('assignment', 'checked', { body: text('27'), details: { originalityCheck: true } }),
    item('assignment', 'unchecked', { body: text('28'), details: { originalityCheck: false } }),
    // olderCourseLink
    item('page', 'older-listed', { body: text('29'), links: [{ type: 'links', to: 'x', course: 'eco214-s25-01' }] }),
    item('page', 'older-path', { body: '<a href="/courses/eco214-s25-01/items/x">last year’s</a>' }),
    item('page', 'own-path', { body: '<a href="/courses/old/items/draft">the draft</a>' }),
    item('page', 'new-path', { body: '<a href="/courses/new/items/y">the new one</a>' }),
    item('page', 'elsewhere', { body: '<a href="https://rivers.example/courses/rowing">a rowing course</a>' }),
    // stockThing
    item('page', 'library', { title: 'Library desk hours', body: text('Weekdays 8 to 20.') }),
    item('page', 'mine', { title: 'House rules', body: text('Old rules.') }),
    item('page', 'bare', { title: 'To be written', body: text('Written since.') }),
    item('discussion', 'library-talk', { title: 'Library desk hours', body: text('30') }),
  ),
  shell: newShell(
    stock('page', 's1', { title: 'library desk-hours', body: text('Weekdays 9 to 21.') }),
    item('page', 's2', { title: 'House rules', body: text('My rules.') }),
    item('page', 's3', { title: 'To be written' }),
  ),
  expected: {
    noPoints: ['none', 'zero', 'direct'],
    otherTerm: ['very-old', 'later', 'next-year'],
    hiddenAllTerm: ['hidden', 'hidden-before'],
    unused: ['loose.png', 'only-named.png', 'undrawn', 'scoreless', 'aimless', 'old-crews'],
    emptyUnit: ['empty', 'markup-only', 'outer', 'inner', 'within'],
    heldOutside: ['outside', 'drill'],
    originalityCheck: ['checked'],
    olderCourseLink: ['older-listed', 'older-path'],
    stockThing: ['library', 'bare'],
    lastTermsSyllabus: [],
  },
};

const syllabusCase = (name: string, inShell: Item, found: boolean): LabelledCourse => ({
  name: `syllabus: ${name}`,
  source: oldCourse(item('syllabus', 'old-outline', { title: 'Course outline', body: text('Spring 2026') })),
  shell: newShell(inShell),
  expected: { lastTermsSyllabus: found ? ['old-outline'] : [], ...(found ? { stockThing: [] } : {}) },
});
const section = (body: string, locked: boolean): Item['details'] => ({ sections: [{ title: 'S', body, locked }] });

export const STRUCTURE: readonly LabelledCourse[] = [
  DOUBLES,
  MIXED,
  syllabusCase('the shell has one, written', item('syllabus', 'n', { body: text('Spring 2027') }), true),
  syllabusCase(
    'the shell’s has next year’s dates already',
    item('syllabus', 'n', { title: 'Course outline', body: text('Jan 11, 2027') }),
    true,
  ),
  syllabusCase('an open section is written', item('syllabus', 'n', { details: section('<p>Mine</p>', false) }), true),
  syllabusCase(
    'only a locked section is written',
    stock('syllabus', 'n', { details: section('<p>Ours</p>', true) }),
    false,
  ),
  syllabusCase('an open section without words', item('syllabus', 'n', { details: section('<p> </p>', false) }), false),
  syllabusCase('the shell has none', item('page', 'n', { body: text('x') }), false),
];
