import type { ProblemDetails } from '@yarin/core';

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

async function send<Answer>(method: string, path: string, body?: unknown): Promise<Answer> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
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
export const remove = (path: string): Promise<void> => send('DELETE', path);

/** The sentence to show for anything that was thrown. */
export const sentenceOf = (error: unknown): string =>
  error instanceof ApiProblem ? error.message : 'Something failed here. Load the page again; nothing was lost.';
