import type { Kind } from '../names/kinds.js';

/** Copy marks in their usual places, tried in this order on a title in lower case. */
const COPY_MARKS = [
  /^copy (?:\d+ )?of[ :]+/,
  /(?:(?<![ _–-])[ _–-]+)?[([]?(?<![\p{L}\p{N}])copy(?: ?[([]?[1-9][)\]]?)?[)\]]?$/u,
  / ?\([2-9]\)$/,
  /-[1-9]$/,
];
const EXTENSION = /\.[a-z][a-z0-9]{1,4}$/;

/** A title without the copy mark that it bears; `undefined` when it bears none. Works on lower case. */
function withoutCopyMark(title: string): string | undefined {
  const extension = EXTENSION.exec(title)?.[0] ?? '';
  const name = extension === '' ? title : title.slice(0, -extension.length);
  for (const mark of COPY_MARKS) {
    const bare = name.replace(mark, '');
    if (bare !== name && bare.trim() !== '') return bare.trim() + extension;
  }
  return undefined;
}

const lowered = (title: string): string => title.normalize('NFKC').toLowerCase().replace(/_/g, ' ').trim();

/** A title as it is compared with its copy mark: case, spaces and punctuation ignored. */
export const plainTitle = (title: string): string => lowered(title).replace(/[^\p{L}\p{N}]+/gu, '');

/** What a title would be without its copy mark, without the mark before that, and so on; empty when it bears none. */
export function titlesWithoutMark(title: string): string[] {
  const titles: string[] = [];
  for (let bare = withoutCopyMark(lowered(title)); bare !== undefined; bare = withoutCopyMark(bare)) titles.push(bare);
  return titles;
}

/**
 * A title as it is compared: case, spaces, punctuation and copy marks ignored.
 *
 * @see docs/rules.md, "Matching against the shell"
 */
export const normalisedTitle = (title: string): string => plainTitle(titlesWithoutMark(title).at(-1) ?? title);

/** By what a thing answers to one of another course: its kind and title; a course has its settings once. */
export const titleKey = ({ kind, title }: { readonly kind: Kind; readonly title: string }): string =>
  kind === 'courseSettings' ? kind : `${kind} ${normalisedTitle(title)}`;
