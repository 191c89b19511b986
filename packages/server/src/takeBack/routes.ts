import { Type } from '@sinclair/typebox';
import { type Act } from '@yarin/core';
import { Router, type Request } from 'express';
import type { Server } from '../context.js';
import { DeedRow } from '../database/entities/access.js';
import { isOfArchive } from '../history/operationStore.js';
import { demandTakeBack, type AskedRun } from './thingsOfRun.js';
import { checked } from '../http/checked.js';
import { notFound } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, doerOf } from '../people/asker.js';
import { courseFor } from '../courses/rights.js';

const MOST_THINGS = 20_000;

const checkTakeBack = checked(
  Type.Object(
    {
      changed: Type.Optional(Type.Union([Type.Literal('stay'), Type.Literal('go')])),
      part: Type.Optional(
        Type.Object(
          {
            keys: Type.Optional(
              Type.Array(Type.String({ maxLength: 300 }), {
                minItems: 1,
                maxItems: MOST_THINGS,
                description: 'Things of the new course; of a unit all that stands in it.',
              }),
            ),
            dates: Type.Optional(Type.Boolean({ description: 'The dates alone; the things stay.' })),
          },
          { additionalProperties: false },
        ),
      ),
    },
    { additionalProperties: false },
  ),
);

/** Taking back what was done: a run, a part of one, an edit, or that something was taken back. */
export function takeBackRoutes({ reading, writer, queries, clock }: Server): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  const askedOf = (request: Request): AskedRun => ({
    person: askerOf(request),
    runId: String(request.params.id),
    now: now(),
  });

  router.get('/runs/:id/things', async (request, response) => {
    await queries.send(response, 'thingsOfRun', askedOf(request));
  });

  router.post('/runs/:id/takeBack', async (request, response) => {
    const asked = askedOf(request);
    await demandTakeBack(reading.manager, asked);
    const { changed = 'ask', part } = checkTakeBack(request.body ?? {});
    const { runId, now: at } = asked;
    response.json(await writer.run('takeBackRun', { runId, doer: doerOf(request), at, changed, part }));
  });

  router.post('/courses/:id/items/:key/putBack', async (request, response) => {
    const { id: courseId, key } = request.params;
    await courseFor(reading.manager, 'change', askerOf(request), courseId, now().slice(0, 10));
    await writer.run('putBackItem', { courseId, key, doer: doerOf(request), at: now() });
    response.status(204).end();
  });

  router.post('/courses/:id/deeds/:deed/takeBack', async (request, response) => {
    const { id: courseId, deed: number } = request.params;
    const deedId = Number(number);
    const deed = Number.isSafeInteger(deedId)
      ? await reading.manager.findOneBy(DeedRow, { id: deedId, courseId })
      : null;
    await courseFor(reading.manager, await actOf(deed), askerOf(request), courseId, now().slice(0, 10));
    if (deed === null) throw notFound('This is not in the history of this course.');
    response.json(await writer.run('takeBack', { courseId, deedId, doer: doerOf(request), at: now() }));
  });
  /** What has to be allowed for a deed to be taken back. */
  async function actOf(deed: DeedRow | null): Promise<Act> {
    if (deed === null) return 'change';
    const target = deed.takesBack === null ? deed : await reading.manager.findOneBy(DeedRow, { id: deed.takesBack });
    if (target !== null && target.runId !== null) return 'takeBack';
    return (await isOfArchive(reading.manager, deed.id)) ? 'archive' : 'change';
  }
  return router;
}
