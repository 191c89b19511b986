import { Router } from 'express';
import type { Server } from '../context.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import type { PlanGrounds } from '../plans/planGrounds.js';
import { readDesk } from './deskService.js';

export function deskRoutes({ reading, clock, log }: Server, grounds: PlanGrounds): Router {
  const router = Router();
  router.get('/desk', async (request, response) => {
    response.json(await readDesk(reading.manager, { grounds, log }, askerOf(request), clock.now(INSTITUTION.timeZone)));
  });
  return router;
}
