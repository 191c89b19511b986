import { randomUUID } from 'node:crypto';
import { Type } from '@sinclair/typebox';
import { decisionsSchema } from '@yarin/core/schemas';
import { applyDecisionChanges, mayDo, parseDay, pointerPart, type Decisions, type PlanScope } from '@yarin/core';
import { Router } from 'express';
import type { Server } from '../context.js';
import { summariseCourse } from '../courses/courseSummaries.js';
import { PlanRow } from '../database/entities/run.js';
import { checked } from '../http/checked.js';
import { conflict, unusable } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, doerOf, type Asker } from '../people/asker.js';
import { courseFor, demand } from '../courses/rights.js';
import { refuseChanged } from './planCommands.js';
import { planFor } from './planView.js';

const MOST_SOURCES = 10;
const sourcesSchema = Type.Array(Type.String(), { minItems: 1, maxItems: MOST_SOURCES, uniqueItems: true });
const checkPair = checked(
  Type.Object(
    {
      sources: sourcesSchema,
      destination: Type.String(),
      scope: Type.Optional(Type.Union([Type.Literal('course'), Type.Literal('gradebook')])),
    },
    { additionalProperties: false },
  ),
);
const checkDestinations = checked(
  Type.Object(
    { destinations: Type.Array(Type.String(), { minItems: 1, maxItems: 40, uniqueItems: true }) },
    { additionalProperties: false },
  ),
);
const checkSources = checked(
  Type.Object({ version: Type.Integer(), sources: sourcesSchema }, { additionalProperties: false }),
);
const MOST_CHANGES = 50_000;
const DEEPEST_ENTRY = 8;
const checkChanges = checked(
  Type.Object(
    {
      version: Type.Integer(),
      changes: Type.Array(
        Type.Object(
          {
            at: Type.Array(Type.String(), { minItems: 1, maxItems: DEEPEST_ENTRY }),
            to: Type.Optional(Type.Unknown()),
          },
          { additionalProperties: false },
        ),
        { maxItems: MOST_CHANGES },
      ),
    },
    { additionalProperties: false },
  ),
);
const checkDecisions = checked(Type.Object({ decisions: decisionsSchema }, { additionalProperties: false }));

/** A date set by hand has to be on the calendar; the schema can only see its form. */
function refuseImpossibleDates(byHand: Decisions['byHand']): void {
  const problems = Object.entries(byHand)
    .filter(([, at]) => Number.isNaN(parseDay(at)))
    .map(([id, at]) => ({
      code: 'noSuchDate',
      message: `${at.slice(0, 10)} is not on any calendar; give a date that exists.`,
      where: `/decisions/byHand/${pointerPart(id)}`,
    }));
  if (problems.length > 0) throw unusable(problems[0]!.message, problems);
}

export function planRoutes({ reading, writer, queries, clock }: Server): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  async function demandSources(person: Asker, sourceIds: readonly string[], destinationId: string): Promise<void> {
    if (sourceIds.includes(destinationId))
      throw conflict('A course can’t be brought into itself. Choose another course for one of the two sides.');
    for (const id of sourceIds) await courseFor(reading.manager, 'use', person, id, now().slice(0, 10));
  }

  /** Further sources of the plan of a pair that the person may not use any more. */
  async function lostSources(
    person: Asker,
    sourceId: string,
    destinationId: string,
    scope: PlanScope,
  ): Promise<string[]> {
    const plan = await reading.manager.findOneBy(PlanRow, { sourceId, destinationId, scope });
    const lost: string[] = [];
    for (const id of plan?.furtherSources ?? []) {
      const course = await summariseCourse(reading.manager, id, person.id);
      if (course === undefined || !mayDo('use', person, course, now().slice(0, 10)).may) lost.push(id);
    }
    return lost;
  }

  router.post('/plans', async (request, response) => {
    const { sources: sourceIds, destination: destinationId, scope = 'course' } = checkPair(request.body);
    const person = askerOf(request);
    await demandSources(person, sourceIds, destinationId);
    await courseFor(reading.manager, 'run', person, destinationId, now().slice(0, 10));
    const lost = await lostSources(person, sourceIds[0]!, destinationId, scope);
    const plan = { id: randomUUID(), sourceIds, lost, destinationId, scope, doer: doerOf(request), at: now() };
    response.status(201).json(await writer.run('openPlan', plan));
  });

  router.put('/plans/:id/sources', async (request, response) => {
    const person = askerOf(request);
    const { plan, right } = await planFor(reading.manager, person, request.params.id, now().slice(0, 10));
    demand(right);
    const { version, sources: sourceIds } = checkSources(request.body);
    await demandSources(person, sourceIds, plan.destinationId);
    response.json(
      await writer.run('changeSources', { planId: plan.id, version, sourceIds, doer: doerOf(request), at: now() }),
    );
  });

  /** The gradebook set-up of a course, and where it could go by itself. */
  router.get('/courses/:id/gradebook/into', async (request, response) => {
    await queries.send(response, 'setUpView', { person: askerOf(request), courseId: request.params.id, now: now() });
  });

  router.get('/plans/:id', async (request, response) => {
    await queries.send(response, 'planView', { person: askerOf(request), planId: request.params.id, now: now() });
  });

  router.get('/plans/:id/sections', async (request, response) => {
    await queries.send(response, 'sectionsView', { person: askerOf(request), planId: request.params.id, now: now() });
  });

  /** Parallel sections take over what this plan chooses. */
  router.post('/plans/:id/sections', async (request, response) => {
    const person = askerOf(request);
    const pair = await planFor(reading.manager, person, request.params.id, now().slice(0, 10));
    demand(pair.right);
    const { destinations } = checkDestinations(request.body);
    for (const id of destinations) await courseFor(reading.manager, 'run', person, id, now().slice(0, 10));
    const asked = { person, planId: pair.plan.id, now: now() };
    const plans = await queries.value('followingPlans', { ...asked, destinations });
    if (plans.length < destinations.length)
      throw unusable('One of these is no parallel section of this course; nothing was changed.');
    await writer.run('followSections', { planId: pair.plan.id, plans, doer: doerOf(request), at: now() });
    await queries.send(response, 'sectionsView', asked);
  });

  router.put('/plans/:id/seen', async (request, response) => {
    const { plan, right } = await planFor(reading.manager, askerOf(request), request.params.id, now().slice(0, 10));
    demand(right);
    await writer.run('seePlan', { planId: plan.id });
    response.status(204).end();
  });

  router.patch('/plans/:id/decisions', async (request, response) => {
    const { plan, right } = await planFor(reading.manager, askerOf(request), request.params.id, now().slice(0, 10));
    demand(right);
    const { version, changes } = checkChanges(request.body);
    // Of the version that they were made on; the command compares it again.
    refuseChanged(plan, version);
    const { decisions } = checkDecisions({ decisions: applyDecisionChanges(plan.decisions, changes) });
    refuseImpossibleDates(decisions.byHand);
    response.json(
      await writer.run('saveDecisions', { planId: plan.id, version, decisions, doer: doerOf(request), at: now() }),
    );
  });
  return router;
}
