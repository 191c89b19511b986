import { withoutReferences } from './characterReferences.js';

/** An address in a body: where it leads, whether the thing is shown in place (an image, a film), and where it is written. */
export interface Address {
  readonly address: string;
  readonly embedded: boolean;
  /** Its value between the quotation marks, in UTF-16 units of the body. */
  readonly start: number;
  readonly end: number;
}

const ATTRIBUTE = /\b(href|src|data|poster)\s*=\s*(?:"([^"]*)"|'([^']*)')/gi;

export function addressesIn(body: string): Address[] {
  return [...body.matchAll(ATTRIBUTE)].map((match) => {
    const value = match[2] ?? match[3] ?? '';
    const end = match.index + match[0].length - 1;
    return {
      address: withoutReferences(value).trim(),
      embedded: match[1]!.toLowerCase() !== 'href',
      start: end - value.length,
      end,
    };
  });
}

/**
 * A body with other addresses in it; all else stays to the letter.
 *
 * @param change  what an address becomes; `undefined` when it stays
 */
function withAddresses(body: string, change: (address: Address) => string | undefined): string {
  let written = '';
  let from = 0;
  for (const address of addressesIn(body)) {
    const changed = change(address);
    if (changed === undefined) continue;
    written += body.slice(from, address.start) + changed.replace(/[&"'<>]/g, escapedCharacter);
    from = address.end;
  }
  return written + body.slice(from);
}

const ESCAPED: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '"': '&quot;',
  "'": '&#39;',
  '<': '&lt;',
  '>': '&gt;',
};
const escapedCharacter = (character: string): string => ESCAPED[character]!;

const SCHEME = /^(?:[a-z][a-z\d+.-]*:|\/\/)/i;
const SEPARATORS = /[/?#&=]/;
const OF_AN_ITEM = 'item:';
/** The key in an address of a thing. */
const OWN_KEY = /(?<=^item:)[^#?]*/;

/** A part of an address without its `%` marks; as it stands where they are malformed. */
const decoded = (segment: string): string => {
  try {
    return decodeURIComponent(segment);
  } catch {
    return segment;
  }
};

/** The key that an address of a thing names, `item:KEY`; `undefined` for any other address. */
export const keyAddressed = (address: string): string | undefined =>
  address.startsWith(OF_AN_ITEM) ? decoded(address.slice(OF_AN_ITEM.length).split(/[#?]/)[0]!) : undefined;

/** The address of a thing by its key. */
export const addressOfKey = (key: string): string => OF_AN_ITEM + encodeURIComponent(key);

/** The host that an address names, in small letters; `undefined` for one without. */
export const hostOf = (address: string): string | undefined =>
  /^(?:[a-z][a-z\d+.-]*:)?\/\/([^/?#]+)/i.exec(address)?.[1]?.toLowerCase();

/** The parts of an address between its slashes and signs, without `%` marks. */
export const segmentsOf = (address: string): string[] => address.split(SEPARATORS).map(decoded);

/**
 * The id of the item of this course that an address leads to: `item:ID`; a path in which the course's id is a segment
 * and a later segment is the item's; or a relative path that ends in an item's id.
 */
export function itemAddressed(address: string, courseId: string, isItem: (id: string) => boolean): string | undefined {
  const key = keyAddressed(address);
  if (key !== undefined) return key;
  const segments = segmentsOf(address);
  const at = segments.indexOf(courseId);
  if (at >= 0) return segments.slice(at + 1).find(isItem);
  if (SCHEME.test(address)) return undefined;
  const last = decoded(address.split(/[?#]/)[0]!.split('/').at(-1) ?? '');
  return isItem(last) ? last : undefined;
}

const COURSE_SEGMENT = /^courses?$/i;

/**
 * The id of another course that an address leads to: of one that is known, or, on the pages of this system, whatever
 * stands where this system's addresses have a course.
 *
 * @param isKnown  whether a course of this system has this id
 * @param isOurs   whether a host is this system's; an address without a host is
 */
export function courseAddressed(
  address: string,
  isKnown: (id: string) => boolean,
  isOurs: (host: string) => boolean,
): string | undefined {
  if (/^(?:item|mailto|tel|data):/i.test(address)) return undefined;
  const host = hostOf(address);
  const path = host === undefined ? address : address.slice(address.indexOf('//') + '//'.length + host.length);
  const segments = segmentsOf(path);
  const known = segments.find((segment) => segment !== '' && isKnown(segment));
  if (known !== undefined) return known;
  if (host !== undefined && !isOurs(host)) return undefined;
  const at = segments.findIndex((segment) => COURSE_SEGMENT.test(segment));
  const named = at < 0 ? undefined : segments[at + 1];
  return named === undefined || named === '' ? undefined : named;
}

/**
 * An address into one course that leads to the same thing in another. Only the segments that name the course and the item
 * change.
 *
 * @param newId  where an item stands in the new course; `undefined` when it does not
 * @returns `undefined` when it leads to no item of the old course, or to one that is not in the new
 */
function addressInto(
  address: string,
  from: string,
  to: string,
  newId: (id: string) => string | undefined,
): string | undefined {
  const id = itemAddressed(address, from, (segment) => newId(segment) !== undefined);
  const there = id === undefined ? undefined : newId(id);
  if (id === undefined || there === undefined) return undefined;
  if (address.startsWith(OF_AN_ITEM)) return address.replace(OWN_KEY, encodeURIComponent(there));
  return withSegments(address, { [from]: to, [id]: there });
}

/** An address with other segments: those that are named become others, encoded, and all else stays. */
export const withSegments = (address: string, renamed: Readonly<Record<string, string>>): string =>
  address.replace(/[^/?#&=]+/g, (segment) => {
    const name = decoded(segment);
    return Object.hasOwn(renamed, name) ? encodeURIComponent(renamed[name]!) : segment;
  });

/** A text in which the addresses of things name other keys; what stands behind a key stays. */
export const withKeysOf = (text: string, newKey: (key: string) => string): string =>
  withAddresses(text, ({ address }) => {
    const key = keyAddressed(address);
    return key === undefined ? undefined : address.replace(OWN_KEY, encodeURIComponent(newKey(key)));
  });

/** A text with the addresses in it that lead to items of one course leading to the same things in another. */
export const readdressed = (
  text: string,
  from: string,
  to: string,
  newId: (id: string) => string | undefined,
): string => withAddresses(text, ({ address }) => addressInto(address, from, to, newId));
