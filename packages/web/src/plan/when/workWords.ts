import { isWork, type Kind, type SnapshotItem, type WorkSet } from '@yarin/core';
import { count } from '../../shared/words.js';

/** A work as its gradebook and its handing in see it: what the source says, and what was set in the plan. */
export interface Work {
  readonly points: number | undefined;
  /** A category of the source. */
  readonly category: string | undefined;
  readonly attempts: number | undefined;
  readonly minutesAllowed: number | undefined;
  readonly ways: readonly string[];
}

const linked = (item: SnapshotItem | undefined): string | undefined =>
  item?.links?.find(({ type }) => type === 'gradedIn')?.to;
const number = (value: unknown): number | undefined => (typeof value === 'number' ? value : undefined);

/** @returns `undefined` for what is no work */
export function workOf(
  item: SnapshotItem,
  set: WorkSet | undefined,
  byId: (id: string) => SnapshotItem | undefined,
): Work | undefined {
  if (!isWork(item.kind)) return undefined;
  const line = linked(item);
  const { attempts, minutesAllowed, ways } = { ...item.details, ...set };
  return {
    points: set?.points === null ? undefined : (set?.points ?? item.points),
    category: set?.category ?? (line === undefined ? undefined : linked(byId(line))),
    attempts: number(attempts),
    minutesAllowed: number(minutesAllowed),
    ways: Array.isArray(ways) ? ways.map(String) : [],
  };
}

/** “20 points · Quizzes · 2 attempts · 30 min · file, text”. */
export function workWords(
  { points, category, attempts, minutesAllowed, ways }: Work,
  titleOf: (id: string) => string,
): string {
  return [
    points === undefined ? 'no points' : count(points, 'point'),
    category === undefined ? '' : titleOf(category),
    attempts === undefined ? '' : attempts === 0 ? 'any number of attempts' : count(attempts, 'attempt'),
    minutesAllowed === undefined ? '' : `${minutesAllowed} min`,
    ways.join(', '),
  ]
    .filter((part) => part !== '')
    .join(' · ');
}

export const hasTimeLimit = (kind: string): boolean => (kind as Kind) === 'quiz';
export const isHandedIn = (kind: string): boolean => (kind as Kind) === 'assignment';
