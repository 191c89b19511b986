import { DEEPEST_NESTING, keyAddressed, nestingOf } from '@yarin/core';
import sanitizeHtml from 'sanitize-html';
import { unusable } from '../http/httpProblem.js';

/**
 * Makes a body safe to show, and turns the addresses in it into ones that work: `item:KEY` leads to the thing in this
 * course or, for a file, to its bytes.
 *
 * @param keyOf  the key that an address has in this course, or `undefined` when it leads to nothing
 */
export function sanitise(body: string, courseId: string, keyOf: (address: string) => string | undefined): string {
  const address = (value: string | undefined, to: 'item' | 'file'): string | undefined => {
    const addressed = value === undefined ? undefined : keyAddressed(value);
    if (addressed === undefined) return value;
    const key = keyOf(addressed);
    if (key === undefined) return undefined;
    const encoded = encodeURIComponent(key);
    return to === 'file' ? `/api/courses/${courseId}/files/${encoded}` : `/course/${courseId}?item=${encoded}`;
  };
  const replaced =
    (name: 'href' | 'src', to: 'item' | 'file') => (tagName: string, attribs: Record<string, string>) => {
      const { [name]: value, ...rest } = attribs;
      const target = address(value, to);
      return { tagName, attribs: target === undefined ? rest : { ...rest, [name]: target } };
    };
  return sanitizeHtml(body, { ...SAFE, transformTags: { a: replaced('href', 'item'), img: replaced('src', 'file') } });
}

const SAFE: sanitizeHtml.IOptions = {
  allowedTags: [...sanitizeHtml.defaults.allowedTags, 'img', 'h1', 'h2'],
  allowedAttributes: {
    a: ['href', 'title'],
    img: ['src', 'alt', 'width', 'height'],
    td: ['colspan', 'rowspan'],
    th: ['colspan', 'rowspan'],
    '*': ['lang', 'dir'],
  },
  allowedSchemes: ['http', 'https', 'mailto', 'item'],
};

/**
 * The opposite of `sanitise`: a text that somebody wrote on the screen, as it is stored. Addresses of things of this
 * course are keys again, what could run is taken out.
 *
 * @throws when its parts stand in each other deeper than a text may
 * @returns the text, and the names of what was taken out
 */
export function storable(text: string, courseId: string): { readonly body: string; readonly takenOut: string[] } {
  if (nestingOf(text) > DEEPEST_NESTING)
    throw unusable(
      `The parts of the text stand in each other more than ${DEEPEST_NESTING} deep. Nothing was saved; paste it as plain text.`,
    );
  const things = `/course/${courseId}?item=`;
  const files = `/api/courses/${courseId}/files/`;
  const keyed = (name: 'href' | 'src') => (tagName: string, attribs: Record<string, string>) => {
    const value = attribs[name] ?? '';
    const start = [things, files].find((each) => value.startsWith(each));
    return {
      tagName,
      attribs: start === undefined ? attribs : { ...attribs, [name]: `item:${value.slice(start.length)}` },
    };
  };
  const takenOut = new Set<string>();
  for (const [, tag] of text.matchAll(/<([a-z][a-z0-9]*)/gi))
    if (!(SAFE.allowedTags as string[]).includes(tag!.toLowerCase())) takenOut.add(tag!.toLowerCase());
  if (/<[^<>]+\son\w{1,40}\s*=/i.test(text)) takenOut.add('what runs when pressed');
  if (/(?:href|src)\s*=\s*(?:["']\s*)?(?:javascript|data|vbscript):/i.test(text)) takenOut.add('an address that runs');
  const body = sanitizeHtml(text, { ...SAFE, transformTags: { a: keyed('href'), img: keyed('src') } });
  return { body, takenOut: [...takenOut] };
}
