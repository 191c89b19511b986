import type { PlanIndex } from '../shapes/preview.js';
import type { PlanLine } from '../shapes/line.js';
import type { Choices } from '../../schemas/choices.js';

/** What of a category’s weight is known: per cent, 0 for none. */
export const weightOf = ({ details }: { readonly details?: Readonly<Record<string, unknown>> | undefined }): number =>
  typeof details?.weight === 'number' ? details.weight : 0;

const NONE: ReadonlySet<string> = new Set();

/**
 * Categories that come only because a few pieces of work need them, into a course whose own categories have weights: they
 * leave their own weight behind, so that what counts there stays as it is.
 *
 * @returns their ids in the source
 * @see docs/rules.md, "Into a running course"
 */
export function weightsLeftBehind(
  { ground: { source, shell } }: Pick<PlanIndex, 'ground'>,
  lines: readonly PlanLine[],
  { all }: Choices,
): ReadonlySet<string> {
  if (all !== 'leave' || !shell.items.some((item) => item.kind === 'gradeCategory' && weightOf(item) > 0)) return NONE;
  const left = new Set<string>();
  source.items.forEach((item, at) => {
    const { verb, why } = lines[at]!;
    if (item.kind === 'gradeCategory' && verb === 'add' && why[0]?.reason === 'neededBy' && weightOf(item) > 0)
      left.add(item.id);
  });
  return left;
}
