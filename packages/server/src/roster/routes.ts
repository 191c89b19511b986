import type { RosterReport } from '@yarin/core';
import { readRoster, ROSTER_FILES } from '@yarin/formats';
import { Router } from 'express';
import multer from 'multer';
import type { Server } from '../context.js';
import { RosterLoadRow } from '../database/entities/roster.js';
import { forbidden, unusable } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, doerOf, type Asker } from '../people/asker.js';

const LARGEST_FILE = 30 * 1024 * 1024;

function demandAdministrator({ role, department }: Asker): void {
  if (role !== 'administrator' || department !== null)
    throw forbidden('Only an administrator of the whole college loads the roster.');
}

export function rosterRoutes({ reading, writer, clock }: Server): Router {
  const router = Router();
  const upload = multer({
    storage: multer.memoryStorage(),
    limits: { fileSize: LARGEST_FILE, files: 12 },
    defParamCharset: 'utf8',
  }).array('files');

  router.get('/roster', async (request, response) => {
    demandAdministrator(askerOf(request));
    const loads = await reading.manager.find(RosterLoadRow, { order: { id: 'DESC' }, take: 1 });
    response.json({ last: loads[0]?.report ?? null } satisfies { last: RosterReport | null });
  });

  router.post('/roster', (request, response, next) => {
    demandAdministrator(askerOf(request));
    upload(request, response, next);
  });
  router.post('/roster', async (request, response) => {
    const files = Object.fromEntries(
      ((request.files ?? []) as Express.Multer.File[]).map(({ originalname, buffer }) => [
        originalname.replace(/\.csv$/i, ''),
        buffer.toString('utf8'),
      ]),
    );
    const missing = ROSTER_FILES.filter((name) => name !== 'orgs' && files[name] === undefined);
    if (missing.length > 0)
      throw unusable(
        `A roster in OneRoster 1.1 has the files ${ROSTER_FILES.map((name) => `${name}.csv`).join(', ')}; ${missing.map((name) => `${name}.csv`).join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing. Nothing was loaded.`,
      );
    const at = clock.now(INSTITUTION.timeZone);
    response.json(await writer.run('loadRoster', { roster: readRoster(files), doer: doerOf(request), at }));
  });
  return router;
}
