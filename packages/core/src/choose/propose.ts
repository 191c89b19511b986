import type { AGAINST_REASONS, FOR_REASONS, ProposeJob } from '../schemas/proposeJob.js';

export type ProposeCandidate = ProposeJob['courses'][number];
export type ForReason = (typeof FOR_REASONS)[number];
export type AgainstReason = (typeof AGAINST_REASONS)[number];

export interface Candidate {
  readonly course: string;
  readonly for: readonly ForReason[];
  readonly against: readonly AgainstReason[];
}

export interface Proposal {
  readonly verdict: 'one' | 'several' | 'none';
  readonly candidates: readonly Candidate[];
}

/** Two that are both known and not the same; what nobody said is no reason against. */
const differs = (a: string | undefined, b: string | undefined): boolean =>
  a !== undefined && b !== undefined && a !== b;

const isRun = ({ type }: ProposeCandidate): boolean => type === 'course';

/**
 * Proposes which old course a shell should be brought from, with reasons for and against each.
 *
 * @see docs/rules.md, "Which old course"
 */
export function propose({ shell, courses, formerly = [], runs = [] }: ProposeJob): Proposal {
  const sameCode = (course: ProposeCandidate): boolean => course.code === shell.code && course.number === shell.number;
  const formerCode = (course: ProposeCandidate): boolean =>
    formerly.some(
      ({ code, number, was }) =>
        code === shell.code && number === shell.number && was.code === course.code && was.number === course.number,
    );
  const candidates = courses.filter(
    (course) =>
      course.id !== shell.id &&
      course.things > course.stockThings &&
      (isRun(course) ? (sameCode(course) || formerCode(course)) && course.firstDay < shell.firstDay : sameCode(course)),
  );
  const isYours = ({ instructors }: ProposeCandidate): boolean =>
    instructors.some((id) => shell.instructors.includes(id));
  const isSameCampus = ({ campus }: ProposeCandidate): boolean => campus === shell.campus;
  const latest = candidates.filter(isRun).reduce((day, { lastDay }) => (lastDay > day ? lastDay : day), '');
  const latestTerm = candidates.filter(isRun).reduce((day, { firstDay }) => (firstDay > day ? firstDay : day), '');
  const isFreshDevelopment = ({ type, editedAt }: ProposeCandidate): boolean =>
    type === 'development' && editedAt !== undefined && editedAt.slice(0, 10) > latest;
  const largest = Math.max(0, ...candidates.map(({ things }) => things));

  const rank = (course: ProposeCandidate): readonly boolean[] => [
    isFreshDevelopment(course),
    isYours(course),
    isSameCampus(course),
  ];
  const ordered = [...candidates].sort((a, b) => {
    const [rankA, rankB] = [rank(a), rank(b)];
    for (let at = 0; at < rankA.length; at++) if (rankA[at] !== rankB[at]) return rankA[at] ? -1 : 1;
    if (a.firstDay !== b.firstDay) return a.firstDay > b.firstDay ? -1 : 1;
    const sections = Number(b.section === shell.section) - Number(a.section === shell.section);
    return sections || b.things - a.things || (a.id < b.id ? -1 : 1);
  });

  const reasonsFor = (course: ProposeCandidate): ForReason[] => {
    const reasons: [ForReason, boolean][] = [
      ['sameCourse', sameCode(course)],
      ['formerCode', !sameCode(course) && formerCode(course)],
      ['yours', isYours(course)],
      ['latestRun', isRun(course) && course.firstDay === latestTerm],
      ['sameCampus', isSameCampus(course) && shell.campus !== undefined],
      ['development', course.type === 'development'],
      ['template', course.type === 'template'],
      [
        'usedBefore',
        runs.some((run) => run.source === course.id && run.destination !== shell.id && run.term === shell.term),
      ],
    ];
    return reasons.filter(([, holds]) => holds).map(([reason]) => reason);
  };
  const reasonsAgainst = (course: ProposeCandidate): AgainstReason[] => {
    const reasons: [AgainstReason, boolean][] = [
      ['notYours', !isYours(course)],
      ['olderRun', isRun(course) && course.firstDay < latestTerm],
      ['otherCampus', differs(course.campus, shell.campus)],
      ['otherMode', differs(course.mode, shell.mode)],
      ['alreadyBrought', runs.some((run) => run.source === course.id && run.destination === shell.id)],
      ['fewThings', course.things < largest / 2],
    ];
    return reasons.filter(([, holds]) => holds).map(([reason]) => reason);
  };
  return {
    verdict: verdict(),
    candidates: ordered.map((course) => ({
      course: course.id,
      for: reasonsFor(course),
      against: reasonsAgainst(course),
    })),
  };

  function verdict(): Proposal['verdict'] {
    const [first, ...others] = ordered;
    if (first === undefined) return 'none';
    if (others.length === 0) return 'one';
    const sure =
      isYours(first) &&
      !others.some(({ firstDay }) => firstDay > first.firstDay) &&
      !others.some(({ type, editedAt }) => type === 'development' && (editedAt ?? '').slice(0, 10) > first.lastDay);
    return sure ? 'one' : 'several';
  }
}
