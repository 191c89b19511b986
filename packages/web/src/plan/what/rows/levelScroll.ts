/** A pair of rows that lie level: one on the old page, one on the new. */
export type Anchor = readonly [oldRow: number, newRow: number];

/** The longest run of pairs in which both sides go down, so that scrolling never turns back. */
export function anchorsOf(pairs: readonly Anchor[]): Anchor[] {
  const tails: number[] = [];
  const before: number[] = [];
  pairs.forEach(([, to], index) => {
    let high = tails.length;
    // Mostly both pages go down together.
    const isNext = high === 0 || pairs[tails[high - 1]!]![1] < to;
    let low = isNext ? high : 0;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (pairs[tails[middle]!]![1] < to) low = middle + 1;
      else high = middle;
    }
    before[index] = low > 0 ? tails[low - 1]! : -1;
    tails[low] = index;
  });
  const kept: Anchor[] = [];
  for (let index = tails[tails.length - 1] ?? -1; index >= 0; index = before[index]!) kept.push(pairs[index]!);
  return kept.reverse();
}

/**
 * Where a height on one page lies on the other: between two anchors, or the top and the first, in
 * proportion; behind the last in step.
 *
 * @param from  0 for old to new, 1 for new to old
 */
export function levelHeight(anchors: readonly Anchor[], rowHeight: number, height: number, from: 0 | 1): number {
  const to = from === 0 ? 1 : 0;
  const middle = (row: number): number => (row + 0.5) * rowHeight;
  let after = 0;
  for (let end = anchors.length; after < end;) {
    const half = (after + end) >> 1;
    if (middle(anchors[half]![from]) < height) after = half + 1;
    else end = half;
  }
  const below = anchors[after];
  const above = anchors[after - 1];
  if (above === undefined && below === undefined) return height;
  // The tops of both pages lie level too.
  if (above === undefined) return (height / middle(below![from])) * middle(below![to]);
  if (below === undefined) return height + middle(above[to]) - middle(above[from]);
  const share = (height - middle(above[from])) / (middle(below[from]) - middle(above[from]));
  return middle(above[to]) + share * (middle(below[to]) - middle(above[to]));
}
