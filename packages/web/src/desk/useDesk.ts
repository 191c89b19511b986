import type { DeskSentencesView, DeskShell, DeskView, ShellSentence } from '@yarin/core';
import { onUnmounted, ref, type Ref } from 'vue';
import { sentenceOf } from '../shared/api/client.js';
import { fetchDesk, fetchDeskSentences } from '../shared/api/desk.js';

/** The Desk of whoever asks: shown at once, and filled in with what its plans say when they are worked out. */
export interface OpenDesk {
  readonly desk: Ref<DeskView | undefined>;
  readonly failure: Ref<string>;
  load(): Promise<void>;
}

export function useDesk(): OpenDesk {
  const desk = ref<DeskView>();
  const failure = ref('');
  /** Counts up: what an earlier loading still waits for is of no interest. */
  let loading = 0;
  onUnmounted(() => loading++);

  async function load(): Promise<void> {
    const mine = ++loading;
    failure.value = '';
    try {
      let view = await fetchDesk();
      if (mine === loading) desk.value = view;
      while (mine === loading && isUnderWay(view)) {
        view = withSentences(view, await fetchDeskSentences().catch(sentenceOf));
        if (mine === loading) desk.value = view;
      }
    } catch (error) {
      if (mine === loading) failure.value = sentenceOf(error);
    }
  }

  return { desk, failure, load };
}

const isUnderWay = ({ shells }: DeskView): boolean => shells.some(({ said }) => said === 'underWay');

/** @param told  what the plans say, or why nobody could say it */
function withSentences(view: DeskView, told: DeskSentencesView | string): DeskView {
  const nothing: ShellSentence = { sentence: null, why: typeof told === 'string' ? told : null };
  const saidOf = ({ id }: DeskShell['shell']): DeskShell['said'] =>
    typeof told === 'string' ? nothing : (told[id] ?? nothing);
  return {
    ...view,
    shells: view.shells.map((row) => (row.said === 'underWay' ? { ...row, said: saidOf(row.shell) } : row)),
  };
}
