import { describe, expect, it } from '@jest/globals';
import { planCourses } from '../../src/plan/headless/planCourses.js';
import { linksToLeft } from '../../src/plan/linksToLeft.js';
import { previewPlan } from '../../src/plan/preview.js';
import type { Choices } from '../../src/schemas/choices.js';
import { asSnapshot, item, newShell, oldCourse } from '../builders.js';

const OLD = oldCourse(
  item('page', 'p', {
    title: 'How to start',
    body: '<p>Read <a href="item:w">this</a> and <a href="item:g">that</a>.</p>',
  }),
  item('page', 'r', { title: 'Rivers', body: '<p><a href="item:w">Welcome</a> <img src="item:f"></p>' }),
  item('page', 'w', { title: 'Welcome' }),
  item('page', 'g', { title: 'Gear' }),
  item('file', 'f', { title: 'map.png', details: { hash: 'sha256:1', bytes: 1, mediaType: 'image/png' } }),
);
const SHELL = newShell(item('page', 's', { title: 'Start here' }));
const LEFT = { w: 'leave', g: 'leave' } as const;

function planned(choices: Choices) {
  const input = {
    source: asSnapshot(OLD),
    shell: asSnapshot(SHELL),
    findings: [],
    lineage: [],
    policy: {},
    decisions: { choices, byHand: {}, settled: {} },
  };
  const preview = previewPlan(input);
  if (!preview.ok) throw new Error(preview.problems[0]!.message);
  return linksToLeft(input, preview.value);
}
function printed(choices: Choices) {
  const result = planCourses({ sources: [OLD], destination: SHELL, choices });
  if (!result.ok) throw new Error(result.problems[0]!.message);
  const { course, looseEnds } = result.value;
  return {
    bodyOf: (title: string) => course.items.find((each) => each.title === title)?.body,
    ends: looseEnds.map(({ code }) => code),
  };
}

describe('links to what stays', () => {
  it('are told by what they lead to, the one with the most links first', () => {
    expect(planned({ items: LEFT })).toEqual([
      { target: 'w', from: ['p', 'r'], isOnlyLed: true },
      { target: 'g', from: ['p'], isOnlyLed: true },
    ]);
    expect(planned({})).toEqual([]);
  });
  it('are settled by bringing it, by something of the shell, or by plain words', () => {
    expect(planned({ items: { g: 'leave' } }).map(({ target }) => target)).toEqual(['g']);
    expect(planned({ items: LEFT, equivalents: { w: 's' } }).map(({ target }) => target)).toEqual(['g']);
    expect(planned({ items: LEFT, plainWords: { w: true, g: true } })).toEqual([]);
  });
  it('plain words name what it led to, and nothing is left over', () => {
    const { bodyOf, ends } = printed({ items: LEFT, plainWords: { w: true, g: true } });
    expect(bodyOf('How to start')).toBe('<p>Read this (Welcome) and that (Gear).</p>');
    expect(bodyOf('Rivers')).toBe('<p>Welcome <img src="item:f"></p>');
    expect(ends).not.toContain('linkToNothing');
    expect(printed({ items: LEFT }).ends).toContain('linkToNothing');
  });
  it('what stood for it and is gone from the shell is told, and the link with it; the choice is kept', () => {
    const { ends } = printed({ items: LEFT, equivalents: { w: 'taken-out-meanwhile' } });
    expect(ends).toEqual(expect.arrayContaining(['linkToNothing', 'equivalentGone']));
    expect(printed({ items: LEFT, equivalents: { w: 's' } }).ends).not.toContain('equivalentGone');
  });
  it('what comes after all keeps its links, whatever was said before', () => {
    expect(printed({ plainWords: { w: true } }).bodyOf('How to start')).toContain('<a href="item:w">this</a>');
  });
});
