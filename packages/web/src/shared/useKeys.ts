import { onBeforeUnmount, onMounted } from 'vue';

/** What single keys do, by the key's name. Returning `false` leaves the key to others. */
export type Keys = Readonly<Record<string, (event: KeyboardEvent) => unknown>>;

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName)) &&
  !(target instanceof HTMLInputElement && (target.type === 'checkbox' || target.type === 'radio'));

/** What stands on the screen and listens, the newest last. */
const listening: Keys[] = [];

function handle(event: KeyboardEvent): void {
  if (event.defaultPrevented || event.ctrlKey || event.altKey || event.metaKey || isTyping(event.target)) return;
  for (const keys of [...listening].reverse()) {
    const act = keys[event.key];
    if (act === undefined || act(event) === false) continue;
    event.preventDefault();
    return;
  }
}
window.addEventListener('keydown', handle);

/**
 * Binds single keys while a part of the screen stands; what came onto the screen last is asked first. None acts while
 * somebody types, nor with Ctrl, Alt or Meta held.
 */
export function useKeys(keys: Keys): void {
  onMounted(() => void listening.push(keys));
  onBeforeUnmount(() => void listening.splice(listening.indexOf(keys), 1));
}
