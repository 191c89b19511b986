import type { CourseSummary, Right } from '@yarin/core';
import type { PersonRow } from '../database/entities/person.js';
import { forbidden } from '../http/httpProblem.js';

const MAY: Right = { may: true };
const label = ({ code, number, section, term }: CourseSummary): string => `${code} ${number}-${section} (${term})`;

const teaches = (person: PersonRow, course: CourseSummary): boolean =>
  person.role === 'administrator' || course.instructorIds.includes(person.id);

/** May bring things into a course, and take them back. */
export function mayChange(person: PersonRow, course: CourseSummary, today: string): Right {
  if (course.lastDay < today)
    return {
      may: false,
      why: `${label(course)} is finished. A finished course is a record: it can be read and used as a source, never changed.`,
    };
  if (teaches(person, course)) return MAY;
  return {
    may: false,
    why: `${label(course)} is taught by ${course.instructors.join(' and ') || 'nobody yet'}. Only they or an administrator can change it.`,
  };
}

/** May use a course as a source. */
export function mayUse(person: PersonRow, course: CourseSummary): Right {
  if (course.type === 'template' || teaches(person, course)) return MAY;
  return {
    may: false,
    why: `${label(course)} belongs to ${course.instructors.join(' and ') || 'nobody yet'}. Ask them to open it for reuse.`,
  };
}

export function require(right: Right): void {
  if (!right.may) throw forbidden(right.why);
}
