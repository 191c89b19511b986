import type { SnapshotItem } from '../course/snapshot.js';
import type { LineageEntry } from '../plan/match.js';
import type { Origin } from '../plan/overlaps.js';

/** What source and shell said when a thing was last brought. */
export type Noted = Pick<LineageEntry, 'sourceHash' | 'landedHash' | 'landedVersion'>;

/**
 * One change of a course, as data: it can be inverted, and it can be asked what it needs and what is in its way. Things stand
 * as snapshots have them, texts by their hash. `before` and `after` are absent where nobody has to know them: what a run adds
 * stands in the course itself.
 *
 * - `aliased`: addresses that led to the thing of the origin lead to this one
 * - `noted`: the thing is the same as that of the origin; nothing is written
 *
 * @see docs/rules.md, "The journal"
 */
export type Operation = {
  /** Of the thing, in the course that is changed. */
  readonly key: string;
  /** Where the thing is from; null when a person made it. */
  readonly origin: Origin | null;
} & (
  | {
      readonly op: 'added';
      /** A place or a heading alone: the rest of its source did not come. */
      readonly part?: 'place' | 'heading' | undefined;
      readonly after?: SnapshotItem | undefined;
    }
  | {
      readonly op: 'changed';
      readonly before?: SnapshotItem | undefined;
      readonly after?: SnapshotItem | undefined;
      /** What was noted of it before; absent when nothing was. */
      readonly notedBefore?: Noted | undefined;
    }
  | { readonly op: 'removed'; readonly before?: SnapshotItem | undefined }
  | { readonly op: 'aliased' }
  | { readonly op: 'noted' }
);

/** Whether it writes the thing itself. */
export const writes = ({ op }: Operation): boolean => op === 'added' || op === 'changed';
