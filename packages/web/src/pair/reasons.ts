import type { CourseSummary, PairCandidate } from '@yarin/core';
import { count, listed } from '../shared/words.js';

type For = PairCandidate['for'][number];
type Against = PairCandidate['against'][number];

/** Both sides of a pair, and where else was brought from the source this term. */
interface Facts {
  readonly source: CourseSummary;
  readonly shell: CourseSummary;
  readonly usedInto: readonly string[];
}

const names = (course: CourseSummary): string => listed(course.instructors) || 'nobody yet';

function forWords(reason: For, { source, shell, usedInto }: Facts): string {
  switch (reason) {
    case 'sameCourse':
      return `same course, ${source.code} ${source.number}`;
    case 'formerCode':
      return `ran as ${source.code} ${source.number}, which is ${shell.code} ${shell.number} now`;
    case 'yours':
      return `taught by ${listed(source.instructors.filter((_, index) => shell.instructorIds.includes(source.instructorIds[index]!)))} too`;
    case 'latestRun':
      return `the last to run, ${source.term}`;
    case 'sameCampus':
      return `same campus, ${source.campus}`;
    case 'development':
      return source.editedAt === null
        ? 'the development course'
        : `the development course, last edited ${source.editedAt.slice(0, 10)}`;
    case 'template':
      return 'a shared template';
    case 'usedBefore':
      return usedInto.length === 0
        ? 'brought into another section already'
        : `brought into ${listed(usedInto)} already`;
  }
}

function againstWords(reason: Against, { source, shell }: Facts): string {
  switch (reason) {
    case 'notYours':
      return `taught by ${names(source)}, the shell by ${names(shell)}`;
    case 'olderRun':
      return `an older run, ${source.term}`;
    case 'otherCampus':
      return `of another campus, ${source.campus}`;
    case 'otherMode':
      return `held ${source.mode}, the shell is ${shell.mode}`;
    case 'alreadyBrought':
      return 'was brought into this shell already';
    case 'fewThings':
      return `holds only ${count(source.things, 'thing')}`;
  }
}

/** Why a course is proposed, and what speaks against it, each with its facts. */
export const reasonsOf = (
  { for: reasons, against }: Pick<PairCandidate, 'for' | 'against'>,
  facts: Facts,
): { readonly for: string[]; readonly against: string[] } => ({
  for: reasons.map((reason) => forWords(reason, facts)),
  against: against.map((reason) => againstWords(reason, facts)),
});

/** “One is sure”, “two could be it”, “none”. */
export function verdictWords(verdict: 'one' | 'several' | 'none', candidates: number, askable = 0): string {
  if (verdict === 'none' && askable > 0)
    return 'This course ran before, but not with you. Ask whoever taught it, or find any other course that you may use.';
  if (verdict === 'none') return 'No earlier course has this code. Find any other one that you may use.';
  if (verdict === 'one') return 'This one is it, as far as can be seen:';
  return `${candidates === 2 ? 'Two' : candidates} could be it; the likeliest stands first:`;
}
