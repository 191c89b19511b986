import type { ProblemDetails } from '@yarin/core';
import { asRead } from '../readersDates.js';

/** A refusal of the server, with its sentence and places. */
export class ApiProblem extends Error {
  constructor(readonly details: ProblemDetails) {
    super(details.detail);
    this.name = 'ApiProblem';
  }
}

const OUT_OF_REACH: ProblemDetails = {
  type: 'urn:yarin:out-of-reach',
  title: 'Yarin can’t be reached',
  status: 0,
  detail: 'Yarin can’t be reached just now. What you see stays; try again in a moment.',
};

/** Files go as they are, everything else as JSON. */
function bodyOf(body: unknown): RequestInit {
  if (body === undefined) return {};
  if (body instanceof FormData) return { body };
  return { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) };
}

/** Letters of what may outlive the page that sent it: browsers let no more. */
const MOST_KEPT_ALIVE = 30_000;

async function send<Answer>(method: string, path: string, body?: unknown): Promise<Answer> {
  let response: Response;
  try {
    const sent = bodyOf(body);
    // What somebody decided last is saved also when they leave the page meanwhile.
    const keepalive = method === 'PATCH' && typeof sent.body === 'string' && sent.body.length < MOST_KEPT_ALIVE;
    response = await fetch(`/api${path}`, { method, keepalive, ...sent });
  } catch {
    throw new ApiProblem(OUT_OF_REACH);
  }
  if (response.status === 204) return undefined as Answer;
  const answer: unknown = await response.json().catch(() => OUT_OF_REACH);
  if (!response.ok) throw new ApiProblem(answer as ProblemDetails);
  return answer as Answer;
}

export const get = <Answer>(path: string): Promise<Answer> => send('GET', path);
export const post = <Answer>(path: string, body: unknown = {}): Promise<Answer> => send('POST', path, body);
export const put = <Answer>(path: string, body: unknown): Promise<Answer> => send('PUT', path, body);
export const patch = <Answer = void>(path: string, body: unknown): Promise<Answer> => send('PATCH', path, body);
export const remove = (path: string): Promise<void> => send('DELETE', path);

/** The places of the single problems of a refusal, by their JSON Pointer. */
export const placesOf = (error: unknown): ReadonlyMap<string, string> =>
  new Map(
    error instanceof ApiProblem
      ? (error.details.problems ?? []).map(({ where, message }) => [where, asRead(message)])
      : [],
  );

export const isConflict = (error: unknown): boolean => error instanceof ApiProblem && error.details.status === 409;

/** The sentence to show for anything that was thrown. */
export const sentenceOf = (error: unknown): string =>
  error instanceof ApiProblem ? asRead(error.message) : 'Something failed here. Load the page again; nothing was lost.';
