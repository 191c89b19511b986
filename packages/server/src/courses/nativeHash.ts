import { createHash } from 'node:crypto';

/** The core's `textHash`, by the platform's own SHA-256. */
export const nativeHash = (text: string): string => `sha256:${createHash('sha256').update(text, 'utf8').digest('hex')}`;
