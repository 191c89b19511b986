import { mkdirSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { RosterReport } from '@yarin/core';
import { MOST_BAD_ROWS, ROSTER_FILES } from '@yarin/formats';
import { Router } from 'express';
import multer from 'multer';
import type { Server } from '../context.js';
import { RosterLoadRow } from '../database/entities/roster.js';
import { forbidden, unusable } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf, doerOf, type Asker } from '../people/asker.js';

const MB = 1024 * 1024;
const LARGEST_FILE_MB = 30;
const LARGEST_ROSTER_MB = 60;

function demandAdministrator({ role, department }: Asker): void {
  if (role !== 'administrator' || department !== null)
    throw forbidden('Only an administrator of the whole college loads the roster.');
}

export function rosterRoutes({ reading, writer, readers, clock, dataFolder }: Server): Router {
  const router = Router();
  mkdirSync(join(dataFolder, 'incoming'), { recursive: true });
  const upload = multer({
    storage: multer.diskStorage({ destination: join(dataFolder, 'incoming') }),
    limits: { fileSize: LARGEST_FILE_MB * MB, files: 12, fields: 4 },
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
    const files = (request.files ?? []) as Express.Multer.File[];
    try {
      const roster = await readers.read('roster', pathsOf(files));
      if (roster.problems.length > MOST_BAD_ROWS)
        throw unusable(
          `More than ${MOST_BAD_ROWS} rows are bad, so this is hardly a roster in OneRoster 1.1. Nothing was loaded; the first: ${roster.problems[0]!.message}`,
        );
      const at = clock.now(INSTITUTION.timeZone);
      response.json(await writer.run('loadRoster', { roster, doer: doerOf(request), at }));
    } finally {
      await Promise.all(files.map(({ path }) => rm(path, { force: true })));
    }
  });
  return router;
}

/** Where the files of a roster lie, by name without ending. */
function pathsOf(files: readonly Express.Multer.File[]): Readonly<Record<string, string>> {
  const sum = files.reduce((bytes, { size }) => bytes + size, 0);
  if (sum > LARGEST_ROSTER_MB * MB)
    throw unusable(
      `The files of a roster may have ${LARGEST_ROSTER_MB} MB together; these have ${Math.ceil(sum / MB)}. Nothing was loaded.`,
    );
  const paths = Object.fromEntries(files.map(({ originalname, path }) => [originalname.replace(/\.csv$/i, ''), path]));
  const missing = ROSTER_FILES.filter((name) => name !== 'orgs' && paths[name] === undefined);
  if (missing.length > 0)
    throw unusable(
      `A roster in OneRoster 1.1 has the files ${ROSTER_FILES.map((name) => `${name}.csv`).join(', ')}; ${missing.map((name) => `${name}.csv`).join(', ')} ${missing.length === 1 ? 'is' : 'are'} missing. Nothing was loaded.`,
    );
  return paths;
}
