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

/**
 * The id of the item of this course that an address leads to: `item:ID`, or a path in which the course's id is a
 * segment and a later segment is the item's.
 */
export function itemAddressed(address: string, courseId: string, isItem: (id: string) => boolean): string | undefined {
  if (address.startsWith('item:')) return address.slice('item:'.length).split(/[#?]/)[0];
  const segments = address.split(/[/?#&=]/);
  const at = segments.indexOf(courseId);
  return at < 0 ? undefined : segments.slice(at + 1).find(isItem);
}
