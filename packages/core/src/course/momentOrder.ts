import type { Moment } from '../schemas/course.js';

type Dated = Pick<Moment, 'role' | 'at' | 'for'>;

/** What has to come first, by role. */
const FIRST: Readonly<Partial<Record<Moment['role'], Moment['role']>>> = {
  ends: 'starts',
  closes: 'opens',
  due: 'opens',
};

/** Moments of a thing that can't be where they are: it can't end before it starts, nor be due or close before it opens, for the same people. */
export const reversedMoments = <Each extends Dated>(
  moments: readonly Each[],
): { readonly index: number; readonly moment: Each; readonly before: Each }[] =>
  moments.flatMap((moment, index) => {
    const before = moments.find((each) => each.role === FIRST[moment.role] && each.for === moment.for);
    return before === undefined || before.at <= moment.at ? [] : [{ index, moment, before }];
  });
