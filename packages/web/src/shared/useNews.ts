import { onMounted, onUnmounted } from 'vue';

/** How often a page that is looked at asks. */
const EVERY_MS = 4000;

/**
 * Asks, while a page is looked at, whether what it shows still stands: every few seconds, and at once when somebody comes back
 * to it. Where Yarin can't be reached nothing is known, and it asks again.
 *
 * @param ask  asks once and does what follows; the next waits until it is done
 */
export function useNews(ask: () => Promise<void>): void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let isAsking = false;
  let isOver = false;

  async function look(): Promise<void> {
    clearTimeout(timer);
    if (isAsking || isOver) return;
    if (document.visibilityState === 'visible') {
      isAsking = true;
      await ask().catch(() => undefined);
      isAsking = false;
    }
    if (!isOver) timer = setTimeout(() => void look(), EVERY_MS);
  }
  const again = (): void => void look();
  onMounted(() => {
    document.addEventListener('visibilitychange', again);
    window.addEventListener('focus', again);
    timer = setTimeout(again, EVERY_MS);
  });
  onUnmounted(() => {
    isOver = true;
    clearTimeout(timer);
    document.removeEventListener('visibilitychange', again);
    window.removeEventListener('focus', again);
  });
}
