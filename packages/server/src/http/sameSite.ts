import type { RequestHandler } from 'express';
import { forbidden } from './httpProblem.js';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
const OWN_SITES = new Set(['same-origin', 'none']);

/**
 * Lets a write through only when it was not sent by another site: browsers say so in `Sec-Fetch-Site`, older ones in `Origin`. What
 * sends neither is no browser. Cookies are `SameSite=Strict` beside it.
 */
export const sameSite: RequestHandler = (request, _response, next) => {
  if (
    !READS.has(request.method) &&
    comesFromElsewhere(request.get('sec-fetch-site'), request.get('origin'), request.host)
  )
    throw forbidden('The request came from another site. Nothing was changed.');
  next();
};

function comesFromElsewhere(site: string | undefined, origin: string | undefined, host: string): boolean {
  if (site !== undefined) return !OWN_SITES.has(site);
  if (origin === undefined) return false;
  return !URL.canParse(origin) || new URL(origin).host !== host;
}
