import type { PersonView } from '@yarin/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { fetchSession, signIn, signOut } from '../shared/api/people.js';

export const useSessionStore = defineStore('session', () => {
  const person = ref<PersonView | null>(null);
  let loaded: Promise<void> | undefined;

  return {
    person,
    /** Asks once who is signed in. */
    load(): Promise<void> {
      loaded ??= fetchSession().then(
        (found) => void (person.value = found),
        () => void (loaded = undefined),
      );
      return loaded;
    },
    async signIn(id: string): Promise<void> {
      person.value = await signIn(id);
    },
    async signOut(): Promise<void> {
      await signOut();
      person.value = null;
    },
  };
});
