import { Type } from '@sinclair/typebox';
import { Router } from 'express';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { courseFor } from '../people/rights.js';
import { viewPair } from './pairingService.js';

const checkSide = checked(
  Type.Object({ as: Type.Union([Type.Literal('shell'), Type.Literal('source')]) }, { additionalProperties: false }),
);

export function pairingRoutes({ reading, clock }: Server): Router {
  const router = Router();
  router.get('/courses/:id/pair', async (request, response) => {
    const { as: side } = checkSide(request.query);
    const asker = askerOf(request);
    const today = clock.now(INSTITUTION.timeZone).slice(0, 10);
    const course = await courseFor(reading.manager, 'read', asker, request.params.id, today);
    response.json(await viewPair(reading.manager, asker, course, side, today));
  });
  return router;
}
