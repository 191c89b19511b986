import type { Problem, ProblemDetails } from '@yarin/core';

/** Thrown where a request can't be done; the one error handler answers with it. */
export class HttpProblem extends Error {
  constructor(readonly details: ProblemDetails) {
    super(details.detail);
    this.name = 'HttpProblem';
  }
}

const problem =
  (status: number, code: string, title: string) =>
  (detail: string, problems?: readonly Problem[]): HttpProblem =>
    new HttpProblem({
      type: `urn:yarin:${code}`,
      title,
      status,
      detail,
      ...(problems === undefined ? {} : { problems }),
    });

export const notSignedIn = problem(401, 'not-signed-in', 'Nobody is signed in');
export const forbidden = problem(403, 'forbidden', 'This is not yours to do');
export const notFound = problem(404, 'not-found', 'Nothing is there');
export const conflict = problem(409, 'conflict', 'Something stands in the way');
export const unusable = problem(422, 'unusable', 'This can’t be used as it is');
export const unavailable = problem(503, 'unavailable', 'Yarin can’t write just now');
export const malformed = problem(400, 'malformed', 'The request can’t be read');
