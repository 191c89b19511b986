import { Type } from '@sinclair/typebox';
import { Router } from 'express';
import type { Server } from '../context.js';
import { RunRow } from '../database/entities/run.js';
import { checked } from '../http/checked.js';
import { notFound, type HttpProblem } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, doerOf } from '../people/asker.js';
import { demand } from '../courses/rights.js';
import { planFor } from '../plans/planView.js';
import { standingOf } from '../plans/planGrounds.js';
import { nameOf } from '../people/names.js';
import { decidedElsewhere, moved } from './bring.js';
import type { RunJobs } from './runJobs.js';

const checkRun = checked(
  Type.Object(
    {
      version: Type.Optional(Type.Integer({ description: 'The version of the plan that the person saw.' })),
      stands: Type.Optional(Type.String({ maxLength: 200, description: 'What the plan said that the person saw.' })),
    },
    { additionalProperties: false },
  ),
);

export function runRoutes({ reading, queries, clock }: Server, jobs: RunJobs): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.post('/plans/:id/runs', async (request, response) => {
    const person = askerOf(request);
    const { plan, right, sources, destination } = await planFor(
      reading.manager,
      person,
      request.params.id,
      now().slice(0, 10),
    );
    demand(right);
    const { version, stands } = checkRun(request.body ?? {});
    // Told at once; what changes from here on is compared in the run itself.
    if (version !== undefined && version !== plan.version) throw decidedElsewhere();
    if (stands !== undefined && stands !== (await standingOf(reading.manager, sources, destination))) throw moved();
    const doer = doerOf(request);
    const by = await nameOf(reading.manager, doer);
    const run = { planId: plan.id, doer, at: now(), version, stands };
    const known = () => queries.value('knownOfPlan', { person, planId: plan.id, now: now() });
    response.status(202).json(await jobs.start(run, { destinationId: plan.destinationId, by }, known));
  });

  router.get('/plans/:id/runs/:run/events', async (request, response) => {
    const { id, run } = request.params;
    await planFor(reading.manager, askerOf(request), id, now().slice(0, 10));
    if (jobs.planOf(run) !== id) throw await whyNotWatched(run);
    response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
    const stop = jobs.watch(run, (state) => {
      response.write(`data: ${JSON.stringify(state)}\n\n`);
      response.flush();
      if (state.is !== 'running') response.end();
    });
    response.on('close', stop);
  });

  /** What became of a run that is not under way: Yarin may have been stopped in the middle of it. */
  async function whyNotWatched(run: string): Promise<HttpProblem> {
    const isWritten = await reading.manager.existsBy(RunRow, { id: run });
    return notFound(
      isWritten
        ? 'This run is over; its record stands in the plan.'
        : 'This run did not finish, and nothing was written. Press again.',
    );
  }

  router.get('/courses/:id/moments/redated', async (request, response) => {
    await queries.send(response, 'redated', { person: askerOf(request), courseId: request.params.id, now: now() });
  });
  return router;
}
