import {
  defaultTreeAdapter,
  parseFragment,
  type DefaultTreeAdapterMap,
  type DefaultTreeAdapterTypes as Tree,
  type ParserOptions,
  type Token,
} from 'parse5';
import { addressesIn, type Address } from './addresses.js';
import { dereferenced, REFERENCE } from './characterReferences.js';
import { BREAK, LINE, seenText, type SeenText, type SeenTextBuilder, type Span } from './seenText.js';

const BLOCKS = new Set(
  'address article aside blockquote dd div dl dt figcaption figure footer h1 h2 h3 h4 h5 h6 header hr li main nav ol p pre section table tbody td tfoot th thead tr ul'.split(
    ' ',
  ),
);
const QUOTED = new Set(['blockquote', 'q', 'cite', 'code', 'pre', 'kbd', 'samp', 'script', 'style', 'template']);
const HEADING = /^h[1-6]$/;
const REFERENCES = /^(?:references|bibliography|works cited|literature(?: cited)?|sources)\s*:?$/i;

type Parent = Tree.Element | Tree.DocumentFragment;
const isElement = (node: Tree.ChildNode): node is Tree.Element => 'tagName' in node;

/** With the place of every node. The usual adapter copies a node's place at each of its words, which takes most of the time. */
const PLACED: ParserOptions<DefaultTreeAdapterMap> = {
  sourceCodeLocationInfo: true,
  treeAdapter: {
    ...defaultTreeAdapter,
    updateNodeSourceCodeLocation: (node, end) => {
      const place = node.sourceCodeLocation as Partial<Token.ElementLocation> | null | undefined;
      if (!place) defaultTreeAdapter.updateNodeSourceCodeLocation(node, end);
      else {
        if (end.endOffset !== undefined) place.endOffset = end.endOffset;
        if (end.endTag !== undefined) place.endTag = end.endTag;
      }
    },
  },
};

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
    return !inReferences && node.attrs.every(({ name, value }) => name !== 'role' || value !== 'doc-bibliography');
  });
}

/**
 * The words of a body as a reader sees them, without what stands in a quotation, in a list of references or in code.
 *
 * @param body  markup, not trusted
 */
export function seenMarkup(body: string): SeenText {
  const seen = seenText();
  if (!/[<&]/.test(body)) {
    seenParagraphs(seen, body);
    return seen.done();
  }
  const addresses = addressesIn(body);
  /** Nodes, and what follows when what stands before it is done. */
  const waiting: (Tree.ChildNode | (() => void))[] = [];
  pushBackwards(waiting, withoutReferences(parseFragment(body, PLACED)));
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (typeof next === 'function') next();
    else if (next.nodeName === '#text') addText(seen, body, next as Tree.TextNode);
    else if (isElement(next)) {
      const tag = startTagOf(next);
      const isBlock = BLOCKS.has(next.tagName);
      if (next.tagName === 'br') seen.edge(BREAK, tag.start);
      else if (isBlock) seen.edge(LINE, tag.start);
      else if (QUOTED.has(next.tagName)) seen.edge(BREAK, tag.start);
      if (QUOTED.has(next.tagName)) continue;
      const own = addresses.length === 0 ? [] : within(addresses, tag);
      const end = next.sourceCodeLocation?.endTag?.startOffset ?? tag.end;
      waiting.push(() => {
        for (const address of own) seen.address(address);
        if (isBlock) seen.edge(LINE, end);
      });
      pushBackwards(waiting, withoutReferences(next));
    }
  }
  return seen.done();
}

/** Plain words: an empty line parts them. */
function seenParagraphs(seen: SeenTextBuilder, text: string): void {
  let from = 0;
  for (const { 0: gap, index } of text.matchAll(/\n\s*\n/g)) {
    seen.plain(text.slice(from, index), from);
    seen.edge(LINE, index);
    from = index + gap.length;
  }
  seen.plain(text.slice(from), from);
}

function startTagOf({ sourceCodeLocation }: Tree.Element): Span {
  const tag = sourceCodeLocation?.startTag ?? sourceCodeLocation;
  return { start: tag?.startOffset ?? 0, end: tag?.endOffset ?? 0 };
}

/** Those of addresses in order that stand in a tag. */
function within(addresses: readonly Address[], { start, end }: Span): readonly Address[] {
  let [low, high] = [0, addresses.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (addresses[middle]!.start < start) low = middle + 1;
    else high = middle;
  }
  let last = low;
  while (last < addresses.length && addresses[last]!.end < end) last++;
  return addresses.slice(low, last);
}

/** A text node, each of its characters with what it is written with. */
function addText(seen: SeenTextBuilder, body: string, { value, sourceCodeLocation }: Tree.TextNode): void {
  const start = sourceCodeLocation?.startOffset ?? 0;
  const source = body.slice(start, sourceCodeLocation?.endOffset ?? start);
  if (source === value) {
    seen.plain(source, start);
    return;
  }
  let at = 0;
  let from = 0;
  const plainUpTo = (to: number): void => {
    if (to > from) seen.plain(source.slice(from, to), start + from);
  };
  for (let read = 0; read < value.length && at < source.length;) {
    if (source[at] === '&') {
      REFERENCE.lastIndex = at;
      const [reference = ''] = REFERENCE.exec(source) ?? [];
      const stands = reference === '' ? '' : dereferenced(reference);
      if (stands !== '' && stands !== reference && value.startsWith(stands, read)) {
        plainUpTo(at);
        seen.written(stands, { start: start + at, end: start + at + reference.length });
        at += reference.length;
        read += stands.length;
        from = at;
        continue;
      }
    }
    if (source[at] === value[read]) {
      at++;
      read++;
    } else if (source[at] === '<') {
      // Words of a table that the reader sees before it: markup stands between them.
      plainUpTo(at);
      const close = source.indexOf('>', at);
      at = close < 0 ? source.length : close + 1;
      from = at;
    } else if (source[at] === '\r') {
      at++;
      if (source[at] !== '\n') read++;
    } else {
      plainUpTo(at);
      from = ++at;
    }
  }
  plainUpTo(at);
}
