import { calendarEffect } from './calendars/calendarEffect.js';
import { publicHolidayDays, publicHolidayPlaces } from './calendars/publicHolidays.js';
import { courseView } from './courses/courseView.js';
import { itemView } from './courses/itemView.js';
import { deskView } from './desk/deskView.js';
import { deskSentence } from './desk/sentences.js';
import { pairView } from './pairing/pairingService.js';
import { followingPlans, sectionsView } from './plans/parallelSections.js';
import { planCalendarFile, planDates, planDateSheet } from './plans/planDates.js';
import { courseLeftOver } from './plans/courseLeftOver.js';
import { setUpView } from './plans/setUpView.js';
import { knownOfPlan, planView } from './plans/planView.js';
import { redated } from './runs/redated.js';
import { thingsOfRun } from './takeBack/thingsOfRun.js';
import type { Query } from './database/query.js';

/** Queries that read and count; somebody looks at an empty page until they answer. */
const READS = { deskView, courseView, itemView, pairView, thingsOfRun };

/** Queries that work plans out, or read much. */
const WORKINGS = {
  deskSentence,
  planView,
  knownOfPlan,
  setUpView,
  courseLeftOver,
  sectionsView,
  followingPlans,
  planDates,
  planDateSheet,
  planCalendarFile,
  calendarEffect,
  publicHolidayPlaces,
  publicHolidayDays,
  redated,
};

/** Every query by its name. */
export const QUERIES = { ...READS, ...WORKINGS };
export const isRead = (name: QueryName): boolean => name in READS;
export type QueryName = keyof typeof QUERIES;
export type QueryInput<Name extends QueryName> =
  (typeof QUERIES)[Name] extends Query<infer Input, infer _Output, never> ? Input : never;
export type QueryOutput<Name extends QueryName> =
  (typeof QUERIES)[Name] extends Query<infer _Input, infer Output, never> ? Output : never;
