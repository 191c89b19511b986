import type { Flag } from '../names/flags.js';
import type { StaleProblemName, StaleSort } from '../names/staleWords.js';
import type { Prose } from '../words/text/prose.js';
import type { Span } from '../words/text/seenText.js';

/** Why words have no sure replacement; a doubt about the new date by the name of its flag. */
export type StaleProblem = StaleProblemName | Flag;

/** Words of the old term in a text of a thing, with what would stand there instead. */
export interface Proposal {
  readonly item: string;
  readonly field: string;
  /** In UTF-16 units of the text of the field, markup included. */
  readonly start: number;
  readonly end: number;
  readonly text: string;
  readonly sort: StaleSort;
  /** What stands in the place of `text`, markup between its words included; `null` when a person has to say. */
  readonly replacement: string | null;
  readonly problem?: StaleProblem;
}

/** Other words at a place of the prose. */
export interface Edit extends Span {
  readonly text: string;
}

/** What becomes of found words: others in places of theirs, or nothing that is sure. `undefined`: they stay as they are. */
export type Rewording =
  | { readonly edits: readonly Edit[]; readonly problem?: StaleProblem }
  | { readonly edits: null; readonly problem?: StaleProblem };

const inMarkup = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/**
 * A rewording as it is proposed: only the words that change are written anew, all between them stays to the letter.
 *
 * @param texts  the texts of the thing by their fields
 * @returns      `undefined` when it would be replaced by itself
 */
export function proposalOf(
  item: string,
  sort: StaleSort,
  words: Span,
  { edits, problem }: Rewording,
  prose: Prose,
  texts: ReadonlyMap<string, string>,
): Proposal | undefined {
  const place = prose.placeOf(words);
  if (place === undefined) return undefined;
  const source = texts.get(place.field)!;
  const text = source.slice(place.start, place.end);
  const replacement = edits === null ? null : edited(source, place, edits, prose);
  if (replacement === text) return undefined;
  return { item, ...place, text, sort, replacement, ...(problem === undefined ? {} : { problem }) };
}

/** Tags that stand within a word, which open or close something around it. */
const tagsIn = (source: string): string => (source.match(/<[^<>]*>/g) ?? []).join('');

function edited(
  source: string,
  place: Span & { readonly field: string },
  edits: readonly Edit[],
  prose: Prose,
): string {
  let written = '';
  let from = place.start;
  for (const { text, ...span } of edits.toSorted((a, b) => a.start - b.start)) {
    // What stays is not written anew: its references and the markup in it stay to the letter.
    if (prose.text.slice(span.start, span.end) === text) continue;
    const { start, end } = prose.placeOf(span)!;
    written += source.slice(from, start);
    written += place.field === 'title' ? text : inMarkup(text) + tagsIn(source.slice(start, end));
    from = end;
  }
  return written + source.slice(from, place.end);
}
