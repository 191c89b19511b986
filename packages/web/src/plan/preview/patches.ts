import equal from 'fast-deep-equal';

/** A list as it differs from the one before: for each place that one's index, or something new. */
export interface ListPatch<Each> {
  /** Index in the list before, or -1 where the next of `fresh` stands. */
  readonly from: Int32Array;
  readonly fresh: readonly Each[];
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
    if (place !== undefined && equal(before[place], each)) from[index] = place;
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
