import type { Calendar, Meeting } from '../schemas/calendar.js';
import type { Course, CourseHead, Item, ItemState, Mark } from '../schemas/course.js';
import { addressesIn, itemAddressed } from '../words/text/addresses.js';
import { hasContent } from '../words/text/hasContent.js';
import { contentHash, textHash } from './contentHash.js';
import { isMust } from '../names/links.js';
import { textsOf } from './texts.js';

/** An item without its text, which choosing and planning do not need. */
export interface SnapshotItem extends Omit<Item, 'body'> {
  readonly contentHash: string;
  readonly bodyHash?: string;
  /** Counts up with every edit, also of what the hash does not cover: state and links. */
  readonly version?: number | undefined;
  /** Learners handed something in here, answered, replied or were marked. */
  readonly begun?: true | undefined;
  /** The person who edited it last, where that is kept. */
  readonly editedBy?: string | undefined;
}

/** A course as the plan sees it: everything but the texts. */
export interface Snapshot {
  readonly course: CourseHead;
  readonly calendar: Calendar;
  readonly meetings: readonly Meeting[];
  readonly items: readonly SnapshotItem[];
  readonly marks: readonly Mark[];
}

type Linked = Pick<Item, 'body' | 'links' | 'details'>;

/**
 * The links of an item: those that are listed, and one for every address in its texts that leads to an item or file of
 * the course.
 */
export function linksOf(
  item: Linked,
  courseId: string,
  byId: ReadonlyMap<string, Pick<Item, 'id' | 'kind'>>,
): NonNullable<Item['links']> {
  const links = [...(item.links ?? [])];
  const isItem = (segment: string): boolean => byId.has(segment);
  const url = typeof item.details?.url === 'string' ? [{ address: item.details.url, embedded: false }] : [];
  for (const { address, embedded } of [...textsOf(item).flatMap(addressesIn), ...url]) {
    const id = itemAddressed(address, courseId, isItem);
    const target = id === undefined ? undefined : byId.get(id);
    if (target === undefined) continue;
    const type = embedded || target.kind === 'file' ? 'embeds' : 'links';
    if (links.some((link) => link.to === target.id && (link.type === type || isMust(link.type)))) continue;
    links.push({ type, to: target.id });
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
      const bodyHash = hasContent(body) ? textHash(body!) : undefined;
      return {
        ...rest,
        links: linksOf(item, course.course.id, byId),
        contentHash: contentHash(rest, bodyHash),
        ...(bodyHash === undefined ? {} : { bodyHash }),
      };
    }),
  };
}

/** The state of an item as a person left it: before a whole course was hidden or archived at once, what it was then. */
export const ownState = ({ state, stateBefore }: Pick<Item, 'state' | 'stateBefore'>): ItemState =>
  (state === undefined || state === 'hidden' ? stateBefore : undefined) ?? state ?? 'open';
