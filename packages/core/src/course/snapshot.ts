import type { Calendar, Meeting } from '../schemas/calendar.js';
import type { Course, CourseHead, Item, Mark } from '../schemas/course.js';
import { addressesIn, itemAddressed } from '../words/addresses.js';
import { contentHash, textHash } from './contentHash.js';

/** An item without its text, which choosing and planning do not need. */
export interface SnapshotItem extends Omit<Item, 'body'> {
  readonly contentHash: string;
  readonly bodyHash?: string;
  /** Counts up with every edit, also of what the hash does not cover: state and links. */
  readonly version?: number | undefined;
}

/** A course as the plan sees it: everything but the texts. */
export interface Snapshot {
  readonly course: CourseHead;
  readonly calendar: Calendar;
  readonly meetings: readonly Meeting[];
  readonly items: readonly SnapshotItem[];
  readonly marks: readonly Mark[];
}

type Linked = Pick<Item, 'body' | 'links'>;

/**
 * The links of an item: those that are listed, and one for every address in its body that leads to an item or file of
 * the course.
 */
export function linksOf(
  item: Linked,
  courseId: string,
  byId: ReadonlyMap<string, Pick<Item, 'id' | 'kind'>>,
): NonNullable<Item['links']> {
  const links = [...(item.links ?? [])];
  for (const { address, embedded } of addressesIn(item.body ?? '')) {
    const id = itemAddressed(address, courseId, (segment) => byId.has(segment));
    const target = id === undefined ? undefined : byId.get(id);
    if (target === undefined || links.some(({ to }) => to === target.id)) continue;
    links.push({ type: embedded || target.kind === 'file' ? 'embeds' : 'links', to: target.id });
  }
  return links;
}

export function snapshotOf(course: Course): Snapshot {
  const byId = new Map(course.items.map((item) => [item.id, item]));
  return {
    course: course.course,
    calendar: course.calendar,
    meetings: course.meetings ?? [],
    marks: course.marks ?? [],
    items: course.items.map((item) => {
      const { body, ...rest } = item;
      const bodyHash = body === undefined || body === '' ? undefined : textHash(body);
      return {
        ...rest,
        links: linksOf(item, course.course.id, byId),
        contentHash: contentHash(rest, bodyHash),
        ...(bodyHash === undefined ? {} : { bodyHash }),
      };
    }),
  };
}
