/** Every finding, in the order in which findings are listed, with what it is called where its items are set aside or noted. */
export const FINDING_WORDS = {
  lastTermsAnnouncement: 'announcements of last term',
  oneOffEvent: 'one-off events',
  meetingLink: 'video meetings',
  heldOutside: 'held by an outside course',
  originalityCheck: 'originality checks',
  lastTermsSyllabus: 'last term’s syllabus',
  stockThing: 'stock the shell has',
  unused: 'used by nothing',
  emptyUnit: 'empty units',
  otherTerm: 'dated in another term',
  double: 'doubles',
  hiddenAllTerm: 'hidden all term',
  olderCourseLink: 'links into older courses',
  otherMode: 'words of the old mode',
  noPoints: 'work without points',
} as const;
export type FindingName = keyof typeof FINDING_WORDS;
export const FINDING_NAMES = Object.keys(FINDING_WORDS) as readonly FindingName[];
