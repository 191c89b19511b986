import type { ErrorRequestHandler, RequestHandler } from 'express';
import { MulterError } from 'multer';
import { HttpProblem, malformed, notFound, unusable } from './httpProblem.js';

/** Answers for addresses that nothing stands at. */
export const nothingThere: RequestHandler = (request) => {
  throw notFound(`There is nothing at ${request.method} ${request.path}.`);
};

const UPLOAD_SENTENCES: Readonly<Record<string, string>> = {
  LIMIT_FILE_SIZE: 'The file is larger than may be added (200 MB; 30 MB for a file of the roster). Nothing was kept.',
  LIMIT_FILE_COUNT: 'Those are more files than may come at once. Nothing was kept.',
  LIMIT_UNEXPECTED_FILE: 'A file came where none is expected. Nothing was kept.',
};

/** What the reader of uploads says of one that is malformed or was broken off; its errors have no other mark. */
const BROKEN_UPLOAD =
  /^(?:Malformed part header|Malformed content type|Missing Content-Type|Unsupported content type|Unexpected end of (?:form|file)|Multipart: Boundary not found|Request (?:error|aborted|closed))/;

function uploadProblem(error: unknown): HttpProblem | undefined {
  const isBroken = error instanceof Error && BROKEN_UPLOAD.test(error.message);
  if (!(error instanceof MulterError) && !isBroken) return undefined;
  const code = error instanceof MulterError ? error.code : '';
  return unusable(UPLOAD_SENTENCES[code] ?? 'The upload can’t be read. Nothing was kept.');
}

const hasStatus = (error: unknown): error is { status: number; message: string; type?: string } =>
  typeof error === 'object' && error !== null && typeof (error as { status?: unknown }).status === 'number';

/** The one place that turns what went wrong into an answer; no stack trace leaves the server. */
export const errorHandler: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const known =
    error instanceof HttpProblem
      ? error
      : hasStatus(error) && error.status >= 400 && error.status < 500
        ? malformed(error.type === 'entity.too.large' ? 'That is more than a request may hold (2 MB).' : error.message)
        : uploadProblem(error);
  if (known !== undefined) {
    response.status(known.details.status).type('application/problem+json').send(JSON.stringify(known.details));
    return;
  }
  request.log.error({ err: error }, 'a request failed');
  response
    .status(500)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: 'urn:yarin:failed',
        title: 'Something failed in Yarin',
        status: 500,
        detail: 'Nothing was changed. Try again; if it fails again, tell your administrator the time.',
      }),
    );
};
