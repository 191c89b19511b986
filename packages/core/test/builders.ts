import { contentHash } from '../src/course/contentHash.js';
import { snapshotOf, type Snapshot } from '../src/course/snapshot.js';
import { isWritten } from '../src/plan/shapes/line.js';
import type { LineageEntry } from '../src/plan/shapes/matches.js';
import type { Preview } from '../src/plan/shapes/preview.js';
import type { Kind } from '../src/names/kinds.js';
import type { Course, Item } from '../src/schemas/course.js';
import { SPRING_2026, SPRING_2027 } from './terms.js';

type Rest = Partial<Omit<Item, 'id' | 'kind' | 'title'>>;

/** An item; its title is its id unless one is given. */
export const item = (kind: Kind, id: string, rest: Rest & { title?: string } = {}): Item => ({
  id,
  kind,
  title: rest.title ?? id,
  state: 'open',
  editedAt: '2026-01-05T09:00',
  ...rest,
});

/** A unit with what stands in it, in order. */
export const unit = (id: string, ...items: Item[]): Item[] => [
  item('unit', id, { body: `<p>${id}</p>` }),
  ...items.map((each, index) => ({ ...each, parent: each.parent ?? id, position: index + 1 })),
];

export const due = (id: string, at: string): Item['moments'] => [{ id: `${id}-due`, role: 'due', at }];

/** Freshwater Ecology of Spring 2026 with these items. */
export const oldCourse = (...items: Item[]): Course => ({
  course: {
    id: 'old',
    code: 'ECO',
    number: '214',
    section: '01',
    title: 'Freshwater Ecology',
    term: 'Spring 2026',
    mode: 'on site',
    locale: 'en-US',
  },
  calendar: SPRING_2026.calendar,
  meetings: SPRING_2026.meetings ?? [],
  items,
});

/** Its Spring 2027 shell, holding these items. */
export const newShell = (...items: Item[]): Course => ({
  course: { ...oldCourse().course, id: 'new', section: '02', term: 'Spring 2027' },
  calendar: SPRING_2027.calendar,
  meetings: SPRING_2027.meetings ?? [],
  items,
});

/** Something of the shell that nobody edited. */
export const stock = (kind: Kind, id: string, rest: Rest & { title?: string } = {}): Item => {
  const { editedAt: _, ...bare } = item(kind, id, rest);
  return bare;
};

export const asSnapshot = (course: Course): Snapshot => snapshotOf(course);

/** The shell as a run would leave it, with the lineage that it would note. */
export function afterRun(
  source: Course,
  shell: Course,
  { items, lines }: Pick<Preview, 'items' | 'lines'>,
): { snapshot: Snapshot; lineage: LineageEntry[] } {
  const sources = new Map(asSnapshot(source).items.map((each) => [each.id, each]));
  const now = items.map((each) => ({
    ...each,
    contentHash: contentHash(each, each.bodyHash),
    editedAt: each.editedAt ?? '2026-11-24T09:00',
  }));
  const lineage = lines.filter(isWritten).map(({ item: from, to }): LineageEntry => ({
    item: to!,
    sourceCourse: source.course.id,
    sourceItem: from!,
    sourceHash: sources.get(from!)!.contentHash,
    landedHash: now.find(({ id }) => id === to)!.contentHash,
  }));
  return { snapshot: { ...asSnapshot(shell), items: now }, lineage };
}
