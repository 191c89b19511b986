import type { Finding } from '../../choose/findings/finding.js';
import type { Snapshot } from '../../course/snapshot.js';
import type { LineageEntry } from './matches.js';
import type { Origin } from './origin.js';

/** One source of a plan, with what follows from it and the shell alone. */
export interface SourceGround {
  readonly source: Snapshot;
  readonly findings: readonly Finding[];
  readonly lineage: readonly LineageEntry[];
}

/** Where the things of several sources, that are planned as one, are from. */
export interface Joined {
  /** In their order of precedence; each has a calendar of its own. */
  readonly sources: readonly Snapshot[];
  /** By the id of a thing in the joined source. */
  readonly origins: ReadonlyMap<string, Origin>;
  /** By the same id: the same thing in other sources, which stays behind for it. */
  readonly others: ReadonlyMap<string, readonly Origin[]>;
  /** By `originKey`: the id in the joined source, of what stays behind too. */
  readonly ids: ReadonlyMap<string, string>;
}

export interface JoinedGround extends SourceGround {
  /** Absent when there is one source. */
  readonly joined?: Joined | undefined;
}
