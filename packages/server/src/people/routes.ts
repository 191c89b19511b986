import { Type } from '@sinclair/typebox';
import { USUAL_DATES, type PersonView, type SessionView } from '@yarin/core';
import { Router, type Request, type RequestHandler } from 'express';
import type { DataSource } from 'typeorm';
import { PersonRow } from '../database/entities/person.js';
import type { Server } from '../context.js';
import { checked } from '../http/checked.js';
import { forbidden, notFound, notSignedIn } from '../http/httpProblem.js';

declare module 'express-session' {
  interface SessionData {
    personId: string;
    /** For whom an administrator acts. */
    forPersonId: string;
  }
}

const closed = { additionalProperties: false };
const checkSignIn = checked(Type.Object({ person: Type.String() }, closed));
const checkDates = checked(
  Type.Partial(
    Type.Object({
      order: Type.Union([Type.Literal('dayFirst'), Type.Literal('monthFirst')]),
      clock: Type.Union([Type.Literal(24), Type.Literal(12)]),
    }),
    closed,
  ),
);
const checkActFor = checked(Type.Object({ person: Type.Union([Type.String(), Type.Null()]) }, closed));

const shown = ({ id, givenName, familyName, role, department }: PersonRow): PersonView => ({
  id,
  name: `${givenName} ${familyName}`,
  initials: `${givenName[0] ?? ''}${familyName[0] ?? ''}`,
  role,
  department,
});

interface SignedIn {
  readonly actor: PersonRow;
  readonly person: PersonRow;
}

async function whoIs(reading: DataSource, { session }: Request): Promise<SignedIn | undefined> {
  const find = (id: string | undefined): Promise<PersonRow | null> =>
    id === undefined ? Promise.resolve(null) : reading.manager.findOneBy(PersonRow, { id });
  const actor = await find(session.personId);
  if (actor === null) return undefined;
  const person = actor.role === 'administrator' ? await find(session.forPersonId) : null;
  return { actor, person: person ?? actor };
}

/** Lets only signed-in people through, and says who asks. */
export function signedIn({ reading }: Server): RequestHandler {
  return async (request, response, next) => {
    const who = await whoIs(reading, request);
    if (who === undefined) throw notSignedIn('Sign in first; nothing was done.');
    Object.assign(response.locals, who);
    next();
  };
}

const sessionView = (who: SignedIn | undefined): SessionView | { person: null; actor: null } =>
  who === undefined
    ? { person: null, actor: null }
    : {
        person: shown(who.person),
        actor: who.actor.id === who.person.id ? null : shown(who.actor),
        dates: who.actor.dateStyle ?? USUAL_DATES,
      };

/** The stand-in for the campus sign-on: lists the made-up people and lets one in; an administrator acts for others. */
export function signOnRoutes({ reading, writer }: Server): Router {
  const router = Router();
  router.get('/people', async (_request, response) => {
    const people = await reading.manager.find(PersonRow, { order: { familyName: 'ASC' } });
    response.json({ people: people.map(shown) });
  });
  router.get('/session', async (request, response) => {
    response.json(sessionView(await whoIs(reading, request)));
  });
  router.post('/session', async (request, response, next) => {
    const { person: id } = checkSignIn(request.body);
    const person = await reading.manager.findOneBy(PersonRow, { id });
    if (person === null) throw notFound(`There is nobody with the id “${id}”; choose one of the people listed.`);
    request.session.regenerate((error) => {
      if (error) return next(error);
      request.session.personId = id;
      request.session.save((failed) => (failed ? next(failed) : response.json(sessionView({ actor: person, person }))));
    });
  });
  router.put('/session/for', async (request, response) => {
    const { person: id } = checkActFor(request.body);
    const who = await whoIs(reading, request);
    if (who === undefined) throw notSignedIn('Sign in first; nothing was done.');
    if (who.actor.role !== 'administrator') throw forbidden('Only an administrator acts for somebody else.');
    const person = id === null ? who.actor : await reading.manager.findOneBy(PersonRow, { id });
    if (person === null) throw notFound(`There is nobody with the id “${id}”.`);
    if (person.role === 'administrator' && person.id !== who.actor.id)
      throw forbidden('Nobody acts for another administrator.');
    if (id === null) delete request.session.forPersonId;
    else request.session.forPersonId = person.id;
    response.json(sessionView({ actor: who.actor, person }));
  });
  router.patch('/session/dates', async (request, response) => {
    const who = await whoIs(reading, request);
    if (who === undefined) throw notSignedIn('Sign in first; nothing was done.');
    await writer.run('styleDates', { person: who.actor.id, change: checkDates(request.body) });
    response.status(204).end();
  });
  router.delete('/session', (request, response, next) => {
    request.session.destroy((error) => (error ? next(error) : response.status(204).end()));
  });
  return router;
}
