import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

const UNSEEN = new Set(['script', 'style', 'template']);
const PICTURES = new Set(['img', 'svg', 'picture', 'video', 'audio', 'iframe', 'object', 'embed', 'canvas', 'math']);

/** Whether a reader sees anything of a body: a word, quoted or not, or a picture. */
export function hasContent(body: string | undefined): boolean {
  if (body === undefined || body === '') return false;
  if (!/[<&]/.test(body)) return body.trim() !== '';
  const waiting: Tree.ChildNode[] = [...parseFragment(body).childNodes];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (next.nodeName === '#text') {
      if ((next as Tree.TextNode).value.trim() !== '') return true;
    } else if ('tagName' in next && !UNSEEN.has(next.tagName)) {
      if (PICTURES.has(next.tagName)) return true;
      for (const child of next.childNodes) waiting.push(child);
    }
  }
  return false;
}
