import { isMust } from '../../names/links.js';
import type { SnapshotItem } from '../../course/snapshot.js';
import type { Choices } from '../../schemas/choices.js';

/**
 * What was brought before, is no longer in the source, and is taken out of the shell because a person asked for it. What
 * something that stays stands in or must have is not taken out.
 *
 * @param gone   ids of the shell's things that the source has no more
 * @param shell  all things of the shell
 * @see docs/rules.md, "Verbs"
 */
export function takenOut(
  gone: readonly string[],
  shell: readonly SnapshotItem[],
  { takeOut = {}, equivalents = {} }: Choices,
): ReadonlySet<string> {
  const serving = new Set(Object.values(equivalents));
  const out = new Set(gone.filter((id) => takeOut[id] === true && !serving.has(id)));
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
