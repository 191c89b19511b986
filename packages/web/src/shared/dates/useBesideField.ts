import { nextTick, onBeforeUnmount, reactive, watch, type Ref } from 'vue';

const GAP = 3;
const EDGE = 4;

/** Where something that belongs to a field stands: under it where there is room, else over it, always within the window. */
export function useBesideField(
  field: Readonly<Ref<HTMLElement | null>>,
  panel: Readonly<Ref<HTMLElement | null>>,
  isShown: Readonly<Ref<boolean>>,
): Readonly<Record<string, string>> {
  const place = reactive<Record<string, string>>({ left: '0px', top: '0px', visibility: 'hidden' });
  function put(): void {
    const [near, box] = [field.value, panel.value];
    if (near === null || box === null) return;
    const { left, top, bottom } = near.getBoundingClientRect();
    const { offsetWidth: wide, offsetHeight: tall } = box;
    const isUnder = bottom + GAP + tall + EDGE <= window.innerHeight || top < tall;
    place.left = `${Math.max(EDGE, Math.min(left, window.innerWidth - wide - EDGE))}px`;
    place.top = `${Math.max(EDGE, isUnder ? Math.min(bottom + GAP, window.innerHeight - tall - EDGE) : top - GAP - tall)}px`;
    place['max-width'] = `${window.innerWidth - 2 * EDGE}px`;
    place.visibility = 'visible';
  }
  const sizes = new ResizeObserver(put);
  watch(
    [isShown, panel],
    () =>
      void nextTick(() => {
        sizes.disconnect();
        if (panel.value !== null) sizes.observe(panel.value);
        put();
      }),
    { immediate: true },
  );
  window.addEventListener('resize', put);
  window.addEventListener('scroll', put, true);
  onBeforeUnmount(() => {
    sizes.disconnect();
    window.removeEventListener('resize', put);
    window.removeEventListener('scroll', put, true);
  });
  return place;
}
