import type { Why } from '../choose/choose.js';

export type Verb = 'add' | 'join' | 'same' | 'update' | 'keep' | 'ask' | 'gone' | 'leave' | 'here';

/** What happens to one thing. `item` is null for what only the shell has, `to` is null for what does not come. */
export interface PlanLine {
  readonly source: string;
  readonly item: string | null;
  readonly verb: Verb;
  readonly why: readonly Why[];
  readonly to: string | null;
  readonly place?: true;
}

const WRITTEN: readonly Verb[] = ['add', 'join', 'update'];

export const isWritten = ({ verb, place }: Pick<PlanLine, 'verb' | 'place'>): boolean =>
  WRITTEN.includes(verb) || place === true;
