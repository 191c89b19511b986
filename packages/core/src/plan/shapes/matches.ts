/** What an earlier run left: which item of the shell came from which item of which course, and what both said then. */
export interface LineageEntry {
  readonly item: string;
  readonly sourceCourse: string;
  readonly sourceItem: string;
  readonly sourceHash: string;
  readonly landedHash: string;
  /** The version that the shell's item had when it landed, where versions are kept. */
  readonly landedVersion?: number;
}

/** How an item of the source stands to the shell. */
export type Match =
  | { readonly verb: 'add' }
  | { readonly verb: 'join' | 'same' | 'update' | 'keep' | 'ask'; readonly to: string }
  | { readonly verb: 'keep'; readonly to: null; readonly was: string }
  /** Something would be written, but learners have begun it: it stays as it is. */
  | { readonly verb: 'keep'; readonly to: string; readonly begun: true };

/** It was brought before, as the thing that `was` names, and a person took that out of the shell. */
export const isTakenOutByHand = (match: Match): match is Extract<Match, { readonly to: null }> =>
  match.verb !== 'add' && match.to === null;

export interface Matches {
  readonly byItem: ReadonlyMap<string, Match>;
  /** Entries whose item no longer is in the source. */
  readonly gone: readonly LineageEntry[];
}
