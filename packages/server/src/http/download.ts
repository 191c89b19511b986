import type { Response } from 'express';

/** Sends a text as a file to be kept; what a file name can't hold is left out of its name. */
export function download(response: Response, name: string, type: string, text: string): void {
  response
    .attachment(name.replace(/[^\w .-]/g, ''))
    .type(type)
    .send(text);
}
