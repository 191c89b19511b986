import type { RightsPerson } from '@yarin/core';
import type { Request } from 'express';
import type { PersonRow } from '../database/entities/person.js';
import type { Doer } from '../history/deeds.js';
import { forbidden } from '../http/httpProblem.js';

declare module 'express-serve-static-core' {
  interface Locals {
    person: PersonRow;
    /** Who is signed in; not `person` when an administrator acts for somebody. */
    actor: PersonRow;
  }
}

/** Whose rights count in a request. */
export type Asker = PersonRow & RightsPerson;

/** Whoever asks, or for whom they act; every route but signing in needs one. */
export function askerOf({ res }: Request): Asker {
  const { person, actor } = res!.locals as { person: PersonRow; actor: PersonRow };
  return { ...person, actorsDepartment: actor.id === person.id ? null : actor.department };
}

/** Refuses what nobody does in another person's name. */
export function demandOwnName(request: Request, why: string): void {
  if (doerOf(request).forPersonId !== null) throw forbidden(why);
}

/** Who does what a request does, as the history notes it. */
export function doerOf({ res }: Request): Doer {
  const { person, actor } = res!.locals as { person: PersonRow; actor: PersonRow };
  return { personId: actor.id, forPersonId: actor.id === person.id ? null : person.id };
}

/** Who asks for what of which course, and when. */
export interface AskedCourse {
  readonly person: Asker;
  readonly courseId: string;
  readonly now: string;
}
