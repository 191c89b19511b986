/** Things by a key, in their order; keys in the order in which they first stand. */
export function groupBy<Each, Key>(things: Iterable<Each>, keyOf: (thing: Each) => Key): Map<Key, Each[]> {
  const groups = new Map<Key, Each[]>();
  for (const thing of things) {
    const key = keyOf(thing);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [thing]);
    else group.push(thing);
  }
  return groups;
}
