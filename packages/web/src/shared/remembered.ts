/**
 * Something that is remembered on this machine from one visit to the next. Where nothing can be kept, or what was kept can't be
 * read any more, it begins anew.
 */
export function remembered<Value>(name: string, begin: Value): { read(): Value; write(value: Value): void } {
  const key = `yarin ${name}`;
  return {
    read() {
      try {
        const kept = localStorage.getItem(key);
        return kept === null ? begin : (JSON.parse(kept) as Value);
      } catch {
        return begin;
      }
    },
    write(value) {
      try {
        localStorage.setItem(key, JSON.stringify(value));
      } catch {
        // A full or forbidden store costs the memory of a view, and no work.
      }
    },
  };
}
