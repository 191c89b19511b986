import { Type } from '@sinclair/typebox';
import type { CourseNews, PlanNews } from '@yarin/core';
import { Router, type Request } from 'express';
import type { Server } from '../context.js';
import { allOf, isAllowed } from '../courses/courseSummaries.js';
import { VALUES } from '../database/lists.js';
import { checked } from '../http/checked.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { standingOf } from '../plans/planGrounds.js';
import { planFor } from '../plans/planView.js';
import type { RunJobs } from '../runs/runJobs.js';

const MOST_COURSES = 500;
const checkCourses = checked(
  Type.Object(
    { courses: Type.Array(Type.String({ maxLength: 200 }), { maxItems: MOST_COURSES }) },
    { additionalProperties: false },
  ),
);

/**
 * What open pages ask again and again: whether what they show still stands, and which runs are under way. Asking keeps nobody
 * signed in.
 */
export function newsRoutes({ reading, clock }: Server, jobs: RunJobs): Router {
  const router = Router();

  router.post('/news', async (request, response) => {
    const { courses } = checkCourses(request.body);
    const may = allOf(isAllowed('read', askerOf(request)), {
      sql: `course.id IN ${VALUES}`,
      values: [JSON.stringify(courses)],
    });
    const rows = await reading.manager.query<{ id: string; version: number }[]>(
      `SELECT course.id, course.version FROM course WHERE ${may.sql}`,
      [...may.values],
    );
    asNoUse(request);
    response.json(
      Object.fromEntries(
        rows.map(({ id, version }): [string, CourseNews] => [id, { version, running: jobs.runningInto(id) ?? null }]),
      ),
    );
  });

  router.get('/plans/:id/news', async (request, response) => {
    const today = clock.now(INSTITUTION.timeZone).slice(0, 10);
    const { plan, sources, destination } = await planFor(reading.manager, askerOf(request), request.params.id, today);
    asNoUse(request);
    response.json({
      version: plan.version,
      stands: await standingOf(reading.manager, sources, destination),
      running: jobs.runningInto(destination.id) ?? null,
    } satisfies PlanNews);
  });
  return router;
}

/** Without its session at the end a request does not count as use of it: a page that stands open signs its person out in time. */
function asNoUse(request: Request): void {
  (request as { session?: unknown }).session = undefined;
}
