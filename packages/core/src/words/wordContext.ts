import type { Course } from '../schemas/course.js';
import { MEETING_HOSTS } from './english/findMeetings.js';
import type { WordContext } from './found/found.js';

/**
 * What finders know of a course.
 *
 * @param meetingHosts  hosts of video meetings; the usual ones when absent
 */
export const wordContextOf = (
  { course, calendar, meetings = [] }: Course,
  meetingHosts: readonly string[] = MEETING_HOSTS,
): WordContext => ({
  calendar,
  termName: course.term,
  courseTitle: course.title,
  monthFirst: (course.locale ?? 'en-US') === 'en-US',
  meetings,
  room: course.room,
  code: course,
  instructors: course.instructors ?? [],
  meetingHosts,
});
