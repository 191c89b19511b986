/** Every kind of item that a course can hold, in the order in which kinds are listed. */
export const KINDS = [
  'unit',
  'label',
  'panel',
  'page',
  'file',
  'weblink',
  'wiki',
  'blog',
  'glossary',
  'contact',
  'assignment',
  'quiz',
  'questionBank',
  'question',
  'survey',
  'discussion',
  'announcement',
  'event',
  'task',
  'rubric',
  'outcome',
  'groups',
  'gradeCategory',
  'lineItem',
  'scoreScale',
  'toolLink',
  'syllabus',
  'rule',
  'courseSettings',
] as const;
export type Kind = (typeof KINDS)[number];

interface KindWords {
  readonly one: string;
  readonly many: string;
}

/** What a kind is called on the screen. */
export const KIND_WORDS: Readonly<Record<Kind, KindWords>> = {
  unit: { one: 'unit', many: 'units' },
  label: { one: 'label', many: 'labels' },
  panel: { one: 'panel', many: 'panels' },
  page: { one: 'page', many: 'pages' },
  file: { one: 'file', many: 'files' },
  weblink: { one: 'web link', many: 'web links' },
  wiki: { one: 'wiki', many: 'wikis' },
  blog: { one: 'blog', many: 'blogs' },
  glossary: { one: 'glossary', many: 'glossaries' },
  contact: { one: 'contact', many: 'contacts' },
  assignment: { one: 'assignment', many: 'assignments' },
  quiz: { one: 'quiz', many: 'quizzes' },
  questionBank: { one: 'question bank', many: 'question banks' },
  question: { one: 'question', many: 'questions' },
  survey: { one: 'survey', many: 'surveys' },
  discussion: { one: 'discussion', many: 'discussions' },
  announcement: { one: 'announcement', many: 'announcements' },
  event: { one: 'event', many: 'events' },
  task: { one: 'to-do line', many: 'to-do lines' },
  rubric: { one: 'rubric', many: 'rubrics' },
  outcome: { one: 'outcome', many: 'outcomes' },
  groups: { one: 'set of groups', many: 'sets of groups' },
  gradeCategory: { one: 'category', many: 'categories' },
  lineItem: { one: 'gradebook line', many: 'gradebook lines' },
  scoreScale: { one: 'scale', many: 'scales' },
  toolLink: { one: 'tool link', many: 'tool links' },
  syllabus: { one: 'syllabus', many: 'syllabuses' },
  rule: { one: 'rule', many: 'rules' },
  courseSettings: { one: 'settings', many: 'settings' },
};

/** Learners do it and it can be marked. */
const NEVER_OPENED: ReadonlySet<Kind> = new Set([
  'questionBank',
  'question',
  'rubric',
  'outcome',
  'groups',
  'gradeCategory',
  'lineItem',
  'scoreScale',
  'rule',
  'courseSettings',
]);

/** Whether learners open things of a kind, so that they land open, as drafts or hidden; all others serve those. */
export const isOpened = (kind: Kind): boolean => !NEVER_OPENED.has(kind);

export const isWork = (kind: Kind): boolean => kind === 'assignment' || kind === 'quiz' || kind === 'discussion';

/** What bringing a kind brings, what never comes with it, and what it needs; as said where the kind is chosen. */
export const KIND_SENTENCES: Readonly<Record<Kind, string>> = {
  unit: 'Heading, text, order, state; never who has opened it.',
  label: 'The line of text; it needs nothing.',
  panel: 'The text on the home page; never who has read it.',
  page: 'Text with its pictures and files; never who has read it.',
  file: 'The file itself, under its own name; it needs nothing.',
  weblink: 'The address; never who has followed it.',
  wiki: 'The first text; never what learners wrote.',
  blog: 'Its frame; never entries or comments.',
  glossary: 'The teachers’ entries; never those of learners.',
  contact: 'Names and ways to reach them; it needs nothing.',
  assignment: 'Text and settings; never work or marks. Needs its line, groups, files.',
  quiz: 'Settings and draws; never attempts. Needs its banks and line.',
  questionBank: 'The questions; never what was answered.',
  question: 'The question; never what was answered.',
  survey: 'The questions; never what was answered.',
  discussion: 'Prompt and settings; never replies. Needs its line and groups.',
  announcement: 'Text and posting date; never who has read it.',
  event: 'Text, times and place; never who came.',
  task: 'The line and its date; never who has done it.',
  rubric: 'Rows and points; never scores.',
  outcome: 'The sentence; never scores.',
  groups: 'Names and sizes; never members.',
  gradeCategory: 'Weight, passed on or not; never marks.',
  lineItem: 'Title and points; never marks. Needs its category.',
  scoreScale: 'Scale, rounding, what learners see; never marks.',
  toolLink: 'The link, held back; never that service’s learners or results.',
  syllabus: 'The open sections; the college’s stay the shell’s own.',
  rule: 'Comes when all that it reads and guards does; never who has met it.',
  courseSettings: 'Home page, menu, picture, names of areas; never who gets in.',
};
