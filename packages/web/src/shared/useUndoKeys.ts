import { onBeforeUnmount, onMounted } from 'vue';

/** Ctrl or Command with Z undoes the last choice, with Shift or with Y it is done again; not while somebody types. */
export function useUndoKeys({ undo, redo }: { readonly undo: () => void; readonly redo: () => void }): void {
  function pressed(event: KeyboardEvent): void {
    if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
    const target = event.target as HTMLElement;
    if (target.isContentEditable || /^(INPUT|TEXTAREA)$/.test(target.tagName)) return;
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) undo();
    else if (key === 'y' || (key === 'z' && event.shiftKey)) redo();
    else return;
    event.preventDefault();
  }
  onMounted(() => window.addEventListener('keydown', pressed));
  onBeforeUnmount(() => window.removeEventListener('keydown', pressed));
}
