import { fail, succeed, type Result } from '@yarin/core';

/** Reads a text as JSON; a text that is none is a problem with the place that the reader stumbled over. */
export function readJson(text: string): Result<unknown> {
  try {
    return succeed(JSON.parse(text.charCodeAt(0) === 0xfeff ? text.slice(1) : text));
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return fail([
      { code: 'notJson', message: `This is not JSON: ${error.message}. Hand in one JSON value.`, where: '' },
    ]);
  }
}
