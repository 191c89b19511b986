import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Item } from '../schemas/course.js';

function canonical(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(canonical).join(',')}]`;
  if (value !== null && typeof value === 'object')
    return `{${Object.entries(value)
      .filter(([, each]) => each !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
      .map(([key, each]) => `${JSON.stringify(key)}:${canonical(each)}`)
      .join(',')}}`;
  return JSON.stringify(value);
}

export const textHash = (text: string): string => `sha256:${bytesToHex(sha256(utf8ToBytes(text)))}`;

/**
 * The hash of what an item says: title, text, settings, points and dates; not its id, place, state or when it was edited.
 *
 * @param bodyHash  hash of the text (`textHash`), so that the text itself need not be at hand
 * @param hash      the same function as `textHash`, where the platform has a faster one
 * @see docs/rules.md, "Content hash"
 */
export function contentHash(item: Omit<Item, 'body'>, bodyHash: string | undefined, hash = textHash): string {
  const moments = (item.moments ?? []).map(({ role, at, for: people }) => `${role} ${at} ${people ?? ''}`).sort();
  return hash(
    canonical({
      kind: item.kind,
      title: item.title,
      body: bodyHash,
      points: item.points,
      details: item.details === undefined || Object.keys(item.details).length === 0 ? undefined : item.details,
      moments: moments.length === 0 ? undefined : moments,
    }),
  );
}
