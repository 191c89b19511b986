import sanitizeHtml from 'sanitize-html';

/**
 * Makes a body safe to show, and turns the addresses in it into ones that work: `item:KEY` leads to the thing in this
 * course or, for a file, to its bytes.
 *
 * @param keyOf  the key that an address has in this course, or `undefined` when it leads to nothing
 */
export function sanitise(body: string, courseId: string, keyOf: (address: string) => string | undefined): string {
  const address = (value: string | undefined, to: 'item' | 'file'): string | undefined => {
    if (value === undefined || !value.startsWith('item:')) return value;
    const key = keyOf(value.slice('item:'.length));
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
  return sanitizeHtml(body, {
    allowedTags: [...sanitizeHtml.defaults.allowedTags, 'img', 'h1', 'h2'],
    allowedAttributes: { a: ['href', 'title'], img: ['src', 'alt', 'width', 'height'], '*': ['lang', 'dir'] },
    allowedSchemes: ['http', 'https', 'mailto'],
    transformTags: { a: replaced('href', 'item'), img: replaced('src', 'file') },
  });
}
