/** A list as it differs from the one before: for each place that one's index, or something new. */
export interface ListPatch<Each> {
  /** Index in the list before, or -1 where the next of `fresh` stands. */
  readonly from: Int32Array;
  readonly fresh: readonly Each[];
}

/** Equal in all that they hold; lists and plain things only. */
export function isEqual(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a))
    return Array.isArray(b) && a.length === b.length && a.every((each, index) => isEqual(each, b[index]));
  const left = a as Record<string, unknown>;
  const right = b as Record<string, unknown>;
  const names = Object.keys(left);
  return names.length === Object.keys(right).length && names.every((name) => isEqual(left[name], right[name]));
}

/** What it takes to make the second list out of the first. Most of a plan stays as it was when one thing is chosen. */
export function patchOf<Each extends { readonly id: string }>(
  before: readonly Each[],
  after: readonly Each[],
): ListPatch<Each> {
  const places = new Map(before.map(({ id }, index) => [id, index]));
  const from = new Int32Array(after.length);
  const fresh: Each[] = [];
  after.forEach((each, index) => {
    const place = places.get(each.id);
    if (place !== undefined && isEqual(before[place], each)) from[index] = place;
    else {
      from[index] = -1;
      fresh.push(each);
    }
  });
  return { from, fresh };
}

export function patched<Each>(before: readonly Each[], { from, fresh }: ListPatch<Each>): Each[] {
  let next = 0;
  return Array.from(from, (place) => (place < 0 ? fresh[next++]! : before[place]!));
}
