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
export const isWork = (kind: Kind): boolean => kind === 'assignment' || kind === 'quiz' || kind === 'discussion';
