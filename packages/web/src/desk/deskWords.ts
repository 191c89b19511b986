import type { Candidate, DeskShell, PlanSentence } from '@yarin/core';
import { contentsWords, count, datesWords, listed, ofWords } from '../shared/words.js';

type Reason = Candidate['for'][number] | Candidate['against'][number];

const REASON_WORDS: Readonly<Record<Reason, string>> = {
  sameCourse: 'same course',
  formerCode: 'under its former code',
  yours: 'yours',
  latestRun: 'the last to run',
  sameCampus: 'same campus',
  development: 'the development course',
  template: 'a shared template',
  usedBefore: 'brought into another section already',
  notYours: 'not yours',
  olderRun: 'an older run',
  otherCampus: 'another campus',
  otherMode: 'another mode',
  alreadyBrought: 'brought already',
  fewThings: 'holds less than half',
};

const GOES_WITHOUT_SAYING: readonly Reason[] = ['sameCourse', 'sameCampus', 'development', 'template'];

/** Why a course is proposed, in a few words: “yours, the last to run”. */
export function reasonWords({ for: reasons, against }: Pick<Candidate, 'for' | 'against'>): string {
  const told = reasons.filter((reason) => !GOES_WITHOUT_SAYING.includes(reason));
  const words = (told.length > 0 ? told : reasons).map((reason) => REASON_WORDS[reason]).join(', ');
  return against.length === 0 ? words : `${words}; but ${listed(against.map((reason) => REASON_WORDS[reason]))}`;
}

/** “210 of 236 come, 134 dates move, 8 to look at”. */
export function sentenceWords(plan: PlanSentence): string {
  if (plan.comes + plan.takenOut === 0) return `${plan.stands} of ${plan.of} are there`;
  const look = plan.doubts + plan.leftOver;
  return `${ofWords(plan)} come, ${datesWords(plan.dates)}, ${look === 0 ? 'nothing' : look} to look at`;
}

/** “3 loose ends and 2 doubts”. */
export function leftWords({ leftOver, doubts }: Pick<PlanSentence, 'leftOver' | 'doubts'>): string {
  return listed([count(leftOver, 'loose end'), ...(doubts === 0 ? [] : [count(doubts, 'doubt')])]);
}

export const holdsWords = (shell: DeskShell['shell']): string =>
  `${shell.things > shell.stockThings ? 'holds ' : ''}${contentsWords(shell)}`;

const NUMBERS = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];
export const numberWord = (value: number): string => NUMBERS[value] ?? String(value);

/** The line under the head of the Desk: “Five shells are yours. Four plans are ready, one is done.” */
export function deskLine(shells: readonly DeskShell[]): string {
  const done = shells.filter(({ done: run }) => run !== null).length;
  const open = shells.filter(({ done: run }) => run === null);
  const isReady = ({ verdict, plan }: DeskShell): boolean => verdict === 'one' || plan?.touched === true;
  const ready = open.filter(isReady).length;
  const choose = open.filter((shell) => shell.verdict === 'several' && !isReady(shell)).length;
  const none = open.filter((shell) => shell.verdict === 'none' && !isReady(shell)).length;
  const parts = [
    ready > 0 ? `${ready === 1 ? 'one plan is' : `${numberWord(ready).toLowerCase()} plans are`} ready` : '',
    choose > 0 ? `${numberWord(choose).toLowerCase()} ${choose === 1 ? 'needs' : 'need'} a choice` : '',
    none > 0 ? `${numberWord(none).toLowerCase()} ${none === 1 ? 'has' : 'have'} no predecessor` : '',
    done > 0 ? `${numberWord(done).toLowerCase()} ${done === 1 ? 'is' : 'are'} done` : '',
  ].filter((part) => part !== '');
  const yours = `${numberWord(shells.length)} ${shells.length === 1 ? 'shell is' : 'shells are'} yours.`;
  if (parts.length === 0) return yours;
  const [first, ...rest] = parts;
  return `${yours} ${[first![0]!.toUpperCase() + first!.slice(1), ...rest].join(', ')}.`;
}
