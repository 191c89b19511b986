const COPY_MARKS = [/^copy of /, / ?[([]?\bcopy(?: [2-9])?[)\]]?$/, / ?\([2-9]\)$/, /-[1-9]$/];

/** A title without a mark that says it is a copy, or `undefined` when it bears none. Works on lower case. */
function withoutCopyMark(title: string): string | undefined {
  for (const mark of COPY_MARKS) {
    const bare = title.replace(mark, '');
    if (bare !== title && bare.trim() !== '') return bare;
  }
  return undefined;
}

/**
 * A title as it is compared: case, spaces, punctuation and a copy mark ignored.
 *
 * @see docs/rules.md, "Matching against the shell"
 */
export function normalisedTitle(title: string): string {
  const lower = title.normalize('NFKC').toLowerCase().trim();
  return (withoutCopyMark(lower) ?? lower).replace(/[^\p{L}\p{N}]+/gu, '');
}
