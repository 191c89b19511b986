import { KINDS, type Kind } from '../names/kinds.js';
import { wordsIn } from './findWords.js';

// What people call things when they look for them. A team adds its own words here; each is a phrase of one word or more.

/** What can be done, by the words that people use for it. */
const ACT_PHRASES = {
  bring: ['bring', 'copy', 'import', 'roll over', 'rollover', 'transfer', 'migrate', 'clone', 'reuse', 'last term'],
  sendOn: ['send on', 'export', 'carry forward'],
  choose: ['choose', 'select', 'exclude', 'leave out'],
  dates: ['due dates', 'dates', 'deadlines', 'reschedule', 'move dates', 'schedule', 'availability'],
  leftOver: ['left over', 'loose ends', 'broken links', 'problems', 'to do', 'validate'],
  takeBack: ['take back', 'undo', 'revert', 'restore', 'reset'],
  publish: ['publish', 'open to learners', 'release', 'unpublish', 'visible', 'go live', 'settings', 'archive'],
  setUp: ['gradebook setup', 'gradebook set up', 'grading scheme', 'grading scale'],
  gradebook: ['gradebook', 'grades', 'weights', 'categories', 'grading', 'marks'],
  classDays: ['class days', 'meeting times', 'meetings', 'class times'],
  files: ['files', 'documents', 'uploads', 'pictures', 'images'],
  calendars: ['calendar', 'holidays', 'breaks', 'semester', 'academic year'],
  people: ['students', 'learners', 'enrolments', 'enrollments', 'submissions', 'roster', 'participants'],
  access: ['access', 'permission', 'ask to use', 'share'],
  find: ['search', 'all courses', 'past courses'],
} as const satisfies Readonly<Record<string, readonly string[]>>;
export type ActName = keyof typeof ACT_PHRASES;

/** Kinds by other words than ours. */
const KIND_PHRASES: Readonly<Partial<Record<Kind, readonly string[]>>> = {
  unit: ['unit', 'module', 'folder', 'lesson'],
  page: ['page', 'article', 'document'],
  file: ['file', 'attachment', 'document', 'upload'],
  weblink: ['web link', 'hyperlink', 'website'],
  assignment: ['assignment', 'homework', 'essay'],
  quiz: ['quiz', 'quizzes', 'test', 'exam', 'assessment'],
  questionBank: ['question bank', 'pool'],
  survey: ['survey', 'poll', 'questionnaire'],
  discussion: ['discussion', 'forum'],
  announcement: ['announcement', 'news', 'notice'],
  event: ['event'],
  rubric: ['rubric', 'marking guide', 'scoring guide'],
  outcome: ['outcome', 'objective', 'competency'],
  groups: ['group', 'team'],
  gradeCategory: ['category', 'grade category'],
  toolLink: ['tool link', 'lti'],
  syllabus: ['syllabus', 'syllabuses', 'syllabi', 'course outline'],
  rule: ['rule', 'prerequisite', 'condition', 'requirement'],
};

/** The shortest word that leads to an act: below it too much would be meant. */
const SHORTEST = 3;

/** Whether everything that was typed begins a word of one phrase, each another one; “due dat” begins “due dates”. */
function isMeant(typed: readonly string[], phrases: readonly string[]): boolean {
  if (typed.length === 0 || typed.every(({ length }) => length < SHORTEST)) return false;
  return phrases.some((phrase) => {
    const left = wordsIn(phrase);
    return typed.every((word) => {
      const at = left.findIndex((each) => each.startsWith(word) || word === `${each}s`);
      if (at >= 0) left.splice(at, 1);
      return at >= 0;
    });
  });
}

/** The acts that somebody means, by everyday words; in the order in which they stand. */
export function actsMeant(typed: string): ActName[] {
  const words = wordsIn(typed);
  return (Object.keys(ACT_PHRASES) as ActName[]).filter((act) => isMeant(words, ACT_PHRASES[act]));
}

/** The kinds of things that somebody means, by everyday words. */
export function kindsMeant(typed: string): Kind[] {
  const words = wordsIn(typed);
  return KINDS.filter((kind) => isMeant(words, KIND_PHRASES[kind] ?? []));
}
