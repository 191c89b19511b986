import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { propose } from '../../src/choose/propose.js';
import type { ProposeJob } from '../../src/schemas/proposeJob.js';

const TERMS = [
  { term: 'Spring 2025', firstDay: '2025-01-13', lastDay: '2025-05-09' },
  { term: 'Fall 2025', firstDay: '2025-08-25', lastDay: '2025-12-12' },
  { term: 'Spring 2026', firstDay: '2026-01-12', lastDay: '2026-05-08' },
  { term: 'Fall 2027', firstDay: '2027-08-23', lastDay: '2027-12-10' },
];
const SHELL: ProposeJob['shell'] = {
  id: 'shell',
  code: 'ECO',
  number: '214',
  section: '01',
  campus: 'Main',
  term: 'Spring 2027',
  firstDay: '2027-01-11',
  instructors: ['ines'],
};

const anyCourse = fc.record({
  code: fc.constantFrom('ECO', 'BIO'),
  number: fc.constantFrom('214', '310'),
  section: fc.constantFrom('01', '02'),
  campus: fc.constantFrom('Main', 'Harbour', undefined),
  when: fc.constantFrom(...TERMS),
  instructors: fc.subarray(['ines', 'ana']),
  type: fc.constantFrom('course' as const, 'development' as const, 'template' as const),
  things: fc.constantFrom(5, 80, 200),
  editedAt: fc.constantFrom('2025-06-01T10:00', '2026-09-01T10:00', undefined),
});
const anyCourses = fc
  .array(anyCourse, { maxLength: 8 })
  .map((courses) =>
    courses.map(({ when, ...course }, index) => ({ id: `c${index}`, stockThings: 5, ...when, ...course })),
  );

describe('which old course, whatever there is', () => {
  it('does not depend on the order in which courses come', () => {
    fc.assert(
      fc.property(anyCourses, (courses) => {
        expect(propose({ shell: SHELL, courses: [...courses].reverse() })).toEqual(propose({ shell: SHELL, courses }));
      }),
    );
  });
  it('proposes each course once, only of this course, and nothing empty', () => {
    fc.assert(
      fc.property(anyCourses, (courses) => {
        const { candidates, verdict } = propose({ shell: SHELL, courses });
        const ids = candidates.map(({ course }) => course);
        expect(new Set(ids).size).toBe(ids.length);
        for (const id of ids) {
          const { code, number, things, type, firstDay } = courses.find((each) => each.id === id)!;
          expect([code, number]).toEqual(['ECO', '214']);
          expect(things).toBeGreaterThan(5);
          if (type === 'course') expect(firstDay < SHELL.firstDay).toBe(true);
        }
        expect(verdict === 'none').toBe(ids.length === 0);
        if (ids.length === 1) expect(verdict).toBe('one');
      }),
    );
  });
  it('never says two opposite things of one course', () => {
    fc.assert(
      fc.property(anyCourses, (courses) => {
        for (const { for: reasons, against } of propose({ shell: SHELL, courses }).candidates) {
          expect(reasons.includes('yours')).toBe(!against.includes('notYours'));
          expect(reasons.includes('sameCampus') && against.includes('otherCampus')).toBe(false);
          expect(reasons.includes('latestRun') && against.includes('olderRun')).toBe(false);
        }
      }),
    );
  });
  it('is only sure of one that is hers, or the only one', () => {
    fc.assert(
      fc.property(anyCourses, (courses) => {
        const { verdict, candidates } = propose({ shell: SHELL, courses });
        if (verdict === 'one' && candidates.length > 1) expect(candidates[0]!.for).toContain('yours');
      }),
    );
  });
});
