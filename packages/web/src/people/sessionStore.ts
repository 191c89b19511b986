import type { PersonView } from '@yarin/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { actFor, fetchSession, signIn, signOut } from '../shared/api/people.js';

export const useSessionStore = defineStore('session', () => {
  /** Whose Desk it is: whoever signed in, or for whom they act. */
  const person = ref<PersonView | null>(null);
  /** The administrator who acts for `person`. */
  const actor = ref<PersonView | null>(null);
  let loaded: Promise<void> | undefined;

  function take(session: { readonly person: PersonView | null; readonly actor: PersonView | null }): void {
    person.value = session.person;
    actor.value = session.actor;
  }

  return {
    person,
    actor,
    /** Asks once who is signed in. */
    load(): Promise<void> {
      loaded ??= fetchSession().then(take, () => void (loaded = undefined));
      return loaded;
    },
    signIn: async (id: string): Promise<void> => take(await signIn(id)),
    actFor: async (id: string | null): Promise<void> => take(await actFor(id)),
    async signOut(): Promise<void> {
      await signOut();
      take({ person: null, actor: null });
    },
  };
});
