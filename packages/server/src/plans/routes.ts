import { randomUUID } from 'node:crypto';
import { Type } from '@sinclair/typebox';
import { decisionsSchema } from '@yarin/core/schemas';
import { parseDay, type Decisions } from '@yarin/core';
import { Router } from 'express';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { conflict, unusable } from '../http/httpProblem.js';
import { storable } from '../courses/sanitise.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { courseFor, demand } from '../people/rights.js';
import type { PlanGrounds } from './planGrounds.js';
import { planFor, viewPlan } from './planView.js';

const checkPair = checked(
  Type.Object({ source: Type.String(), destination: Type.String() }, { additionalProperties: false }),
);
const checkDecisions = checked(
  Type.Object({ version: Type.Integer(), decisions: decisionsSchema }, { additionalProperties: false }),
);

/** A date set by hand has to be on the calendar; the schema can only see its form. */
function refuseImpossibleDates(byHand: Decisions['byHand']): void {
  const problems = Object.entries(byHand)
    .filter(([, at]) => Number.isNaN(parseDay(at)))
    .map(([id, at]) => ({
      code: 'noSuchDate',
      message: `${at.slice(0, 10)} is not on any calendar; give a date that exists.`,
      where: `/decisions/byHand/${id.replaceAll('~', '~0').replaceAll('/', '~1')}`,
    }));
  if (problems.length > 0) throw unusable(problems[0]!.message, problems);
}

/** Texts that a person wrote to decide between both sides are made safe before they are kept. */
function withSafeTexts(decisions: Decisions, courseId: string): Decisions {
  if (decisions.answers === undefined) return decisions;
  const answers = Object.entries(decisions.answers).map(([id, answer]) => {
    const { body } = answer;
    return [id, typeof body === 'object' ? { ...answer, body: { text: storable(body.text, courseId).body } } : answer];
  });
  return { ...decisions, answers: Object.fromEntries(answers) as NonNullable<Decisions['answers']> };
}

export function planRoutes({ reading, writer, clock }: Server, grounds: PlanGrounds): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.post('/plans', async (request, response) => {
    const { source: sourceId, destination: destinationId } = checkPair(request.body);
    const person = askerOf(request);
    if (sourceId === destinationId)
      throw conflict('A course can’t be brought into itself. Choose another course for one of the two sides.');
    await courseFor(reading.manager, 'use', person, sourceId, now().slice(0, 10));
    await courseFor(reading.manager, 'run', person, destinationId, now().slice(0, 10));
    const plan = { id: randomUUID(), sourceId, destinationId, personId: person.id, at: now() };
    response.status(201).json(await writer.run('openPlan', plan));
  });

  router.get('/plans/:id', async (request, response) => {
    const pair = await planFor(reading.manager, askerOf(request), request.params.id, now().slice(0, 10));
    response.json(await viewPlan(reading.manager, grounds, pair, now()));
  });

  router.put('/plans/:id/decisions', async (request, response) => {
    const { plan, right } = await planFor(reading.manager, askerOf(request), request.params.id, now().slice(0, 10));
    demand(right);
    const { version, decisions } = checkDecisions(request.body);
    refuseImpossibleDates(decisions.byHand);
    const safe = withSafeTexts(decisions, plan.destinationId);
    response.json(await writer.run('saveDecisions', { planId: plan.id, version, decisions: safe, at: now() }));
  });
  return router;
}
