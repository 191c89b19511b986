export { validator, type Validate } from './validator.js';
export { readJson } from './readJson.js';
export { readCalendar } from './readCalendar.js';
export { readCourse } from './readCourse.js';
export {
  readRoster,
  MOST_BAD_ROWS,
  ROSTER_FILES,
  type Roster,
  type RosterClass,
  type RosterFiles,
} from './readRoster.js';
export { readTable } from './readTable.js';
export { readCalendarFile } from './readCalendarFile.js';
export { readMeetingFile } from './readMeetingFile.js';
export { readDateSheet, type DateSheet } from './readDateSheet.js';
export { writeDateSheet } from './writeDateSheet.js';
export { writeCalendarFile } from './writeCalendarFile.js';
export { writeTermFile } from './writeTermFile.js';
