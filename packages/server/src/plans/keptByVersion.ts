import { LRUCache } from 'lru-cache';

interface Kept<Value> {
  readonly version: string;
  readonly value: Promise<Value>;
}

/** What is costly to work out, one value a name, for the version that it holds for: nobody asks for an older one again. */
export class KeptByVersion<Value> {
  private readonly kept: LRUCache<string, Kept<Value>>;

  /** @param most  names that are kept, those that were asked for last */
  constructor(most: number) {
    this.kept = new LRUCache({ max: most });
  }

  /** Worked out once, also when several ask at the same time. A failure is not kept. */
  get(name: string, version: string, workOut: () => Promise<Value>): Promise<Value> {
    const known = this.kept.get(name);
    if (known?.version === version) return known.value;
    const kept: Kept<Value> = { version, value: workOut() };
    this.kept.set(name, kept);
    kept.value.catch(() => {
      if (this.kept.peek(name) === kept) this.kept.delete(name);
    });
    return kept.value;
  }
}
