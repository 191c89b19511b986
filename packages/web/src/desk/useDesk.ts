import type { DeskSentencesView, DeskShell, DeskView, RunUnderWay, ShellSentence } from '@yarin/core';
import { onUnmounted, ref, shallowRef, type Ref, type ShallowRef } from 'vue';
import { sentenceOf } from '../shared/api/client.js';
import { fetchDesk, fetchDeskSentences } from '../shared/api/desk.js';
import { fetchCourseNews } from '../shared/api/news.js';
import { useNews } from '../shared/useNews.js';

/** The Desk of whoever asks: shown at once, and filled in with what its plans say when they are worked out. */
export interface OpenDesk {
  readonly desk: Ref<DeskView | undefined>;
  readonly failure: Ref<string>;
  load(): Promise<void>;
  readonly running: Readonly<ShallowRef<Readonly<Record<string, RunUnderWay>>>>;
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

  /** Runs into shells of the Desk that are under way, by the shell. */
  const running = shallowRef<Readonly<Record<string, RunUnderWay>>>({});
  async function hear(): Promise<void> {
    const shells = desk.value?.shells ?? [];
    if (shells.length === 0) return;
    const news = await fetchCourseNews(shells.map(({ shell }) => shell.id));
    const under = Object.entries(news).flatMap(([id, each]) => (each.running === null ? [] : [[id, each.running]]));
    running.value = Object.fromEntries(under) as Record<string, RunUnderWay>;
    if (shells.some(({ shell }) => (news[shell.id]?.version ?? shell.version) !== shell.version)) await load();
  }
  useNews(hear);

  return { desk, failure, load, running };
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
