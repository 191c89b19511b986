import { useVirtualizer } from '@tanstack/vue-virtual';
import { computed, type Ref } from 'vue';

const ROW = 28;

/**
 * A scrolling list of rows of equal height, of which only those in sight are drawn.
 *
 * @param headHeight  of a head that stands above the rows while they scroll
 */
export function useRowWindow(
  scroller: Readonly<Ref<HTMLElement | null>>,
  length: () => number,
  rowHeight = ROW,
  headHeight = 0,
) {
  const virtualizer = useVirtualizer(
    computed(() => ({
      count: length(),
      getScrollElement: () => scroller.value,
      estimateSize: () => rowHeight,
      overscan: 6,
      scrollPaddingEnd: headHeight,
    })),
  );
  return {
    inSight: computed(() => virtualizer.value.getVirtualItems()),
    height: computed(() => virtualizer.value.getTotalSize()),
    reveal: (index: number): void => virtualizer.value.scrollToIndex(index, { align: 'auto' }),
    /** Returns whether the list could move at all. */
    scrollTo(top: number): boolean {
      const element = scroller.value;
      if (element === null) return false;
      const reachable = Math.max(0, Math.min(Math.round(top), element.scrollHeight - element.clientHeight));
      if (Math.abs(element.scrollTop - reachable) < 1) return false;
      element.scrollTop = reachable;
      return true;
    },
  };
}
