import type { DeskSentencesView, DeskView } from '@yarin/core';
import { Router, type Request } from 'express';
import type { Server } from '../context.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { DeskSentences } from './deskSentences.js';
import type { DeskFrame } from './deskView.js';

/** Whoever asks what they say waits so long for all of them, then gets what there is, so that a long Desk fills by and by. */
const SENTENCES_WAIT_MS = 2000;

export function deskRoutes({ queries, clock, log }: Server): Router {
  const router = Router();
  const sentences = new DeskSentences(queries.threads, (input) => queries.value('deskSentence', input), log);
  const frameOf = (request: Request): Promise<DeskFrame> =>
    queries.value('deskView', { person: askerOf(request), now: clock.now(INSTITUTION.timeZone) });

  router.get('/desk', async (request, response) => {
    const { view, pending } = await frameOf(request);
    const said = sentences.atOnce(pending);
    const shells = view.shells.map((row) => ({ ...row, said: said.get(row.shell.id) ?? row.said }));
    response.json({ ...view, shells } satisfies DeskView);
  });
  router.get('/desk/sentences', async (request, response) => {
    const { pending } = await frameOf(request);
    const said = await sentences.within(SENTENCES_WAIT_MS, pending);
    const each = pending.map(({ shellId }) => [shellId, said.get(shellId) ?? 'underWay'] as const);
    response.json(Object.fromEntries(each) satisfies DeskSentencesView);
  });
  return router;
}
