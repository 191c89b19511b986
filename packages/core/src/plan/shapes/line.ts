import type { Why } from '../../choose/decision.js';
import { VERB_MEANINGS, type Verb } from '../../names/verbs.js';

/** What happens to one thing. `item` is null for what only the shell has, `to` is null for what does not come. */
export interface PlanLine {
  readonly source: string;
  readonly item: string | null;
  readonly verb: Verb;
  /** The reason first; behind it, for what others need, theirs, up to what was chosen. */
  readonly why: readonly Why[];
  readonly to: string | null;
  readonly place?: true;
  /** Of `ask`: a person decided; something is written, or all of the shell's is kept. */
  readonly answered?: 'written' | 'kept';
  /** Of `gone` and `here`: a person asked to take it out of the shell. */
  readonly takenOut?: true;
  /** It comes as a draft, to be written anew. */
  readonly reword?: true;
  /** Of `keep`: something would be written, but learners have begun it. */
  readonly begun?: true;
  /** It comes for something inside it: title, place and state, without its text. */
  readonly headingOnly?: true;
}

/** Of what is written: it stands in the shell as a thing of its own, and takes the place of nothing; a kept place does so too. */
export const landsNew = ({ verb }: Pick<PlanLine, 'verb'>): boolean => VERB_MEANINGS[verb].landsNew === true;

/** It will not be in the new course: it is left, left the source, or came before and was taken out of the shell by hand. */
export const staysBehind = ({ verb, to }: Pick<PlanLine, 'verb' | 'to'>): boolean =>
  VERB_MEANINGS[verb].staysBehind === true || to === null;

/** It came before, and a person took it out of the shell: it stays out. */
export const isOut = ({ verb, to }: Pick<PlanLine, 'verb' | 'to'>): boolean => verb === 'keep' && to === null;

export const isWritten = ({ verb, place, answered }: Pick<PlanLine, 'verb' | 'place' | 'answered'>): boolean =>
  VERB_MEANINGS[verb].writes === true || place === true || answered === 'written';
