export { validator, type Validate } from './validator.js';
export { readJson } from './readJson.js';
export { readCalendar } from './readCalendar.js';
export { readCourse } from './readCourse.js';
export { readRoster, ROSTER_FILES, type Roster, type RosterClass, type RosterFiles } from './readRoster.js';
export { readTable } from './readTable.js';
export { holidayCountries, holidayRegions, publicHolidays, type Region } from './publicHolidays.js';
export { readCalendarFile } from './readCalendarFile.js';
export { readClosureList } from './readClosureList.js';
