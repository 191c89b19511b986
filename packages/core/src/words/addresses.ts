/** An address in a body: where it leads, and whether the thing is shown in place (an image, a film). */
export interface Address {
  readonly address: string;
  readonly embedded: boolean;
}

const ATTRIBUTE = /\b(href|src|data|poster)\s*=\s*(?:"([^"]*)"|'([^']*)')/gi;

export function addressesIn(body: string): Address[] {
  return [...body.matchAll(ATTRIBUTE)].map(([, name, double, single]) => ({
    address: (double ?? single ?? '').trim(),
    embedded: name!.toLowerCase() !== 'href',
  }));
}

const SCHEME = /^(?:[a-z][a-z\d+.-]*:|\/\/)/i;
const SEPARATORS = /[/?#&=]/;

/** A part of an address without its `%` marks; as it stands where they are malformed. */
export const decoded = (segment: string): string => {
  try {
    return decodeURIComponent(segment);
  } catch {
    return segment;
  }
};

/**
 * The id of the item of this course that an address leads to: `item:ID`; a path in which the course's id is a segment
 * and a later segment is the item's; or a relative path that ends in an item's id.
 */
export function itemAddressed(address: string, courseId: string, isItem: (id: string) => boolean): string | undefined {
  if (address.startsWith('item:')) return decoded(address.slice('item:'.length).split(/[#?]/)[0]!);
  const segments = address.split(SEPARATORS).map(decoded);
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
  const host = /^(?:[a-z][a-z\d+.-]*:)?\/\/([^/?#]+)/i.exec(address)?.[1]?.toLowerCase();
  const path = host === undefined ? address : address.slice(address.indexOf(host) + host.length);
  const segments = path.split(SEPARATORS).map(decoded);
  const known = segments.find((segment) => segment !== '' && isKnown(segment));
  if (known !== undefined) return known;
  if (host !== undefined && !isOurs(host)) return undefined;
  const at = segments.findIndex((segment) => COURSE_SEGMENT.test(segment));
  const named = at < 0 ? undefined : segments[at + 1];
  return named === undefined || named === '' ? undefined : named;
}

/**
 * A text with the addresses in it that lead to items of one course leading to the same things in another. Only the
 * segments that name the course and the item change; what did not come along stays as it is.
 *
 * @param newId  where an item stands in the new course; `undefined` when it does not
 */
export function readdressed(text: string, from: string, to: string, newId: (id: string) => string | undefined): string {
  return text.replace(ATTRIBUTE, (attribute, _name, double?: string, single?: string) => {
    const address = double ?? single ?? '';
    const id = itemAddressed(address.trim(), from, (segment) => newId(segment) !== undefined);
    const there = id === undefined ? undefined : newId(id);
    if (id === undefined || there === undefined) return attribute;
    const rewritten = address.trim().startsWith('item:')
      ? address.replace(/(?<=^\s*item:)[^#?]*/, encodeURIComponent(there))
      : address.replace(/[^/?#&=]+/g, (segment) =>
          decoded(segment) === from ? to : decoded(segment) === id ? encodeURIComponent(there) : segment,
        );
    return attribute.replace(address, () => rewritten);
  });
}
