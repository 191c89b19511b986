/** The first of some words and how many more there are: “Quiz 1 · Quiz 2 · Quiz 3 · 4 more”. */
export function firstFew(words: readonly string[], most = 3): string {
  const more = words.length - most;
  return [...words.slice(0, most), ...(more > 0 ? [`${more} more`] : [])].join(' · ');
}
