import type { Role } from '../schemas/retimeJob.js';

/** What a dated role of a thing is called beside its date. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  opens: 'opens',
  part: 'first part',
  due: 'due',
  late: 'late until',
  closes: 'closes',
  answers: 'answers',
  posts: 'posts',
  starts: 'starts',
  ends: 'ends',
  remind: 'reminder',
};
