import type { RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import { HttpProblem } from './httpProblem.js';

export const REQUESTS_A_MINUTE = 1200;
/** Of one address without a session: behind a proxy a whole college may share one when it signs in. */
const SIGN_ONS_A_MINUTE = 2400;

const TOO_MANY = new HttpProblem({
  type: 'urn:yarin:too-many-requests',
  title: 'Too many requests',
  status: 429,
  detail: 'That was too much at once. Nothing was changed; wait a minute.',
});

/** Limits requests by session, so that people behind one address don't take each other's share; by address where there is none. */
export const requestLimit = (ofSession: number): RequestHandler =>
  rateLimit({
    windowMs: 60_000,
    limit: ({ session }) => (session.personId === undefined ? SIGN_ONS_A_MINUTE : ofSession),
    keyGenerator: ({ session, sessionID, ip }) =>
      session.personId === undefined ? `address ${ipKeyGenerator(ip ?? '')}` : `session ${sessionID}`,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: () => {
      throw TOO_MANY;
    },
  });
