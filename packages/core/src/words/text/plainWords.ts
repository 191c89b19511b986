import { addressesIn, itemAddressed } from './addresses.js';

const OPENS = /<a(?=[\s>])/gi;
const CLOSES = /<\/a\s*>/gi;
const TAGS = /<[^<>]*>/g;

/**
 * A text in which links become plain words: what was written on them stays, with the title of what they led to where it does
 * not say so itself. Everything else stays to the letter; a link that is never closed stays a link.
 *
 * @param titleOf  of an address: the title of the thing that it led to; `undefined` where the link stays
 */
function withPlainWords(body: string, titleOf: (address: string) => string | undefined): string {
  let written = '';
  let from = 0;
  OPENS.lastIndex = 0;
  for (let open = OPENS.exec(body); open !== null; open = OPENS.exec(body)) {
    const inside = body.indexOf('>', open.index) + 1;
    if (inside === 0) break;
    OPENS.lastIndex = inside;
    const [address] = addressesIn(body.slice(open.index, inside));
    const title = address === undefined ? undefined : titleOf(address.address);
    if (title === undefined) continue;
    CLOSES.lastIndex = inside;
    const close = CLOSES.exec(body);
    if (close === null) break;
    const words = body.slice(inside, close.index);
    written += body.slice(from, open.index) + words + (saysSo(words, title) ? '' : ` (${escaped(title)})`);
    from = close.index + close[0].length;
    OPENS.lastIndex = from;
  }
  return written + body.slice(from);
}

const bare = (text: string): string => text.toLowerCase().replace(/[^\p{L}\p{N}]+/gu, '');
const saysSo = (words: string, title: string): boolean => bare(words.replace(TAGS, '')).includes(bare(title));

const escaped = (text: string): string => text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/**
 * A text of a course in which links to some of its things become plain words.
 *
 * @param titleOf  by the id of a thing: its title; `undefined` for those to which links stay
 */
export const namingInstead = (body: string, courseId: string, titleOf: (id: string) => string | undefined): string =>
  withPlainWords(body, (address) => {
    const id = itemAddressed(address, courseId, (segment) => titleOf(segment) !== undefined);
    return id === undefined ? undefined : titleOf(id);
  });
