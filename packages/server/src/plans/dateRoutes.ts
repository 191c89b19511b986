import { Type } from '@sinclair/typebox';
import type { DateStyle } from '@yarin/core';
import { Router, type Request } from 'express';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { download } from '../http/download.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import type { AskedPlan } from './planView.js';

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
export function planDateRoutes({ queries, readers, clock }: Server): Router {
  const router = Router();
  const asked = (request: Request): AskedPlan => ({
    person: askerOf(request),
    planId: String(request.params.id),
    now: clock.now(INSTITUTION.timeZone),
  });

  router.get('/plans/:id/dates.csv', async (request, response) => {
    const { name, text } = await queries.value('planDateSheet', asked(request));
    download(response, name, 'text/csv', text);
  });
  router.get('/plans/:id/dates.ics', async (request, response) => {
    const { name, text } = await queries.value('planCalendarFile', asked(request));
    download(response, name, 'text/calendar', text);
  });
  router.post('/plans/:id/dates/sheet', async (request, response) => {
    const { text, order } = checkSheet(request.body);
    const { dates, reading } = await queries.value('planDates', asked(request));
    response.json(await readers.read('sheet', text, dates, { ...reading, order }));
  });
  return router;
}
