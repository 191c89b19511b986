export { validator, type Validate } from './validator.js';
export { readJson } from './readJson.js';
export { readCalendar } from './readCalendar.js';
export { readCourse } from './readCourse.js';
export { readRoster, type Roster, type RosterFiles, type RosterPerson } from './readRoster.js';
export { readTable } from './readTable.js';
