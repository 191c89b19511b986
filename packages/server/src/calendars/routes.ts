import { randomUUID } from 'node:crypto';
import {
  checkCalendar,
  mayKeepTerms,
  parseDay,
  partCalendar,
  withAdditions,
  type Calendar,
  type CalendarsView,
  type CourseCalendarView,
  type CourseTimeEdit,
} from '@yarin/core';
import {
  courseTimeEditSchema,
  courseTimeSchema,
  newTermSchema,
  readClosuresSchema,
  readTimetableSchema,
  termDraftSchema,
  termEditSchema,
} from '@yarin/core/schemas';
import { writeTermFile } from '@yarin/formats';
import { Router } from 'express';
import type { Server } from '../context.js';
import { CourseRow } from '../database/entities/course.js';
import { TermRow } from '../database/entities/term.js';
import { checked } from '../http/checked.js';
import { download } from '../http/download.js';
import { notFound, unusable } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, doerOf } from '../people/asker.js';
import { courseFor, demand } from '../courses/rights.js';
import type { Times } from '../plans/calendarChanges.js';
import { orRefuse } from '../plans/workedPlan.js';
import { courseTimeProblems, partOf } from '../courses/edit/courseTime.js';
import { calendarOfCourse, readTerms } from '../terms/termStore.js';

const checkNew = checked(newTermSchema);
const checkTerm = checked(termEditSchema);
const checkDraft = checked(termDraftSchema);
const checkTime = checked(courseTimeEditSchema);
const checkTimeDraft = checked(courseTimeSchema);
const checkClosures = checked(readClosuresSchema);
const checkTimetable = checked(readTimetableSchema);

