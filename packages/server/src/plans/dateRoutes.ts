import { Type } from '@sinclair/typebox';
import type { ColumnReading, CourseSummary, DateStyle, PreviewDate } from '@yarin/core';
import { writeCalendarFile, writeDateSheet } from '@yarin/formats';
import { Router, type Request } from 'express';
import type { Server } from '../context.js';
import { timesOf } from '../calendars/calendarStore.js';
import { checked } from '../http/checked.js';
import { download } from '../http/download.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import type { PlanGrounds } from './planGrounds.js';
import { planFor } from './planView.js';

const LONGEST_SHEET = 900_000;
const checkSheet = checked(
  Type.Object(
    {
      text: Type.String({ maxLength: LONGEST_SHEET }),
      order: Type.Unsafe<DateStyle['order']>(Type.Union([Type.Literal('dayFirst'), Type.Literal('monthFirst')])),
    },
    { additionalProperties: false },
  ),
);
/** The dates of a plan as a sheet and as a calendar file, and dates that come back from a spreadsheet. Nothing here writes. */
export function planDateRoutes({ reading, readers, clock }: Server, grounds: PlanGrounds): Router {
  const { manager } = reading;
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  interface PlanDates {
    readonly destination: CourseSummary;
    readonly dates: readonly PreviewDate[];
    readonly timeZone: string;
    readonly reading: Omit<ColumnReading, 'order'>;
  }

  async function datesOf(request: Request): Promise<PlanDates> {
    const id = String(request.params.id);
    const { plan, sources, destination } = await planFor(manager, askerOf(request), id, now().slice(0, 10));
    const { dates } = await grounds.workOut(sources, destination, plan.decisions, now());
    const times = await timesOf(manager, [destination.id]);
    const { calendar, meetings } = times[destination.id]!;
    return { destination, dates, timeZone: calendar.timeZone, reading: { calendar, meetings } };
  }

  const fileName = ({ code, number, section }: CourseSummary, ending: string): string =>
    `${code} ${number}-${section} dates.${ending}`;

  router.get('/plans/:id/dates.csv', async (request, response) => {
    const { destination, dates } = await datesOf(request);
    download(response, fileName(destination, 'csv'), 'text/csv', writeDateSheet(dates));
  });
  router.get('/plans/:id/dates.ics', async (request, response) => {
    const { destination, dates, timeZone } = await datesOf(request);
    const { code, number, section, term } = destination;
    const file = { name: `${code} ${number}-${section}, ${term}`, timeZone, now: now() };
    download(response, fileName(destination, 'ics'), 'text/calendar', writeCalendarFile(dates, file));
  });
  router.post('/plans/:id/dates/sheet', async (request, response) => {
    const { text, order } = checkSheet(request.body);
    const { dates, reading: how } = await datesOf(request);
    response.json(await readers.read('sheet', text, dates, { ...how, order }));
  });
  return router;
}
