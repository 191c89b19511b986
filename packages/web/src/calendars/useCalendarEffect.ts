import type { CalendarEffect } from '@yarin/core';
import { onBeforeUnmount, shallowRef, watch } from 'vue';
import { ApiProblem } from '../shared/api/client.js';

const WAIT_MS = 400;

/**
 * Asks what a draft would do to open plans, shortly after it last changed.
 *
 * @param ask  the question for the draft as it stands; `undefined` when there is nothing to ask
 */
export function useCalendarEffect(ask: () => (() => Promise<CalendarEffect>) | undefined) {
  const effect = shallowRef<CalendarEffect | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;
  let asked = 0;
  watch(ask, (question) => {
    clearTimeout(timer);
    const mine = ++asked;
    if (question === undefined) {
      effect.value = null;
      return;
    }
    timer = setTimeout(() => {
      question().then(
        (answer) => void (mine === asked && (effect.value = answer)),
        (error: unknown) => {
          if (mine === asked) effect.value = null;
          // A refusal stands beside the draft already; what is wrong with it was found here too.
          if (!(error instanceof ApiProblem)) throw error;
        },
      );
    }, WAIT_MS);
  });
  onBeforeUnmount(() => clearTimeout(timer));
  return effect;
}
