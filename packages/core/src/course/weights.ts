import type { SnapshotItem } from './snapshot.js';

type Weighed = Pick<SnapshotItem, 'kind' | 'details'>;

/** The weight of a category, per cent; `undefined` when it has none, and of everything else. */
export const weightOf = ({ kind, details }: Weighed): number | undefined =>
  kind === 'gradeCategory' && typeof details?.weight === 'number' ? details.weight : undefined;

/** All weights of a gradebook together, per cent; `undefined` when no category has one. */
export function weightsOf(items: readonly Weighed[]): number | undefined {
  const weights = items.flatMap((item) => weightOf(item) ?? []);
  return weights.length === 0 ? undefined : weights.reduce((sum, weight) => sum + weight, 0);
}
