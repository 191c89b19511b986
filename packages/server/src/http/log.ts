import { pino, type DestinationStream, type Logger } from 'pino';

/** What must not stand in a log: whoever reads it could act as somebody else. */
const SECRETS = ['req.headers.cookie', 'req.headers.authorization', 'res.headers["set-cookie"]'];

/** The log, without what would let its reader act as somebody else. */
export const makeLog = (level: string, to?: DestinationStream): Logger =>
  pino({ level, redact: { paths: SECRETS, censor: '…' } }, to);
