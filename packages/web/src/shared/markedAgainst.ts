import { diffArrays } from 'diff';

/** Beyond this many changed words two texts have little in common, and marking them says nothing. */
const MOST_CHANGES = 800;

/** Tags, words and what stands between them. Sanitised HTML has no bare < or > in text or attributes. */
const piecesOf = (html: string): string[] => html.match(/<[^<>]*>|[^<\s]+|\s+/g) ?? [];
const isTag = (piece: string): boolean => piece.startsWith('<');
const isSpace = (piece: string): boolean => piece.trim() === '';

/**
 * A text with the words marked that another text does not have. Only text is marked, tag by tag, so that the markup
 * stays as it was.
 *
 * @param html   sanitised
 * @param other  sanitised
 * @returns      the text; unmarked when both say the same, or nearly nothing of it
 */
export function markedAgainst(html: string, other: string): string {
  const changes = diffArrays(piecesOf(other), piecesOf(html), { maxEditLength: MOST_CHANGES });
  if (changes === undefined || changes.every(({ added, removed }) => !added && !removed)) return html;
  const kept = changes.filter(({ removed }) => !removed);
  // A blank between two marked words belongs to them.
  const isMarked = (at: number): boolean =>
    kept[at]?.added === true ||
    (kept[at]!.value.every(isSpace) && kept[at - 1]?.added === true && kept[at + 1]?.added === true);
  let text = '';
  for (let at = 0; at < kept.length;) {
    const run: string[] = [];
    const markedRun = isMarked(at);
    while (at < kept.length && isMarked(at) === markedRun) run.push(...kept[at++]!.value);
    text += markedRun ? marked(run) : run.join('');
  }
  return text;
}

/** Runs of text between tags, each in a mark of its own; blanks alone are no change that is seen. */
function marked(pieces: readonly string[]): string {
  let html = '';
  let run = '';
  const close = (): void => {
    html += run.replace(/\S(?:.*\S)?/s, '<mark>$&</mark>');
    run = '';
  };
  for (const piece of pieces) {
    if (!isTag(piece)) run += piece;
    else {
      close();
      html += piece;
    }
  }
  close();
  return html;
}
