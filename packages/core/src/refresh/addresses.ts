import type { RefreshJob } from '../schemas/refreshJob.js';
import { itemAddressed, keyAddressed, segmentsOf, withSegments } from '../words/text/addresses.js';
import type { Place } from '../words/text/prose.js';
import type { Proposal } from './proposal.js';
import type { ReadItem } from './readItem.js';

const WRITTEN = /https?:\/\/[^\s"'<>)]+/gi;

/**
 * Links into the old course, in attributes and written out, with the same thing in the new one; without a replacement where that did
 * not come. Only the segments that name course and thing change.
 */
export function addressProposals(job: RefreshJob): (read: ReadItem) => Proposal[] {
  const { id } = job.course.course;
  const ids = new Set(job.course.items.map((each) => each.id));
  const proposed = ({ item, texts }: ReadItem, address: string, place: Place): Proposal[] => {
    if (keyAddressed(address) !== undefined || !segmentsOf(address).includes(id)) return [];
    const thing = itemAddressed(address, id, (segment) => ids.has(segment));
    const there = thing === undefined ? undefined : job.brought?.[thing];
    const text = texts.get(place.field)!.slice(place.start, place.end);
    const { course } = job.destination;
    const replacement =
      thing === undefined
        ? withSegments(text, { [id]: course.id })
        : there === undefined
          ? null
          : withSegments(text, { [id]: course.id, [thing]: there });
    return replacement === text ? [] : [{ item: item.id, ...place, text, sort: 'address', replacement }];
  };
  return (read) => {
    const { prose } = read;
    const seen = prose.addresses.flatMap(({ address, field, start, end }) =>
      proposed(read, address, { field, start, end }),
    );
    const written = [...prose.text.matchAll(WRITTEN)].flatMap(({ 0: address, index }) => {
      const place = prose.placeOf({ start: index, end: index + address.length });
      return place === undefined ? [] : proposed(read, address, place);
    });
    return [...seen, ...written];
  };
}
