import type { Joined } from '@yarin/core';

/** Where a thing of several sources is from: the course by name, and the same with the others in which it stands. */
export type FromOf = (id: string) => {
  readonly name: string;
  readonly words: string;
  /** It is from another than the first. */
  readonly isOther: boolean;
};

const NOWHERE = { name: '', words: '', isOther: false };

/** @param nameOf  the name of a course that the plan brings from */
export function placesFrom({ sources, origins, others }: Joined, nameOf: (course: string) => string): FromOf {
  return (id) => {
    const origin = origins.get(id);
    if (origin === undefined) return NOWHERE;
    const name = nameOf(origin.course);
    const also = (others.get(id) ?? []).map(({ course }) => nameOf(course));
    const isOther = origin.course !== sources[0]!.course.id;
    return { name, words: also.length === 0 ? name : `${name}, also ${also.join(', ')}`, isOther };
  };
}
