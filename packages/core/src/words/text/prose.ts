import { seenMarkup } from './seenMarkup.js';
import { LINE, seenText, type PlacedAddress, type SeenText, type Span } from './seenText.js';

/** A text of a thing and where it stands: `body`, or the path of an attribute, `details/sections/0/body`. */
export interface Field {
  readonly field: string;
  readonly text: string;
}

/** A place in one of the texts that were read together. */
export interface Place extends Span {
  readonly field: string;
}

/** An address in one of them; `at` as in the text that is seen. */
export interface PlacedLink extends PlacedAddress {
  readonly field: string;
}

/** The texts of a thing as a reader sees them, a line a block: its title first. */
export interface Prose {
  readonly text: string;
  /** The same, at the same offsets, with addresses, file names and quotations blanked out. */
  readonly words: string;
  /** How many characters at its start are the title. */
  readonly titleLength: number;
  readonly addresses: readonly PlacedLink[];
  /** Where a part of the text is written; `undefined` for one that begins in one of the texts and ends in another. */
  placeOf(part: Span): Place | undefined;
}

interface Piece {
  readonly field: string;
  readonly at: number;
  readonly seen: SeenText;
}

/**
 * Reads the texts of a thing together, since what one of them proves (which of two numbers is the month) holds for all.
 *
 * @param title   plain words
 * @param fields  markup, or plain words
 * @see docs/rules.md, "Stale words"
 */
export function proseOf(title: string, fields: readonly Field[]): Prose {
  const pieces: Piece[] = [{ field: 'title', at: 0, seen: seenTitle(title) }];
  const titleLength = pieces[0]!.seen.text.length;
  let length = titleLength;
  for (const { field, text } of fields) {
    const seen = seenMarkup(text);
    if (seen.text === '' && seen.addresses.length === 0) continue;
    pieces.push({ field, at: length + LINE.length, seen });
    length += LINE.length + seen.text.length;
  }
  const text = pieces.map(({ seen }) => seen.text).join(LINE);
  return {
    text,
    words: wordsOf(text),
    titleLength,
    addresses: pieces.flatMap(({ field, at, seen }) =>
      seen.addresses.map((address) => ({ ...address, field, at: address.at + at })),
    ),
    placeOf: ({ start, end }) => {
      const piece = pieces.findLast(({ at }) => at <= start)!;
      if (end > piece.at + piece.seen.text.length) return undefined;
      return { field: piece.field, ...piece.seen.sourceOf({ start: start - piece.at, end: end - piece.at }) };
    },
  };
}

function seenTitle(title: string): SeenText {
  const seen = seenText();
  seen.plain(title, 0);
  return seen.done();
}

const ADDRESS = /\b(?:https?:\/\/|www\.)[^\s"'<>)]+|\b[\w.+-]{1,64}@[\w-]{1,63}(?:\.[\w-]{1,63}){1,8}/gi;
const FILE_NAME =
  /(?<![\p{L}\p{N}_.]-?)[\p{L}\p{N}_][\p{L}\p{N}_.()-]{0,120}\.(?:pdf|docx?|xlsx?|pptx?|od[tsp]|rtf|txt|csv|tsv|json|xml|html?|zip|gz|png|jpe?g|gif|svg|webp|tiff?|mp[34]|m4[av]|mov|wav|py|ipynb|r|js|tex)(?![\p{L}\p{N}])/giu;
const QUOTATION = /“[^“”\n]+”|"[^"\n]+"|«[^«»\n]+»|„[^„“\n]+“/g;
const FEWEST_QUOTED_WORDS = 4;

/** A word or three in quotation marks are a name, not a quotation. */
const isQuotation = (words: string): boolean => words.trim().split(/\s+/).length >= FEWEST_QUOTED_WORDS;

/** Blank, but as long, so that every offset still holds. */
const blank = (match: string): string => ' '.repeat(match.length);

const wordsOf = (text: string): string =>
  text
    .replace(ADDRESS, blank)
    .replace(FILE_NAME, blank)
    .replace(QUOTATION, (match) => (isQuotation(match) ? blank(match) : match));
