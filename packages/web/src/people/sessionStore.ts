import { USUAL_DATES, type DateStyle, type PersonView, type SessionView } from '@yarin/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { dateStyle, setDateStyle } from '../shared/readersDates.js';
import { actFor, fetchSession, signIn, signOut, styleDates } from '../shared/api/people.js';

export const useSessionStore = defineStore('session', () => {
  /** Whose Desk it is: whoever signed in, or for whom they act. */
  const person = ref<PersonView | null>(null);
  /** The administrator who acts for `person`. */
  const actor = ref<PersonView | null>(null);
  let loaded: Promise<void> | undefined;

  function take(session: SessionView | { readonly person: null; readonly actor: null }): void {
    person.value = session.person;
    actor.value = session.actor;
    setDateStyle(session.person === null ? USUAL_DATES : session.dates);
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
    /** Changes how dates are read: at once here, and back again when the server could not take it. */
    async styleDates(change: Partial<DateStyle>): Promise<void> {
      const { order, clock } = dateStyle.value;
      setDateStyle({ ...dateStyle.value, ...change });
      try {
        await styleDates(change);
      } catch (error) {
        setDateStyle({ ...dateStyle.value, ...(change.order && { order }), ...(change.clock && { clock }) });
        throw error;
      }
    },
    async signOut(): Promise<void> {
      await signOut();
      take({ person: null, actor: null });
    },
  };
});
