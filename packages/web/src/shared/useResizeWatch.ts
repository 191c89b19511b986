import { onBeforeUnmount, onMounted, type Ref } from 'vue';

/** Calls back when an element has come onto the screen and whenever its size changes. */
export function useResizeWatch(element: Readonly<Ref<HTMLElement | null>>, changed: (width: number) => void): void {
  const watcher = new ResizeObserver(([entry]) => changed(entry!.contentRect.width));
  onMounted(() => element.value && watcher.observe(element.value));
  onBeforeUnmount(() => watcher.disconnect());
}
