import { Type } from '@sinclair/typebox';
import { Router } from 'express';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';

const checkSide = checked(
  Type.Object({ as: Type.Union([Type.Literal('shell'), Type.Literal('source')]) }, { additionalProperties: false }),
);

export function pairingRoutes({ queries, clock }: Server): Router {
  const router = Router();
  router.get('/courses/:id/pair', async (request, response) => {
    const { as: side } = checkSide(request.query);
    const now = clock.now(INSTITUTION.timeZone);
    await queries.send(response, 'pairView', { person: askerOf(request), courseId: request.params.id, now, side });
  });
  return router;
}
