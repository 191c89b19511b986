import { computed, shallowRef, watch } from 'vue';

/**
 * Which rows of a list are chosen. What leaves the list is let go.
 *
 * @param ids  of the rows, in their order
 */
export function useSelection(ids: () => readonly string[]) {
  const chosen = shallowRef<ReadonlySet<string>>(new Set());
  /** Where a stretch of rows begins. */
  let anchor = 0;

  watch(ids, (next) => {
    if (chosen.value.size === 0) return;
    const known = new Set(next);
    const kept = [...chosen.value].filter((id) => known.has(id));
    if (kept.length < chosen.value.size) chosen.value = new Set(kept);
  });

  return {
    chosen,
    size: computed(() => chosen.value.size),
    toggle(index: number): void {
      const id = ids()[index];
      if (id === undefined) return;
      anchor = index;
      const next = new Set(chosen.value);
      if (!next.delete(id)) next.add(id);
      chosen.value = next;
    },
    /** Chooses from where choosing began up to a row. */
    extendTo(index: number, from?: number): void {
      if (chosen.value.size === 0 && from !== undefined) anchor = from;
      const [first, last] = anchor < index ? [anchor, index] : [index, anchor];
      chosen.value = new Set([...chosen.value, ...ids().slice(first, last + 1)]);
    },
    choose(some: readonly string[]): void {
      chosen.value = new Set(some);
    },
    all(): void {
      chosen.value = new Set(ids());
    },
    none(): void {
      chosen.value = new Set();
    },
  };
}
