/** Random choices that are the same for the same seed. */
export interface Random {
  /** From 0 to below `below`. */
  number(below: number): number;
  chance(share: number): boolean;
  pick<Value>(values: readonly Value[]): Value;
}

export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
  const number = (below: number): number => Math.floor(next() * below);
  return {
    number,
    chance: (share) => next() < share,
    pick: (values) => values[number(values.length)]!,
  };
}
