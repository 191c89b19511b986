import { randomUUID } from 'node:crypto';
import { Type } from '@sinclair/typebox';
import {
  courseEditSchema,
  itemEditSchema,
  markEditSchema,
  momentMovesSchema,
  newItemSchema,
  newShellSchema,
  placeSchema,
} from '@yarin/core/schemas';
import { MAKEABLE, mayMakeShell, type Act } from '@yarin/core';
import { Router, type Request } from 'express';
import type { EntityManager } from 'typeorm';
import type { Server } from '../../context.js';
import { checked } from '../../http/checked.js';
import { unusable } from '../../http/httpProblem.js';
import { INSTITUTION } from '../../institution.js';
import { askerOf, doerOf, type Asker } from '../../people/asker.js';
import { courseFor, demand } from '../rights.js';
import type { EditOf } from './editing.js';

const checkEdit = checked(itemEditSchema);
const checkMoves = checked(momentMovesSchema);
const checkNew = checked(newItemSchema);
const checkPlace = checked(placeSchema);
const checkMark = checked(markEditSchema);
const checkCourse = checked(courseEditSchema);
const checkShell = checked(newShellSchema);
const checkArchived = checked(Type.Object({ archived: Type.Boolean() }, { additionalProperties: false }));

/** Everything that changes what a course holds or how it is set. */
export function courseEditRoutes({ reading, writer, clock }: Server): Router {
  const router = Router();
  const now = (): string => clock.now(INSTITUTION.timeZone);

  /** Who edits which course when, once it is sure that they may. */
  async function editOf(request: Request, act: Act): Promise<EditOf> {
    const courseId = String(request.params.id);
    await courseFor(reading.manager, act, askerOf(request), courseId, now().slice(0, 10));
    return { courseId, doer: doerOf(request), at: now() };
  }

  router.put('/courses/:id/items/:key', async (request, response) => {
    const edit = checkEdit(request.body);
    const of = await editOf(request, 'change');
    response.json(await writer.run('editItem', { ...of, key: request.params.key, ...edit }));
  });
  router.put('/courses/:id/moments', async (request, response) => {
    const { version, moves, fix } = checkMoves(request.body);
    const of = await editOf(request, 'change');
    response.type('json').send(await writer.run('moveMoments', { ...of, version, moves, isFix: fix }));
  });
  router.post('/courses/:id/items', async (request, response) => {
    const { kind, title, parent } = checkNew(request.body);
    if (!MAKEABLE.includes(kind)) throw unusable(`A ${kind} can’t be made this way.`);
    const of = await editOf(request, 'change');
    response
      .status(201)
      .json(await writer.run('addItem', { ...of, kind, title, parent, key: `${of.courseId}.${randomUUID()}` }));
  });
  router.post('/courses/:id/items/:key/duplicate', async (request, response) => {
    const of = await editOf(request, 'change');
    const mark = randomUUID().slice(0, 8);
    response.status(201).json(await writer.run('duplicateItem', { ...of, key: request.params.key, mark }));
  });
  router.put('/courses/:id/items/:key/place', async (request, response) => {
    const place = checkPlace(request.body);
    const of = await editOf(request, 'change');
    await writer.run('placeItem', { ...of, key: request.params.key, ...place });
    response.status(204).end();
  });
  router.delete('/courses/:id/items/:key', async (request, response) => {
    await writer.run('removeItem', { ...(await editOf(request, 'change')), key: request.params.key });
    response.status(204).end();
  });
  router.put('/courses/:id/items/:key/mark', async (request, response) => {
    const mark = checkMark(request.body);
    const of = await editOf(request, 'mark');
    await writer.run('markItem', { ...of, key: request.params.key, ...mark });
    response.status(204).end();
  });
  router.put('/courses/:id/archived', async (request, response) => {
    const { archived } = checkArchived(request.body);
    await writer.run('archiveCourse', { ...(await editOf(request, 'archive')), archived });
    response.status(204).end();
  });
  router.patch('/courses/:id', async (request, response) => {
    const changes = checkCourse(request.body);
    const { openForReuse, ...rest } = changes;
    if (Object.keys(changes).length === 0) throw unusable('Nothing was given to change.');
    // Opening a course for reuse is said of finished courses too; everything else changes the course.
    if (openForReuse !== undefined) await editOf(request, 'share');
    const of = await editOf(request, Object.keys(rest).length > 0 ? 'change' : 'share');
    await writer.run('editCourse', { ...of, changes });
    response.status(204).end();
  });
  router.post('/shells', async (request, response) => {
    const shell = checkShell(request.body);
    const asker = askerOf(request);
    const department = await departmentOf(reading.manager, shell, asker);
    demand(mayMakeShell(asker, department));
    const courseId = `${shell.code}${shell.number}-${shell.section}-${randomUUID().slice(0, 8)}`.toLowerCase();
    await writer.run('addShell', { ...shell, courseId, department, doer: doerOf(request), at: now() });
    response.status(201).json({ id: courseId });
  });
  router.delete('/courses/:id', async (request, response) => {
    await writer.run('removeShell', await editOf(request, 'change'));
    response.status(204).end();
  });
  return router;
}

/** The department of a course that is about to be made: that of its last run, else that of whoever makes it. */
async function departmentOf(
  manager: EntityManager,
  { code, number }: { readonly code: string; readonly number: string },
  { department, actorsDepartment }: Asker,
): Promise<string | null> {
  const [known] = await manager.query<{ department: string }[]>(
    `SELECT course.department FROM course JOIN term ON term.id = course.term_id
      WHERE code = ? AND department IS NOT NULL ORDER BY number = ? DESC, term.first_day DESC LIMIT 1`,
    [code, number],
  );
  return known?.department ?? actorsDepartment ?? department;
}
