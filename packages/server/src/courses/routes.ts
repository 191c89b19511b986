import {
  KIND_WORDS,
  looseEndsOf,
  mayDo,
  rightsOf,
  type CourseView,
  type EarlierText,
  type ItemView,
  type Kind,
  type Link,
} from '@yarin/core';
import { Router } from 'express';
import { IsNull, type EntityManager } from 'typeorm';
import type { Server } from '../context.js';
import { CourseRow } from '../database/entities/course.js';
import { TermRow } from '../database/entities/term.js';
import { noticesOf } from '../roster/notices.js';
import { deedsOf, DOER_NAME } from '../history/deeds.js';
import { notFound } from '../http/httpProblem.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { courseFor } from '../people/rights.js';
import { learnerCounts } from '../runs/storedItems.js';
import { readItem, readSnapshot, readText } from './courseStore.js';
import { sanitise } from './sanitise.js';

/** Kinds whose details the views of a whole course show; those of others come with the item. */
const SHOWN_WHOLE: readonly Kind[] = ['gradeCategory', 'scoreScale', 'file', 'courseSettings'];

export function courseRoutes({ reading, clock }: Server): Router {
  const { manager } = reading;
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  router.get('/courses/:id', async (request, response) => {
    const asker = askerOf(request);
    const summary = await courseFor(manager, 'read', asker, request.params.id, now().slice(0, 10));
    const snapshot = (await readSnapshot(manager, summary.id))!;
    const row = await manager.findOneByOrFail(CourseRow, { id: summary.id });
    const view: CourseView = {
      summary,
      calendar: snapshot.calendar,
      startsOn: row.startsOn,
      endsOn: row.endsOn,
      openToLearners: row.openToLearners,
      now: now(),
      items: snapshot.items.map(({ details, ...item }) =>
        SHOWN_WHOLE.includes(item.kind) && details !== undefined ? { ...item, details } : item,
      ),
      marks: snapshot.marks,
      looseEnds: looseEndsOf(snapshot).filter(
        ({ code }) => code !== 'notOpen' || mayDo('change', asker, summary, now().slice(0, 10)).may,
      ),
      notices: await noticesOf(manager, [summary]),
      learners: await learnerCounts(manager, summary.id),
      rights: rightsOf(asker, summary, now().slice(0, 10)),
      deeds: await deedsOf(manager, summary.id),
      removed: await manager.query(
        'SELECT key, title, removed_at AS at FROM removed_item WHERE course_id = ? ORDER BY removed_at DESC LIMIT 20',
        [summary.id],
      ),
    };
    response.json(view);
  });

  router.get('/courses/:id/items/:key', async (request, response) => {
    const { id, key } = request.params;
    await courseFor(manager, 'read', askerOf(request), id, now().slice(0, 10));
    response.json(await viewItem(manager, id, key));
  });

  router.get('/terms', async (_request, response) => {
    const terms = await manager.find(TermRow, { where: { parentId: IsNull() }, order: { firstDay: 'DESC' } });
    response.json({ terms: terms.map(({ id, name, firstDay, lastDay }) => ({ id, name, firstDay, lastDay })) });
  });
  return router;
}

/** @param address  the key of a thing, or a second one that it took over */
async function viewItem(manager: EntityManager, id: string, address: string): Promise<ItemView> {
  const keyOf = await addressBook(manager, id);
  const key = keyOf(address);
  const item = key === undefined ? undefined : await readItem(manager, id, key);
  if (key === undefined || item === undefined)
    throw notFound('There is no such thing in this course; it may have been removed meanwhile.');
  const [meta] = await manager.query<{ version: number; editedBy: string | null }[]>(
    `SELECT version, CASE WHEN edited_by IS NULL THEN NULL ELSE ${DOER_NAME('edited_by', 'NULL')} END AS editedBy
       FROM item WHERE course_id = ? AND key = ?`,
    [id, key],
  );
  const [mark] = await manager.query<NonNullable<ItemView['mark']>[]>(
    'SELECT item_key AS item, mark, note FROM mark WHERE course_id = ? AND item_key = ?',
    [id, key],
  );
  return {
    version: meta!.version,
    editedBy: meta!.editedBy,
    item: {
      ...item,
      body: sanitise(await readText(manager, item.bodyHash), id, keyOf),
      links: await withTitles(manager, id, item.links ?? []),
    },
    usedBy: await usedBy(manager, id, key),
    mark: mark ?? null,
    earlier: await earlierTexts(manager, id, key, keyOf),
  };
}

/** Finds the key that an address has in a course: its own, or a second one that a thing took over. */
async function addressBook(manager: EntityManager, courseId: string): Promise<(address: string) => string | undefined> {
  const keys = await manager.query<{ key: string }[]>('SELECT key FROM item WHERE course_id = ?', [courseId]);
  const own = new Set(keys.map(({ key }) => key));
  const aliases = await manager.query<{ alias: string; key: string }[]>(
    'SELECT alias, key FROM item_alias WHERE course_id = ?',
    [courseId],
  );
  const second = new Map(aliases.map(({ alias, key }) => [alias, key]));
  return (address) => (own.has(address) ? address : second.get(address));
}

async function withTitles(
  manager: EntityManager,
  id: string,
  links: readonly Link[],
): Promise<ItemView['item']['links']> {
  const rows = await manager.query<{ key: string; title: string }[]>(
    'SELECT key, title FROM item WHERE course_id = ? AND key IN (SELECT value FROM json_each(?))',
    [id, JSON.stringify(links.map(({ to }) => to))],
  );
  const titles = new Map(rows.map(({ key, title }) => [key, title]));
  return links.map((link) => ({ ...link, title: titles.get(link.to) ?? null }));
}

async function usedBy(manager: EntityManager, id: string, key: string): Promise<ItemView['usedBy']> {
  const rows = await manager.query<{ id: string; title: string; kind: Kind }[]>(
    `SELECT DISTINCT item.key AS id, item.title, item.kind FROM item_link
       JOIN item ON item.course_id = item_link.course_id AND item.key = item_link.from_key
      WHERE item_link.course_id = ? AND item_link.to_key = ? ORDER BY item.position`,
    [id, key],
  );
  return rows.map((row) => ({ ...row, kind: KIND_WORDS[row.kind].one }));
}

const MOST_EARLIER = 20;

async function earlierTexts(
  manager: EntityManager,
  id: string,
  key: string,
  keyOf: (address: string) => string | undefined,
): Promise<EarlierText[]> {
  const rows = await manager.query<EarlierText[]>(
    `SELECT item_revision.version, item_revision.title, coalesce(body.text, '') AS body, replaced_at AS at,
            ${DOER_NAME('replaced_by', 'NULL')} AS "by"
       FROM item_revision LEFT JOIN body ON body.hash = item_revision.body_hash
      WHERE course_id = ? AND key = ? ORDER BY item_revision.version DESC LIMIT ${MOST_EARLIER}`,
    [id, key],
  );
  return rows.map((row) => ({ ...row, body: sanitise(row.body, id, keyOf) }));
}
