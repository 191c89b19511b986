import { readonly, ref } from 'vue';

const message = ref('');

/** Says to screen readers what changed on the screen: counts after a choice, the end of a run. */
export function useAnnouncer() {
  return {
    message: readonly(message),
    announce(words: string): void {
      message.value = words;
    },
  };
}
