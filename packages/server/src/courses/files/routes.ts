import { randomUUID } from 'node:crypto';
import { rm } from 'node:fs/promises';
import { LONGEST_TITLE } from '@yarin/core';
import { Router } from 'express';
import type { EntityManager } from 'typeorm';
import multer, { type StorageEngine } from 'multer';
import type { Server } from '../../context.js';
import { ItemRow } from '../../database/entities/item.js';
import { notFound, unavailable, unusable } from '../../http/httpProblem.js';
import { INSTITUTION } from '../../institution.js';
import { askerOf, doerOf } from '../../people/asker.js';
import { courseFor } from '../rights.js';
import { isKept, keep, receive, send } from './fileStore.js';

const LARGEST_FILE = 200 * 1024 * 1024;
/** All files of one course together. */
const MOST_OF_A_COURSE = 20 * 1024 ** 3;
/** Files that come at the same time, from everybody. */
const MOST_AT_ONCE = 20;

/** Streams an upload to the disk and hashes it on the way. */
const hashingStorage = (dataFolder: string): StorageEngine => ({
  _handleFile: (_request, file, done) => {
    receive(dataFolder, file.stream).then(({ path, hash }) => done(null, { path, filename: hash }), done);
  },
  _removeFile: (_request, file, done) => {
    rm(file.path, { force: true }).then(() => done(null), done);
  },
});

export function fileRoutes({ reading, writer, clock, dataFolder, log }: Server): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);
  let coming = 0;
  const upload = multer({
    storage: hashingStorage(dataFolder),
    limits: { fileSize: LARGEST_FILE, files: 1, fields: 4 },
    defParamCharset: 'utf8',
  }).single('file');

  router.get('/courses/:id/files/:key', async (request, response) => {
    const { id, key } = request.params;
    await courseFor(reading.manager, 'read', askerOf(request), id, now().slice(0, 10));
    const row = await reading.manager.findOneBy(ItemRow, { courseId: id, key });
    const alias =
      row === null
        ? await reading.manager.query<{ key: string }[]>(
            'SELECT key FROM item_alias WHERE course_id = ? AND alias = ?',
            [id, key],
          )
        : [];
    const item = row ?? (await reading.manager.findOneBy(ItemRow, { courseId: id, key: alias[0]?.key ?? '' }));
    const hash = item?.kind === 'file' ? item.details?.hash : undefined;
    if (item === null || typeof hash !== 'string') throw notFound('There is no such file in this course.');
    if (!(await isKept(dataFolder, hash))) throw notFound('The bytes of this file are missing.');
    const { mediaType: told } = item.details ?? {};
    const mediaType = typeof told === 'string' ? told : 'application/octet-stream';
    const isPicture = /^image\/(?!svg)/.test(mediaType);
    response.setHeader('content-type', mediaType);
    response.setHeader(
      'content-disposition',
      `${isPicture ? 'inline' : 'attachment'}; filename*=UTF-8''${encodeURIComponent(item.title)}`,
    );
    response.setHeader('etag', `"${hash}"`);
    await send(dataFolder, hash, response).catch((error: unknown) => {
      log.error({ err: error }, 'a file could not be sent whole');
      response.destroy();
    });
  });

  router.post('/courses/:id/files', async (request, response, next) => {
    const courseId = String(request.params.id);
    await courseFor(reading.manager, 'change', askerOf(request), courseId, now().slice(0, 10));
    await refuseFull(reading.manager, courseId);
    if (coming >= MOST_AT_ONCE)
      throw unavailable('Many files are being added just now. Nothing of yours was kept; add it again in a minute.');
    coming++;
    response.once('close', () => coming--);
    upload(request, response, next);
  });
  router.post('/courses/:id/files', async (request, response) => {
    const { file } = request;
    if (file === undefined) throw unusable('Choose a file to add; nothing came.');
    // Marks that no file name can hold, a NUL among them, are left out.
    const title = file.originalname.replace(/\p{Cc}/gu, '').trim();
    if (title.length > LONGEST_TITLE) {
      await rm(file.path, { force: true });
      throw unusable(
        `The name of the file has ${title.length} characters; ${LONGEST_TITLE} are the most. Rename it and add it again.`,
      );
    }
    const kept = await keep(dataFolder, { path: file.path, hash: file.filename }, title);
    const { id: courseId } = request.params;
    const added = await writer.run('addItem', {
      courseId,
      doer: doerOf(request),
      at: now(),
      key: `${courseId}.${randomUUID()}`,
      kind: 'file',
      title,
      parent: null,
      details: { ...kept },
    });
    response.status(201).json(added);
  });
  return router;
}

async function refuseFull(manager: EntityManager, courseId: string): Promise<void> {
  const [{ bytes }] = (await manager.query<{ bytes: number }[]>(
    `SELECT coalesce(sum(details->>'bytes'), 0) AS bytes FROM item WHERE course_id = ? AND kind = 'file'`,
    [courseId],
  )) as [{ bytes: number }];
  if (bytes >= MOST_OF_A_COURSE)
    throw unusable(
      'The files of this course have 20 GB together, which is the most. Take out what is not used, and add it again.',
    );
}
