import type { FindingName, ItemState, Kind, PreviewItem, SnapshotItem } from '@yarin/core';
import type { StrandStyle } from './rowWords.js';

export type BoxState = 'on' | 'off' | 'part';

/** A row of either page. */
export interface RowBase {
  readonly key: string;
  readonly title: string;
  readonly depth: number;
  readonly isHeading: boolean;
  /** Of a heading that is a thing itself, what it says folded: “17 of 19”. */
  readonly tally: string;
  /** Of what learners open, when they can't yet. */
  readonly state: Exclude<ItemState, 'open'> | undefined;
  /** Words that it is found by and that are not shown: its category in the gradebook. */
  readonly also: string;
  /** Of several sources: where it is from. */
  readonly from: { readonly words: string; readonly isOther: boolean } | undefined;
}

/** A row of the old page. Headings of areas, kinds and findings have no item of their own. */
export interface OldRow extends RowBase {
  readonly item: SnapshotItem | undefined;
  /** Of a heading of a kind: the kind. */
  readonly ofKind: Kind | undefined;
  /** Of a heading of a finding: the finding. */
  readonly ofFinding: FindingName | undefined;
  /** The items that choosing this row chooses: itself and all that stands in it. */
  readonly covers: readonly string[];
  readonly box: BoxState;
  /** With a filter in force: it covers what is shown under it, and no more. */
  readonly isNarrowed?: true;
  readonly note: string;
  readonly kind: string;
  readonly date: string;
  readonly strand: StrandStyle;
  readonly to: string | null;
  readonly tone?: undefined;
}

/** A row of the new page. */
export interface NewRow extends RowBase {
  readonly item: PreviewItem | undefined;
  readonly kind: string;
  readonly date: string;
  readonly tone: 'moved' | 'in-doubt' | 'here';
  /** Of the shell's own and of headings over it: whether it is kept. */
  readonly box: BoxState | undefined;
  /** The things of the shell that taking this row out takes out. */
  readonly covers: readonly string[];
  readonly note: string;
  readonly isNarrowed?: undefined;
}

export const boxOf = (on: number, of: number): BoxState => (on === of ? 'on' : on === 0 ? 'off' : 'part');
