/** How deep the parts of a text may stand in each other. */
export const DEEPEST_NESTING = 200;

const TAG = /<(?<end>\/?)(?<name>[a-z][a-z\d]*)/gi;
/** What ends by itself, or is empty. */
const UNCOUNTED = new Set(
  'area base br col embed hr img input link meta param source track wbr p li dt dd td th tr thead tbody tfoot option rt rp'.split(
    ' ',
  ),
);

/**
 * How deep the tags of a text stand in each other at most, read in one pass. Tags that end by themselves do not count: what can be
 * nested in them has tags of its own.
 */
export function nestingOf(body: string): number {
  let depth = 0;
  let deepest = 0;
  for (const { groups } of body.matchAll(TAG)) {
    if (UNCOUNTED.has(groups!.name!.toLowerCase())) continue;
    depth = groups!.end === '/' ? Math.max(0, depth - 1) : depth + 1;
    deepest = Math.max(deepest, depth);
  }
  return deepest;
}
