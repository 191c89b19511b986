import { createReadStream } from 'node:fs';
import { join } from 'node:path';
import { KIND_WORDS, looseEndsOf, type CourseSummary, type CourseView, type ItemView } from '@yarin/core';
import { Router } from 'express';
import type { Server } from '../context.js';
import { BodyRow, ItemRow } from '../database/entities/item.js';
import type { PersonRow } from '../database/entities/person.js';
import { forbidden, notFound } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/routes.js';
import { mayChange } from '../people/rights.js';
import { sanitise } from './sanitise.js';
import { findCourses, readableCourses, readSnapshot } from './courseStore.js';

export function courseRoutes({ reading, clock, dataFolder }: Server): Router {
  const router = Router();

  const readable = async (person: PersonRow, id: string): Promise<CourseSummary> => {
    const course = (await readableCourses(reading.manager, person)).find((each) => each.id === id);
    if (course !== undefined) return course;
    const [exists] = await reading.manager.query<unknown[]>('SELECT 1 FROM course WHERE id = ?', [id]);
    if (exists === undefined) throw notFound(`There is no course with the id “${id}”.`);
    throw forbidden('This course is not yours to read. Its instructor or an administrator can open it to you.');
  };

  router.get('/courses', async (request, response) => {
    const words = typeof request.query.find === 'string' ? request.query.find.slice(0, 200) : '';
    response.json({ courses: await findCourses(reading.manager, askerOf(request), words) });
  });

  router.get('/courses/:id', async (request, response) => {
    const person = askerOf(request);
    const summary = await readable(person, request.params.id);
    const snapshot = (await readSnapshot(reading.manager, summary.id))!;
    const view: CourseView = {
      summary,
      items: snapshot.items.map(({ details: _details, ...item }) => item),
      looseEnds: looseEndsOf(snapshot),
      right: mayChange(person, summary, clock.now(INSTITUTION.timeZone).slice(0, 10)),
    };
    response.json(view);
  });

  router.get('/courses/:id/items/:key', async (request, response) => {
    const { id, key } = request.params;
    await readable(askerOf(request), id);
    const items = new Map((await readSnapshot(reading.manager, id))!.items.map((item) => [item.id, item]));
    const item = items.get(key);
    if (item === undefined) throw notFound('There is no such thing in this course.');
    const linked = (item.links ?? []).map((link) => ({ ...link, title: items.get(link.to)?.title ?? null }));
    const usedBy = [...items.values()]
      .filter(({ links = [] }) => links.some(({ to }) => to === key))
      .map((each) => ({ id: each.id, title: each.title, kind: KIND_WORDS[each.kind].one }));
    const body = item.bodyHash === undefined ? null : await reading.manager.findOneBy(BodyRow, { hash: item.bodyHash });
    const aliases = await reading.manager.query<{ alias: string; key: string }[]>(
      'SELECT alias, key FROM item_alias WHERE course_id = ?',
      [id],
    );
    const keyOf = (address: string): string | undefined =>
      items.has(address) ? address : aliases.find(({ alias }) => alias === address)?.key;
    const view: ItemView = { item: { ...item, body: sanitise(body?.text ?? '', id, keyOf), links: linked }, usedBy };
    response.json(view);
  });

  router.get('/courses/:id/files/:key', async (request, response, next) => {
    const { id, key } = request.params;
    await readable(askerOf(request), id);
    const row = await reading.manager.findOneBy(ItemRow, { courseId: id, key });
    const hash = row?.kind === 'file' ? row.details?.hash : undefined;
    if (row === null || typeof hash !== 'string') throw notFound('There is no such file in this course.');
    const mediaType = typeof row.details?.mediaType === 'string' ? row.details.mediaType : 'application/octet-stream';
    response.setHeader('content-type', mediaType);
    response.setHeader(
      'content-disposition',
      `${mediaType.startsWith('image/') ? 'inline' : 'attachment'}; filename*=UTF-8''${encodeURIComponent(row.title)}`,
    );
    response.setHeader('etag', `"${hash}"`);
    createReadStream(join(dataFolder, 'files', hash.replace('sha256:', '')))
      .on('error', () => next(notFound('The bytes of this file are missing.')))
      .pipe(response);
  });
  return router;
}
