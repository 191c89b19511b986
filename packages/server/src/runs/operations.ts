import type { LineageEntry } from '@yarin/core';

/** An item as it stood, with all that hangs on it: rows as the database has them. */
export interface StoredItem {
  readonly item: Readonly<Record<string, unknown>>;
  readonly moments: readonly Readonly<Record<string, unknown>>[];
  readonly links: readonly Readonly<Record<string, unknown>>[];
}

/** One thing that a run did. Its inverse takes it back. */
export type RunOperation =
  | {
      readonly op: 'added';
      readonly key: string;
      readonly from: string;
      readonly place: boolean;
      /** A heading or a place: the rest of its source did not come. Absent in older journals. */
      readonly isPart?: boolean;
    }
  | {
      readonly op: 'changed';
      readonly key: string;
      readonly from: string;
      readonly before: StoredItem;
      /** What source and shell said when an earlier run brought it; absent when none had. */
      readonly lineageBefore?: Pick<LineageEntry, 'sourceHash' | 'landedHash' | 'landedVersion'> | undefined;
    }
  | { readonly op: 'noted'; readonly key: string; readonly from: string };
