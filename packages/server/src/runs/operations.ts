import type { LineageEntry } from '@yarin/core';

/** An item as it stood, with all that hangs on it: rows as the database has them. */
export interface StoredItem {
  readonly item: Readonly<Record<string, unknown>>;
  readonly moments: readonly Readonly<Record<string, unknown>>[];
  readonly links: readonly Readonly<Record<string, unknown>>[];
}

/** Which thing an operation is about: its key in the new course, and where it is from. */
interface OfThing {
  readonly key: string;
  readonly from: string;
  /** The course that it is from, when that is not the first of the run. */
  readonly source?: string | undefined;
}

/** One thing that a run did. Its inverse takes it back. `aliased`: what leads to the same thing of another source leads to it. */
export type RunOperation = OfThing &
  (
    | {
        readonly op: 'added';
        readonly place: boolean;
        /** A heading or a place: the rest of its source did not come. Absent in older journals. */
        readonly isPart?: boolean;
      }
    | {
        readonly op: 'changed';
        readonly before: StoredItem;
        /** What source and shell said when an earlier run brought it; absent when none had. */
        readonly lineageBefore?: Pick<LineageEntry, 'sourceHash' | 'landedHash' | 'landedVersion'> | undefined;
      }
    | { readonly op: 'takenOut'; readonly before: StoredItem }
    | { readonly op: 'noted' }
    | { readonly op: 'aliased' }
  );

/** Whether a run wrote the thing itself. */
export const wrote = ({ op }: RunOperation): boolean => op === 'added' || op === 'changed';
