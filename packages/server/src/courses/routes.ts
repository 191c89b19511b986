import { Router } from 'express';
import { IsNull } from 'typeorm';
import type { Server } from '../context.js';
import { TermRow } from '../database/entities/term.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';

export function courseRoutes({ reading, queries, clock }: Server): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.get('/courses/:id', async (request, response) => {
    await queries.send(response, 'courseView', { person: askerOf(request), courseId: request.params.id, now: now() });
  });

  router.get('/courses/:id/items/:key', async (request, response) => {
    const { id, key } = request.params;
    const asked = { person: askerOf(request), courseId: id, now: now() };
    await queries.send(response, 'itemView', { ...asked, address: key });
  });

  router.get('/courses/:id/left-over', async (request, response) => {
    const asked = { person: askerOf(request), courseId: request.params.id, now: now() };
    await queries.send(response, 'courseLeftOver', asked);
  });

  router.get('/terms', async (_request, response) => {
    const terms = await reading.manager.find(TermRow, { where: { parentId: IsNull() }, order: { firstDay: 'DESC' } });
    response.json({ terms: terms.map(({ id, name, firstDay, lastDay }) => ({ id, name, firstDay, lastDay })) });
  });
  return router;
}
