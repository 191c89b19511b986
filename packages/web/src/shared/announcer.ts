import { readonly, ref, shallowReadonly, shallowRef } from 'vue';

/** What can be done about what was just done: “take it back”. */
export interface WayBack {
  readonly words: string;
  act(): unknown;
}
/** Something that was done, said where everybody sees it. */
export interface Said {
  readonly words: string;
  readonly back?: WayBack | undefined;
}

const message = ref('');
const said = shallowRef<Said | null>(null);

/** Says what changed: to screen readers counts after a choice, to everybody what was done, with the way back beside it. */
export function useAnnouncer() {
  return {
    message: readonly(message),
    said: shallowReadonly(said),
    /** Says it to screen readers; the screen shows it by itself. */
    announce(words: string): void {
      message.value = words;
    },
    /** Says it to everybody. */
    say(words: string, back?: WayBack): void {
      message.value = words;
      said.value = { words, back };
    },
    /** Lets go of what was said. */
    hush(): void {
      said.value = null;
    },
  };
}
