import type { Joined } from '@yarin/core';

/** Where a thing of several sources is from: the course by name, and the same with the others in which it stands. */
export type FromOf = (id: string) => {
  readonly name: string;
  readonly words: string;
  /** Of its course among those that the plan brings from. */
  readonly place: number;
  /** It is from another than the first. */
  readonly isOther: boolean;
};

const NOWHERE = { name: '', words: '', place: 0, isOther: false };

/** @param nameOf  the name of a course that the plan brings from */
export function placesFrom({ sources, origins, others }: Joined, nameOf: (course: string) => string): FromOf {
  return (id) => {
    const origin = origins.get(id);
    if (origin === undefined) return NOWHERE;
    const name = nameOf(origin.course);
    const also = (others.get(id) ?? []).map(({ course }) => nameOf(course));
    const place = sources.findIndex(({ course }) => course.id === origin.course);
    const words = also.length === 0 ? name : `${name}, also ${also.join(', ')}`;
    return { name, words, place, isOther: place > 0 };
  };
}
