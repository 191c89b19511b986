import type { DeskView } from '@yarin/core';
import { Router } from 'express';
import type { Server } from '../context.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { DeskSentences } from './deskSentences.js';

export function deskRoutes({ queries, clock, log }: Server): Router {
  const router = Router();
  const sentences = new DeskSentences(queries, log);
  router.get('/desk', async (request, response) => {
    const asked = { person: askerOf(request), now: clock.now(INSTITUTION.timeZone) };
    const { view, pending } = await queries.value('deskView', asked);
    const said = await sentences.of(pending);
    const shells = view.shells.map((row) => ({ ...row, ...said.get(row.shell.id) }));
    response.json({ ...view, shells } satisfies DeskView);
  });
  return router;
}
