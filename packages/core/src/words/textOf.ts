import { parseFragment, type DefaultTreeAdapterTypes as Tree } from 'parse5';

const BLOCKS = new Set(
  'address article aside blockquote br dd div dl dt figcaption figure footer h1 h2 h3 h4 h5 h6 header hr li main nav ol p pre section table tbody td tfoot th thead tr ul'.split(
    ' ',
  ),
);
const QUOTED = new Set(['blockquote', 'q', 'cite', 'code', 'pre', 'kbd', 'samp', 'script', 'style', 'template']);
const UNSEEN = new Set(['script', 'style', 'template']);
const PICTURES = new Set(['img', 'svg', 'picture', 'video', 'audio', 'iframe', 'object', 'embed', 'canvas', 'math']);
const HEADING = /^h[1-6]$/;
const REFERENCES = /^(?:references|bibliography|works cited|literature(?: cited)?|sources)\s*:?$/i;

type Parent = Tree.Element | Tree.DocumentFragment;
const isElement = (node: Tree.ChildNode): node is Tree.Element => 'tagName' in node;
const attribute = (node: Tree.Element, name: string): string | undefined =>
  node.attrs.find((each) => each.name === name)?.value;

/** Everything that stands between the tags, in one line. */
function innerText(node: Tree.ChildNode): string {
  if (node.nodeName === '#text') return (node as Tree.TextNode).value;
  return 'childNodes' in node ? node.childNodes.map(innerText).join('') : '';
}

/** The children of a node without its lists of references: from a heading that says so to the next heading. */
function withoutReferences({ childNodes }: Parent): Tree.ChildNode[] {
  let inReferences = false;
  return childNodes.filter((node) => {
    if (!isElement(node)) return !inReferences;
    const names = HEADING.test(node.tagName) || node.tagName === 'p';
    if (names && REFERENCES.test(innerText(node).trim())) inReferences = true;
    else if (HEADING.test(node.tagName)) inReferences = false;
    return !inReferences && attribute(node, 'role') !== 'doc-bibliography';
  });
}

/**
 * The words of a body as a reader sees them, one line a block; without what stands in a quotation, in a list of
 * references or in code.
 *
 * @param body       markup, not trusted
 * @param addresses  also the address behind each link, after its words
 */
export function textOf(body: string, addresses: 'with addresses' | 'words alone' = 'words alone'): string {
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
    if (!isElement(node)) return;
    const block = BLOCKS.has(node.nodeName);
    if (block) parts.push('\n');
    withoutReferences(node).forEach(walk);
    const address = addresses === 'with addresses' ? (attribute(node, 'href') ?? attribute(node, 'src')) : undefined;
    if (address !== undefined) parts.push(` ${address} `);
    if (block) parts.push('\n');
  };
  withoutReferences(parseFragment(body)).forEach(walk);
  return parts
    .join('')
    .split('\n')
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .filter((line) => line !== '')
    .join('\n');
}

/** Whether a reader sees anything of a body: a word, quoted or not, or a picture. */
export function hasContent(body: string | undefined): boolean {
  if (body === undefined || body === '') return false;
  if (!/[<&]/.test(body)) return body.trim() !== '';
  const seen = (node: Tree.ChildNode): boolean => {
    if (node.nodeName === '#text') return (node as Tree.TextNode).value.trim() !== '';
    if (!isElement(node) || UNSEEN.has(node.tagName)) return false;
    return PICTURES.has(node.tagName) || node.childNodes.some(seen);
  };
  return parseFragment(body).childNodes.some(seen);
}
