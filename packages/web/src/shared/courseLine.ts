import type { CourseHead, CourseSummary } from '@yarin/core';
import { contentsWords, courseCode, sectionWords } from './words.js';

/** What tells a course from others of its name: section, class days, who teaches it, how much it holds. */
export function courseLine(course: CourseSummary): string {
  return [
    sectionWords(course),
    course.instructors.join(', ') || 'no instructor yet',
    contentsWords(course),
    course.campus ?? '',
    course.archived ? 'archived' : '',
    course.cancelled ? 'taken off by the registrar' : '',
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

/** The term, which tells runs of one course apart; a development course and a template say what they are instead. */
export const termLabel = ({ type, term }: Pick<CourseSummary, 'type' | 'term'>): string =>
  type === 'development' ? 'development' : type === 'template' ? 'template' : term;

/** The same in a sentence: “Plan from the shared template”. */
export const termInSentence = ({ type, term }: Pick<CourseHead, 'type' | 'term'>): string =>
  type === 'development' ? 'the development course' : type === 'template' ? 'the shared template' : term;

export const courseName = (course: CourseSummary): string =>
  course.type === 'course'
    ? `${courseCode(course)} ${course.title}`
    : `${course.code} ${course.number} ${course.title}`;