/** Terms and their calendars, what one course has beside them, and reading closed days from elsewhere. */
export function calendarRoutes({ reading, writer, readers, queries, clock }: Server): Router {
  const { manager } = reading;
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.get('/calendars', async (request, response) => {
    const view: CalendarsView = {
      terms: await readTerms(manager),
      right: mayKeepTerms(askerOf(request)),
      now: now(),
    };
    response.json(view);
  });
  router.get('/calendars/:id.ics', async (request, response) => {
    const term = (await readTerms(manager)).find(({ id }) => id === request.params.id);
    if (term === undefined) throw notFound('There is no such term any more.');
    download(response, `${term.name}.ics`, 'text/calendar', writeTermFile(term.calendar, now()));
  });
  router.post('/calendars', async (request, response) => {
    demand(mayKeepTerms(askerOf(request)));
    const term = checkNew(request.body);
    refuseImpossible(term.firstDay, term.lastDay);
    response.status(201).json(await writer.run('addTerm', { ...term, name: term.name.trim(), id: randomUUID() }));
  });
  router.put('/calendars/:id', async (request, response) => {
    demand(mayKeepTerms(askerOf(request)));
    const { version, name, calendar } = checkTerm(request.body);
    response.json(await writer.run('changeTerm', { id: request.params.id, version, name: name.trim(), calendar }));
  });
  router.delete('/calendars/:id', async (request, response) => {
    demand(mayKeepTerms(askerOf(request)));
    await writer.run('removeTerm', { id: request.params.id });
    response.status(204).end();
  });
  router.post('/calendars/:id/effect', async (request, response) => {
    demand(mayKeepTerms(askerOf(request)));
    const { calendar } = checkDraft(request.body);
    const times = await timesWith(request.params.id, calendar);
    await queries.send(response, 'calendarEffect', { person: askerOf(request), now: now(), times });
  });

  /** The times that the courses of a term or part would have with another calendar. */
  async function timesWith(id: string, calendar: Calendar): Promise<Times> {
    const rows = await manager.find(TermRow);
    const changed = rows.find((row) => row.id === id);
    if (changed === undefined) throw notFound('There is no such term any more.');
    const terms = new Map(rows.map((row) => [row.id, row.id === id ? { ...row, calendar } : row]));
    const effective = (row: TermRow): Calendar =>
      row.parentId === null ? row.calendar : partCalendar(terms.get(row.parentId)!.calendar, row.calendar);
    const courses = await manager.find(CourseRow, { where: [{ termId: id }, { partId: id }] });
    const times: Record<string, Times[string]> = {};
    for (const course of courses) {
      const term = terms.get(course.partId ?? course.termId)!;
      const held = withAdditions(effective(term), course.calendarAdditions);
      const problems = checkCalendar(held, '/calendar', held.weekStartsOn ?? 1);
      if (problems.length > 0) throw unusable(problems[0]!.message, problems);
      times[course.id] = { calendar: held, meetings: course.meetings };
    }
    return times;
  }

  router.get('/holidays', async (request, response) => {
    const { country } = request.query;
    await queries.send(response, 'publicHolidayPlaces', { country: typeof country === 'string' ? country : '' });
  });
  router.get('/holidays/days', async (request, response) => {
    const { country = '', region = '', from = '', to = '' } = request.query as Record<string, string>;
    refuseImpossible(from, to);
    await queries.send(response, 'publicHolidayDays', { country, region: String(region), from, to });
  });
  router.post('/closures', async (request, response) => {
    const { text, firstDay, lastDay, timeZone } = checkClosures(request.body);
    refuseImpossible(firstDay, lastDay);
    const span = { from: firstDay, to: lastDay, timeZone };
    response.json(orRefuse(await readers.read('closures', text, span)));
  });

  router.get('/courses/:id/calendar', async (request, response) => {
    const { id } = await courseFor(manager, 'read', askerOf(request), request.params.id, now().slice(0, 10));
    const row = await manager.findOneByOrFail(CourseRow, { id });
    const terms = await readTerms(manager);
    const view: CourseCalendarView = {
      term: terms.find((term) => term.id === row.termId)!,
      parts: terms.filter(({ parentId }) => parentId === row.termId),
      partId: row.partId,
      additions: row.calendarAdditions ?? { closures: [], swaps: [] },
      meetings: row.meetings,
      version: row.version,
    };
    response.json(view);
  });
  router.put('/courses/:id/calendar', async (request, response) => {
    const { id } = await courseFor(manager, 'change', askerOf(request), request.params.id, now().slice(0, 10));
    const time = checkTime(request.body);
    await writer.run('changeCourseTime', { courseId: id, doer: doerOf(request), at: now(), ...time });
    response.status(204).end();
  });
  router.post('/courses/:id/calendar/effect', async (request, response) => {
    const { id } = await courseFor(manager, 'change', askerOf(request), request.params.id, now().slice(0, 10));
    const times = await timeWith(id, checkTimeDraft(request.body));
    await queries.send(response, 'calendarEffect', { person: askerOf(request), now: now(), times });
  });

  router.post('/courses/:id/calendar/meetings', async (request, response) => {
    const { id } = await courseFor(manager, 'change', askerOf(request), request.params.id, now().slice(0, 10));
    const { text } = checkTimetable(request.body);
    const row = await manager.findOneByOrFail(CourseRow, { id });
    const term = await manager.findOneByOrFail(TermRow, { id: row.termId });
    response.json(orRefuse(await readers.read('meetings', text, await calendarOfCourse(manager, row, term))));
  });

  async function timeWith(id: string, { partId, additions, meetings }: CourseTimeEdit): Promise<Times> {
    const row = await manager.findOneByOrFail(CourseRow, { id });
    const term = await manager.findOneByOrFail(TermRow, { id: row.termId });
    await partOf(manager, row, partId);
    const calendar = await calendarOfCourse(manager, { partId, calendarAdditions: additions }, term);
    const problems = courseTimeProblems(calendar, meetings);
    if (problems.length > 0) throw unusable(problems[0]!.message, problems);
    return { [id]: { calendar, meetings } };
  }
  return router;
}

const LONGEST_SPAN_DAYS = 2 * 366;

/** The schema sees the form of dates only. */
function refuseImpossible(firstDay: string, lastDay: string): void {
  const [from, to] = [parseDay(firstDay), parseDay(lastDay)];
  const refuse = (message: string, where: string): never => {
    throw unusable(message, [{ code: 'noSuchDate', message, where }]);
  };
  const missing = 'This date is not on any calendar; give one that exists.';
  if (Number.isNaN(from)) refuse(missing, '/firstDay');
  if (Number.isNaN(to)) refuse(missing, '/lastDay');
  if (to < from) refuse('The last day has to come after the first.', '/lastDay');
  if (to - from >= LONGEST_SPAN_DAYS) refuse('A term has at most two years; give an earlier last day.', '/lastDay');
}
