const ADDRESS = /\b(?:https?:\/\/|www\.)[^\s"'<>)]+|\b[\w.+-]{1,64}@[\w-]{1,63}(?:\.[\w-]{1,63}){1,8}/gi;
const FILE_NAME =
  /(?<![\p{L}\p{N}_.]-?)[\p{L}\p{N}_][\p{L}\p{N}_.()-]{0,120}\.(?:pdf|docx?|xlsx?|pptx?|od[tsp]|rtf|txt|csv|tsv|json|xml|html?|zip|gz|png|jpe?g|gif|svg|webp|tiff?|mp[34]|m4[av]|mov|wav|py|ipynb|r|js|tex)(?![\p{L}\p{N}])/giu;
const QUOTATION = /“[^“”\n]+”|"[^"\n]+"|«[^«»\n]+»|„[^„“\n]+“/g;
const FEWEST_QUOTED_WORDS = 4;

const blank = (match: string): string => ' '.repeat(match.length);

/**
 * A text with addresses, file names and quotations blanked out, so that every offset still holds. A word or three in
 * quotation marks are a name, not a quotation.
 *
 * @see docs/rules.md, "Stale words"
 */
export const proseOf = (text: string): string =>
  text
    .replace(ADDRESS, blank)
    .replace(FILE_NAME, blank)
    .replace(QUOTATION, (match) => (match.trim().split(/\s+/).length >= FEWEST_QUOTED_WORDS ? blank(match) : match));
