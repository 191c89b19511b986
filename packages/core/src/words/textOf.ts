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

/** As much of a heading as tells whether references follow. */
const LONGEST_HEADING = 80;

/** The first of what stands between the tags, in one line. */
function innerText(node: Tree.ChildNode): string {
  let text = '';
  const waiting = [node];
  for (let next = waiting.pop(); next !== undefined && text.length < LONGEST_HEADING; next = waiting.pop()) {
    if (next.nodeName === '#text') text += (next as Tree.TextNode).value;
    else if ('childNodes' in next) pushBackwards(waiting, next.childNodes);
  }
  return text;
}

/** So that they are taken in their order. A text may nest deeper than calls can. */
function pushBackwards<Each>(waiting: Each[], nodes: readonly Each[]): void {
  for (let at = nodes.length - 1; at >= 0; at--) waiting.push(nodes[at]!);
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
  /** Nodes, and words that follow when what stands before them is done. */
  const waiting: (Tree.ChildNode | string)[] = [];
  pushBackwards(waiting, withoutReferences(parseFragment(body)));
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (typeof next === 'string') parts.push(next);
    else if (next.nodeName === '#text') parts.push((next as Tree.TextNode).value);
    else if (QUOTED.has(next.nodeName)) parts.push('\n');
    else if (isElement(next)) {
      const edge = BLOCKS.has(next.nodeName) ? '\n' : '';
      const address = addresses === 'with addresses' ? (attribute(next, 'href') ?? attribute(next, 'src')) : undefined;
      parts.push(edge);
      waiting.push(`${address === undefined ? '' : ` ${address} `}${edge}`);
      pushBackwards(waiting, withoutReferences(next));
    }
  }
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
  const waiting = [...parseFragment(body).childNodes];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (next.nodeName === '#text') {
      if ((next as Tree.TextNode).value.trim() !== '') return true;
    } else if (isElement(next) && !UNSEEN.has(next.tagName)) {
      if (PICTURES.has(next.tagName)) return true;
      for (const child of next.childNodes) waiting.push(child);
    }
  }
  return false;
}
