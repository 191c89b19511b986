import { isCollegesOwn } from '../../course/syllabus.js';
import { isMust } from '../../names/links.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { Choices } from '../../schemas/choices.js';

const NONE: ReadonlySet<string> = new Set();

/** Whether a person may have a thing of the shell taken out: not its settings, what the college put there, or what learners have begun. */
export const canBeTakenOut = (item: SnapshotItem): boolean =>
  item.kind !== 'courseSettings' && !isCollegesOwn(item) && item.begun !== true;

/**
 * What is taken out of the shell because a person asked for it: things that nothing of the source answers to, be it that they
 * left the source or that they were never of it. What something that stays stands in or must have is not taken out.
 *
 * @param answered  ids of the shell's things in whose place something of the source stands
 * @param shell     all things of the shell
 * @see docs/rules.md, "Verbs"
 */
export function takenOut(
  answered: ReadonlySet<string | null>,
  shell: readonly SnapshotItem[],
  { takeOut = {}, equivalents = {} }: Choices,
): ReadonlySet<string> {
  const serving = new Set(Object.values(equivalents));
  const out = new Set<string>();
  for (const item of shell)
    if (takeOut[item.id] === true && !answered.has(item.id) && !serving.has(item.id) && canBeTakenOut(item))
      out.add(item.id);
  if (out.size === 0) return NONE;
  for (let before = -1; out.size > 0 && before !== out.size;) {
    before = out.size;
    for (const { id, parent, links = [] } of shell) {
      if (out.has(id)) continue;
      if (parent !== undefined) out.delete(parent);
      for (const { type, to } of links) if (isMust(type)) out.delete(to);
    }
  }
  return out;
}
