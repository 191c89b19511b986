import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

const BLOCKS = new Set(
  'address article aside blockquote br dd div dl dt figcaption figure footer h1 h2 h3 h4 h5 h6 header hr li main nav ol p pre section table tbody td tfoot th thead tr ul'.split(
    ' ',
  ),
);
const QUOTED = new Set(['blockquote', 'q', 'cite', 'code', 'pre', 'kbd', 'samp', 'script', 'style', 'template']);

/**
 * The words of a body as a reader sees them, one line a block; without what stands in a quotation or in code.
 *
 * @param body  markup, not trusted
 */
export function textOf(body: string): string {
  const parts: string[] = [];
  const walk = (node: Tree.ChildNode): void => {
    if (node.nodeName === '#text') {
      parts.push((node as Tree.TextNode).value);
      return;
    }
    if (QUOTED.has(node.nodeName)) {
      parts.push('\n');
      return;
    }
    const block = BLOCKS.has(node.nodeName);
    if (block) parts.push('\n');
    if ('childNodes' in node) node.childNodes.forEach(walk);
    if (block) parts.push('\n');
  };
  parseFragment(body).childNodes.forEach(walk);
  return parts
    .join('')
    .split('\n')
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter((line) => line !== '')
    .join('\n');
}
