import type { FindingDefault } from './findings/finding.js';
import type { FindingName } from '../names/findings.js';

/** Why an item comes or stays. `item` is the unit that was chosen, what needs it, what it goes with, what it is the parent of, the end that a rule lacks, or the work of a line. */
export interface Why {
  readonly reason:
    | 'item'
    | 'unit'
    | 'kind'
    | 'all'
    | 'mark'
    | 'finding'
    | 'standsThere'
    | 'neededBy'
    | 'goesWith'
    | 'parentOf'
    | 'ends'
    | 'endMissing'
    | 'workStays'
    | 'keepsPlace';
  readonly item?: string;
  readonly finding?: FindingName;
}

export interface Decision {
  readonly bring: boolean;
  readonly why: readonly Why[];
  /** By a finding that nobody has turned: what it makes of the item. */
  readonly by: FindingDefault | undefined;
  /** Left outside work that keeps its title, points and dates as a draft. */
  readonly place: boolean;
  /** Only the heading or the target was needed; the shell has it already, so nothing is copied. */
  readonly met: boolean;
  /** It comes because others need it, although this left it and nobody has answered. */
  readonly leftBy?: Why;
  /** It comes as a draft, to be written anew. */
  readonly reword?: true;
  /** Of a double that stays behind: the one that what needs it gets. */
  readonly standIn?: string;
}

/** One decision an item. */
export interface ChoiceDecisions {
  /** In the order of the snapshot. */
  readonly list: readonly Decision[];
  get(id: string): Decision | undefined;
}
