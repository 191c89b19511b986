import { FLAG_WORDS, type Flag, type PreviewDate } from '@yarin/core';
import { explain } from '../readersDates.js';

/** How a date looks in a table; what stays where it stands is quiet. */
export function faceOf({ id, rule, from, to }: PreviewDate, doubtful: ReadonlySet<string>): string {
  if (doubtful.has(id)) return 'doubtful';
  return rule === 'keep' && from === to ? 'quiet' : 'moved';
}

/** Why a date goes where it goes: its flags, then the steps that led there. */
export function whyWords(date: PreviewDate): string {
  // The step that left a break names it.
  const isSaid = (flag: Flag): boolean => flag === 'wasInBreak' && date.steps.some(({ step }) => step === 'break');
  const flags = date.flags.flatMap((flag) => (isSaid(flag) ? [] : [FLAG_WORDS[flag]])).join(', ');
  return [flags, explain(date)].filter((words) => words !== '').join(' · ');
}
