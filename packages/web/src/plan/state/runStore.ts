import type { JobState } from '@yarin/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { startRun, watchRun } from '../../shared/api/plans.js';

interface RunningJob {
  readonly planId: string;
  /** “ECO 214 into 02”. */
  readonly words: string;
  readonly share: number;
}

/** The run under way, seen from every page. */
export const useRunStore = defineStore('run', () => {
  const job = ref<RunningJob | null>(null);

  return {
    job,
    /** Starts a run, or joins the one that somebody else started, and follows it to its end. */
    async bring(planId: string, words: string, seen?: Parameters<typeof startRun>[1]): Promise<JobState> {
      job.value = { planId, words, share: 0 };
      try {
        const { id } = await startRun(planId, seen);
        return await watchRun(planId, id, (state) => {
          if (state.is === 'running') job.value = { planId, words, share: state.share };
        });
      } finally {
        job.value = null;
      }
    },
  };
});
