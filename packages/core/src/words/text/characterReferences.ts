import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

/** `&amp;`, `&#8211;`, `&#x2013;`, `&copy` as they may stand in a text. */
export const REFERENCE = /&(?:#x[\da-f]{1,8}|#\d{1,8}|[a-z][a-z\d]{1,31});?/iy;

const MOST_KEPT = 2000;
const known = new Map<string, string>();

/** What one character reference stands for; itself where it stands for nothing. */
export function dereferenced(reference: string): string {
  let value = known.get(reference);
  if (value === undefined) {
    const [node] = parseFragment(reference).childNodes;
    value = node === undefined ? '' : (node as Tree.TextNode).value;
    if (known.size < MOST_KEPT) known.set(reference, value);
  }
  return value;
}

/** A text of markup with its character references turned into what they stand for. */
export const withoutReferences = (text: string): string =>
  text.includes('&') ? text.replace(new RegExp(REFERENCE.source, 'gi'), dereferenced) : text;
