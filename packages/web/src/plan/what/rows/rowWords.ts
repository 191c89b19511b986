import { FINDING_WORDS, isOut, parseDay, type Moment, type PlanLine } from '@yarin/core';
import { dayWords } from '../../../shared/readersDates.js';

/** How a strand is drawn: it comes, stays behind, keeps its place, joins what is there, or needs a decision. */
export type StrandStyle = 'comes' | 'stays' | 'place' | 'joins' | 'needs';

const SHOWN_ROLES: readonly (readonly [Moment['role'], string])[] = [
  ['due', 'due'],
  ['posts', 'posts'],
  ['starts', ''],
  ['opens', 'opens'],
];

/** The date that tells most about a thing: “due Mon 9 Feb”. */
export function dateWords(moments: readonly Moment[] = []): string {
  for (const [role, word] of SHOWN_ROLES) {
    const moment = moments.find((each) => each.role === role);
    if (moment !== undefined) return `${word} ${dayWords(parseDay(moment.at))}`.trim();
  }
  return '';
}

/** Why a row is as it is, in a few words beside its title. */
export function noteOf(line: PlanLine, marked: string, titleOf: (id: string | undefined) => string): string {
  const [why] = line.why;
  if (line.reword) return 'a draft, to reword';
  if (line.begun) return 'stays as it is: learners have begun it';
  if (line.place) return 'keeps its place';
  if (isOut(line)) return 'taken out of the shell';
  if (line.verb === 'ask') return line.answered === undefined ? 'stands there already' : 'decided';
  switch (why?.reason) {
    case 'neededBy':
    case 'goesWith':
      return `comes with ${titleOf(why.item)}`;
    case 'parentOf':
      return `heading of ${titleOf(why.item)}`;
    case 'endMissing':
    case 'workStays':
      return `stays with ${titleOf(why.item)}`;
    case 'standsThere':
      return 'the shell has it';
    case 'mark':
      return marked;
    default:
      if (line.verb === 'join') return 'joins the shell’s';
      return why?.finding === undefined ? marked : FINDING_WORDS[why.finding];
  }
}

export const MARK_NOTES = {
  never: 'marked: never carry on',
  hidden: 'comes hidden',
  reword: 'reword first',
  evergreen: 'evergreen',
};

export function strandOf(line: PlanLine, isBroken: boolean): StrandStyle {
  const { verb, place, answered } = line;
  if (place) return 'place';
  if (isOut(line)) return 'stays';
  if (isBroken) return 'needs';
  switch (verb) {
    case 'join':
    case 'same':
    case 'keep':
      return 'joins';
    case 'ask':
      return answered === undefined ? 'needs' : 'joins';
    case 'leave':
    case 'gone':
      return 'stays';
    case 'add':
    case 'update':
    case 'here':
      return 'comes';
  }
}
