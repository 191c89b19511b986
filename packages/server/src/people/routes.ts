import { Type } from '@sinclair/typebox';
import { Router, type Request, type RequestHandler } from 'express';
import { PersonRow } from '../database/entities/person.js';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { notFound, notSignedIn } from '../http/httpProblem.js';

declare module 'express-session' {
  interface SessionData {
    personId: string;
  }
}

declare module 'express-serve-static-core' {
  interface Locals {
    person: PersonRow;
  }
}

const signInSchema = Type.Object({ person: Type.String() }, { additionalProperties: false });
const checkSignIn = checked(signInSchema);

const shown = ({ id, givenName, familyName, role }: PersonRow) => ({
  id,
  name: `${givenName} ${familyName}`,
  initials: `${givenName[0] ?? ''}${familyName[0] ?? ''}`,
  role,
});

/** Whoever asks; every route but signing in needs one. */
export const askerOf = ({ res }: Request): PersonRow => res!.locals.person;

/** Lets only signed-in people through, and says who asks. */
export function signedIn({ reading }: Server): RequestHandler {
  return async (request, response, next) => {
    const { personId } = request.session;
    const person = personId === undefined ? null : await reading.manager.findOneBy(PersonRow, { id: personId });
    if (person === null) throw notSignedIn('Sign in first; nothing was done.');
    response.locals.person = person;
    next();
  };
}

/** The stand-in for the campus sign-on: lists the made-up people and lets one in. */
export function signOnRoutes({ reading }: Server): Router {
  const router = Router();
  router.get('/people', async (_request, response) => {
    const people = await reading.manager.find(PersonRow, { order: { familyName: 'ASC' } });
    response.json({ people: people.map(shown) });
  });
  router.get('/session', async (request, response) => {
    const { personId } = request.session;
    const person = personId === undefined ? null : await reading.manager.findOneBy(PersonRow, { id: personId });
    response.json({ person: person === null ? null : shown(person) });
  });
  router.post('/session', async (request, response, next) => {
    const { person: id } = checkSignIn(request.body);
    const person = await reading.manager.findOneBy(PersonRow, { id });
    if (person === null) throw notFound(`There is nobody with the id “${id}”; choose one of the people listed.`);
    request.session.regenerate((error) => {
      if (error) return next(error);
      request.session.personId = id;
      request.session.save((failed) => (failed ? next(failed) : response.json({ person: shown(person) })));
    });
  });
  router.delete('/session', (request, response, next) => {
    request.session.destroy((error) => (error ? next(error) : response.status(204).end()));
  });
  return router;
}
