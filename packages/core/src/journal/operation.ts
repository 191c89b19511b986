import type { SnapshotItem } from '../course/snapshot.js';
import type { LineageEntry } from '../plan/shapes/matches.js';
import type { Origin } from '../plan/shapes/origin.js';
import type { CourseEdit, CourseTimeEdit } from '../schemas/edits.js';

/** What source and shell said when a thing was last brought, and by which run, where that has to be known. */
export type Noted = Pick<LineageEntry, 'sourceHash' | 'landedHash' | 'landedVersion'> & {
  readonly run?: string | undefined;
};

/** What a change names of a thing: all of it, or what differs; a field that is absent on one side is not set there. */
export type Fields = Readonly<Partial<SnapshotItem>>;

/** What a change names of what is set for a whole course. */
export type CourseFields = Readonly<
  Partial<
    CourseEdit &
      Omit<CourseTimeEdit, 'additions'> & { additions: CourseTimeEdit['additions'] | null; archived: boolean }
  >
>;

/**
 * One change of a course, as data: it can be applied and inverted, and it can be asked what it needs and what is in its way.
 * Things stand as snapshots have them, texts by their hash. `after` is absent where it stands in the course itself: what a run
 * added, or changed. A `changed` with both sides names what differs, one with `before` alone the whole thing.
 *
 * - `aliased`: addresses that led to the thing of the origin lead to this one; `unaliased` that they don't any more
 * - `noted`: what is noted of the thing and that of the origin; without sides they are the same, and nothing is written
 * - `set`: what is set for the whole course
 *
 * @see docs/rules.md, "The journal"
 */
export type Operation = {
  /** Of the thing, in the course that is changed; of a `set` the id of the course. */
  readonly key: string;
  /** Where the thing is from; null when a person made it. */
  readonly origin: Origin | null;
} & (
  | {
      readonly op: 'added';
      /** A place or a heading alone: the rest of its source did not come. */
      readonly part?: 'place' | 'heading' | undefined;
      readonly after?: SnapshotItem | undefined;
      /** Of one that came before and was taken out by hand since: what was noted of it then. */
      readonly notedBefore?: Noted | undefined;
    }
  | {
      readonly op: 'changed';
      readonly before?: Fields | undefined;
      readonly after?: Fields | undefined;
      /** What was noted of it before; absent when nothing was. */
      readonly notedBefore?: Noted | undefined;
    }
  | {
      readonly op: 'removed';
      readonly before?: SnapshotItem | undefined;
      /** Where it takes back what was put back: what was noted of that. */
      readonly notedBefore?: Noted | undefined;
    }
  | { readonly op: 'set'; readonly before: CourseFields; readonly after: CourseFields }
  | { readonly op: 'noted'; readonly before?: Noted | undefined; readonly after?: Noted | undefined }
  | { readonly op: 'aliased' | 'unaliased' }
);

/** Whether it writes the thing itself. */
export const writes = ({ op }: Operation): boolean => op === 'added' || op === 'changed';
