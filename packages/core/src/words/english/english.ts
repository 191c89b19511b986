import type { Language } from '../found/language.js';
import { findDaysInNumbers } from './findDaysInNumbers.js';
import { findDaysInWords } from './findDaysInWords.js';
import { findHours } from './findHours.js';
import { findMeetings } from './findMeetings.js';
import { findPeople } from './findPeople.js';
import { findRelative } from './findRelative.js';
import { findRooms } from './findRooms.js';
import { findSections } from './findSections.js';
import { findTerms } from './findTerms.js';
import { findWeekdays } from './findWeekdays.js';
import { findYears } from './findYears.js';
import { joinHours } from './joinHours.js';
import { joinPatterns } from './joinPatterns.js';
import { joinRanges } from './joinRanges.js';
import { joinWeekdays } from './joinWeekdays.js';
import { isBesideOutsideEvent } from './outsideEvents.js';
import { isShortMonth, monthLike, numberLike, ordinalLike, weekdayLike, yearLike } from './writeDay.js';
import { hourLike, hoursLike } from './writeHour.js';
import { personLike, roomLike } from './writeName.js';
import { weekdaysLike } from './writePattern.js';
import { termLike } from './writeTerm.js';

export const ENGLISH: Language = {
  finders: [
    findDaysInWords,
    findDaysInNumbers,
    findHours,
    findWeekdays,
    findTerms,
    findYears,
    findRooms,
    findSections,
    findPeople,
    findMeetings,
    findRelative,
  ],
  joinsOfDays: [joinWeekdays],
  joins: [joinHours, joinRanges, joinPatterns],
  isShortMonth,
  isBesideOutsideEvent,
  writer: {
    weekday: weekdayLike,
    weekdays: weekdaysLike,
    month: monthLike,
    number: numberLike,
    ordinal: ordinalLike,
    year: yearLike,
    hour: hourLike,
    hours: hoursLike,
    term: termLike,
    room: roomLike,
    person: personLike,
  },
};
