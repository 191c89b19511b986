const PAGE_ROWS = 15;

/**
 * The row of a list that a key goes to.
 *
 * @param from  the row that it goes from, -1 for none
 * @returns     a row that there is; `undefined` for keys that go nowhere
 */
export function rowByKey(key: string, from: number, length: number): number | undefined {
  const to = wanted(key, from, length);
  return to === undefined || length === 0 ? undefined : Math.max(0, Math.min(length - 1, to));
}

function wanted(key: string, from: number, length: number): number | undefined {
  switch (key) {
    case 'ArrowDown':
      return from + 1;
    case 'ArrowUp':
      return from - 1;
    case 'PageDown':
      return from + PAGE_ROWS;
    case 'PageUp':
      return from - PAGE_ROWS;
    case 'Home':
      return 0;
    case 'End':
      return length - 1;
    default:
      return undefined;
  }
}
