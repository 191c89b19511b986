import { randomUUID } from 'node:crypto';
import { accessAnswerSchema, accessAskSchema, letInSchema } from '@yarin/core/schemas';
import { Router } from 'express';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { conflict } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, demandOwnName, doerOf } from '../people/asker.js';
import { courseFor } from '../courses/rights.js';
import { asksOfCourse, courseToAsk, demandAsk, demandOutside, readAccess } from './accessStore.js';

const checkAsk = checked(accessAskSchema);
const checkLetIn = checked(letInSchema);
const checkAnswer = checked(accessAnswerSchema);

export function accessRoutes({ reading, writer, clock }: Server): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.get('/access', async (request, response) => {
    response.json(await readAccess(reading.manager, askerOf(request)));
  });

  router.post('/access', async (request, response) => {
    const { course: courseId, wants, words } = checkAsk(request.body);
    const asker = askerOf(request);
    demandOwnName(request, 'Who acts for somebody asks nobody in their name; ask in your own.');
    const { isAllowed } = await courseToAsk(reading.manager, asker, courseId, wants, now().slice(0, 10));
    if (isAllowed) throw conflict('You may do this already; there is nothing to ask for.');
    const ask = { id: randomUUID(), courseId, personId: asker.id, wants, words, at: now() };
    response.status(201).json(await writer.run('askAccess', ask));
  });

  router.put('/access/:id', async (request, response) => {
    const { answer, words } = checkAnswer(request.body);
    await demandAsk(reading.manager, askerOf(request), request.params.id, now().slice(0, 10));
    await writer.run('answerAccess', { id: request.params.id, answer, words, doer: doerOf(request), at: now() });
    response.status(204).end();
  });

  router.get('/courses/:id/access', async (request, response) => {
    const { id } = request.params;
    await courseFor(reading.manager, 'share', askerOf(request), id, now().slice(0, 10));
    response.json({ asks: await asksOfCourse(reading.manager, askerOf(request), id) });
  });

  router.post('/courses/:id/access', async (request, response) => {
    const { person: personId, wants } = checkLetIn(request.body);
    const { id: courseId } = request.params;
    const today = now().slice(0, 10);
    await courseFor(reading.manager, 'share', askerOf(request), courseId, today);
    await demandOutside(reading.manager, courseId, personId, wants, today);
    const doer = doerOf(request);
    await writer.run('letIn', { id: randomUUID(), courseId, personId, wants, doer, at: now() });
    response.status(204).end();
  });
  return router;
}
