import { checkCalendar, type Calendar, type Problem } from '@yarin/core';
import { computed } from 'vue';

/** What is wrong with a calendar that somebody works on, and what can be shown of it meanwhile. */
export function useSoundCalendar(calendar: () => Calendar) {
  /** The last one that was sound, so that there is always something to look at. */
  let lastSound = calendar();
  const problems = computed<readonly Problem[]>(() => checkCalendar(calendar(), '', calendar().weekStartsOn ?? 1));
  const shown = computed(() => {
    if (problems.value.length === 0) lastSound = calendar();
    return lastSound;
  });
  return { problems, shown };
}
