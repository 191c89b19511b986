import { Type } from '@sinclair/typebox';
import type { FoundView, When } from '@yarin/core';
import { Router } from 'express';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { INSTITUTION } from '../institution.js';
import { askerOf } from '../people/asker.js';
import { findClosed } from './findClosed.js';
import { findCourses } from './findCourses.js';
import { findThings } from './findThings.js';
import { Vocabulary } from './vocabulary.js';

const truth = Type.Optional(Type.Union([Type.Literal('yes'), Type.Literal('no')]));
const checkQuery = checked(
  Type.Object(
    {
      words: Type.Optional(Type.String({ maxLength: 200 })),
      when: Type.Optional(Type.Union(['past', 'current', 'coming'].map((when) => Type.Literal(when as When)))),
      term: Type.Optional(Type.String({ maxLength: 100 })),
      mine: truth,
      usable: truth,
      holds: truth,
      template: truth,
      campus: Type.Optional(Type.String({ maxLength: 100 })),
      most: Type.Optional(Type.String({ pattern: '^[1-9]\\d{0,3}$', description: 'How many at most, 1 to 9999.' })),
    },
    { additionalProperties: false },
  ),
);

const FEW = 20;

export function findRoutes({ reading, clock }: Server): Router {
  const router = Router();
  const vocabulary = new Vocabulary(reading.manager);
  router.get('/find', async (request, response) => {
    const { words = '', when, term, campus, mine, usable, holds, template, most } = checkQuery(request.query);
    const asker = askerOf(request);
    const filters = {
      when,
      term,
      campus,
      mine: mine === 'yes',
      usable: usable === 'yes',
      holds: holds === 'yes',
      template: template === 'yes',
    };
    const today = clock.now(INSTITUTION.timeZone).slice(0, 10);
    const limit = Number(most ?? FEW);
    const found = await findCourses(reading.manager, vocabulary, asker, words, filters, today, limit);
    const closed = await findClosed(reading.manager, asker, words, filters, today);
    const things = await findThings(reading.manager, asker, words, FEW);
    const terms = await reading.manager.query<{ name: string }[]>(
      'SELECT name FROM term WHERE parent_id IS NULL ORDER BY first_day DESC',
    );
    const campuses = await reading.manager.query<{ campus: string }[]>(
      'SELECT DISTINCT campus FROM course WHERE campus IS NOT NULL ORDER BY campus',
    );
    response.json({
      ...found,
      ...things,
      closed,
      terms: terms.map(({ name }) => name),
      campuses: campuses.map(({ campus }) => campus),
    } satisfies FoundView);
  });
  return router;
}
