import type { PlanInput, Preview } from './shapes/preview.js';

/** Something that stays, and what comes and links to it. */
export interface LinkToLeft {
  /** By its id in the source. */
  readonly target: string;
  /** What links to it, by their ids in the source. */
  readonly from: readonly string[];
  /** It is led to, and nothing else: the link can become plain words. */
  readonly isOnlyLed: boolean;
}

/**
 * Links of what a plan writes to things that stay and that nothing in the shell stands for, by the thing that they lead to, the
 * one with the most links first.
 *
 * @see docs/rules.md, "Links to what stays"
 */
export function linksToLeft({ source }: Pick<PlanInput, 'source'>, { items }: Pick<Preview, 'items'>): LinkToLeft[] {
  const there = new Set(items.map(({ id }) => id));
  const known = new Set(source.items.map(({ id }) => id));
  const found = new Map<string, { from: Set<string>; isOnlyLed: boolean }>();
  for (const { from, isWritten, kind, links = [] } of items) {
    if (!isWritten || from === undefined || kind === 'rule') continue;
    for (const { type, to, course } of links) {
      if (course !== undefined || there.has(to) || !known.has(to)) continue;
      const link = found.get(to) ?? { from: new Set<string>(), isOnlyLed: true };
      found.set(to, link);
      link.from.add(from);
      link.isOnlyLed &&= type === 'links';
    }
  }
  return [...found]
    .map(([target, { from, isOnlyLed }]) => ({ target, from: [...from], isOnlyLed }))
    .sort((a, b) => b.from.length - a.from.length);
}
