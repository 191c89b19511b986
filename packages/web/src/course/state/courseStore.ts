import type { CourseEdit, CourseLeftOver, CourseView, Deed, ItemView, Kind, Mark, SnapshotItem } from '@yarin/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import * as api from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import { fetchCourseNews } from '../../shared/api/news.js';
import { useAnnouncer } from '../../shared/announcer.js';
import { keyboardMove, type Place } from './moves.js';

/** One course on the screen, and everything that can be done to it there. */
export const useCourseStore = defineStore('course', () => {
  const view = shallowRef<CourseView | null>(null);
  const opened = shallowRef<ItemView | null>(null);
  /** What is left over in it; worked out by the plan that filled it, so that it comes a little later. */
  const leftOver = shallowRef<CourseLeftOver | null>(null);
  const failure = ref('');
  /** Why the last act was refused. */
  const trouble = ref('');
  const itemFailure = ref('');
  const { say } = useAnnouncer();
  /** Somebody is writing in the editor of a thing. */
  const isWriting = ref(false);
  let courseId = '';
  let itemKey = '';
  /** The latest deed that was said or stood there: only a newer one is what was just done. */
  let toldDeed: number | undefined;

  const itemsById = computed(() => new Map((view.value?.items ?? []).map((item) => [item.id, item])));
  const mayChange = computed(() => view.value?.rights.change.may === true);

  async function load(id: string): Promise<void> {
    const isAnother = id !== courseId;
    if (isAnother) view.value = leftOver.value = null;
    courseId = id;
    failure.value = '';
    try {
      const found = await api.fetchCourse(id);
      if (id !== courseId) return;
      view.value = found;
      void lookWhatIsLeft(found);
      if (isAnother) toldDeed = found.deeds[0]?.id;
    } catch (error) {
      if (id === courseId) failure.value = sentenceOf(error);
    }
  }

  async function lookWhatIsLeft(of: CourseView): Promise<void> {
    try {
      const left = await api.fetchLeftOver(of.summary.id);
      if (view.value === of) leftOver.value = left;
    } catch (error) {
      if (view.value === of) trouble.value = sentenceOf(error);
    }
  }

  async function open(key: string): Promise<void> {
    itemKey = key;
    itemFailure.value = '';
    if (key === '') {
      opened.value = null;
      return;
    }
    try {
      const item = await api.fetchItem(courseId, key);
      if (key === itemKey) opened.value = item;
    } catch (error) {
      if (key !== itemKey) return;
      opened.value = null;
      itemFailure.value = sentenceOf(error);
    }
  }

  /** Does something to the course, says it, and reads the course anew; a refusal is shown and nothing is lost. */
  async function act<Answer>(doIt: () => Promise<Answer>, said: string): Promise<Answer | undefined> {
    trouble.value = '';
    try {
      const answer = await doIt();
      await load(courseId);
      saySaved(said);
      return answer;
    } catch (error) {
      trouble.value = sentenceOf(error);
      return undefined;
    }
  }

  /** Says what was done; what was done last is taken back beside it, where that can be. */
  function saySaved(said: string): void {
    const [deed] = view.value?.deeds ?? [];
    const isNew = deed !== undefined && deed.id !== toldDeed;
    toldDeed = deed?.id;
    const back = isNew && deed.canBe === 'takenBack' && mayChange.value ? deed : undefined;
    say(said, back === undefined ? undefined : { words: 'take it back', act: () => takeDeedBack(back) });
  }

  /** Takes back what somebody did here, or does again what was taken back. */
  async function takeDeedBack({ id, what, canBe }: Deed): Promise<void> {
    await act(() => api.takeDeedBack(courseId, id), canBe === 'doneAgain' ? 'Done again.' : `Taken back: ${what}.`);
    if (itemKey !== '') await open(itemKey);
  }

  const titleOf = (key: string): string => itemsById.value.get(key)?.title ?? 'It';

  return {
    view,
    opened,
    leftOver,
    isWriting,
    failure,
    trouble,
    itemFailure,
    itemsById,
    mayChange,
    load,
    open,
    reload: (): Promise<void> => load(courseId),
    /** Reads the course anew when it was changed elsewhere. What somebody is writing stays as it is. */
    async hear(): Promise<void> {
      const known = view.value?.summary;
      if (known === undefined || isWriting.value) return;
      const news = await fetchCourseNews([known.id]);
      const version = news[known.id]?.version ?? known.version;
      if (view.value?.summary !== known || version === known.version || isWriting.value) return;
      await load(known.id);
      toldDeed = view.value?.deeds[0]?.id;
      if (itemKey !== '') await open(itemKey);
    },
    itemsOf: (kind: Kind): SnapshotItem[] => (view.value?.items ?? []).filter((item) => item.kind === kind),
    add: (kind: Kind, title: string, parent: string | null) =>
      act(() => api.addItem(courseId, { kind, title, parent }), `${title} added as a draft.`),
    addFile: (file: File) => act(() => api.addFile(courseId, file), `${file.name} added.`),
    duplicate: (key: string) => act(() => api.duplicateItem(courseId, key), `${titleOf(key)} copied, as a draft.`),
    place: (key: string, place: Place) => act(() => api.placeItem(courseId, key, place), `${titleOf(key)} moved.`),
    async moveByKey(key: string, way: 'up' | 'down' | 'in' | 'out'): Promise<void> {
      const place = keyboardMove(view.value?.items ?? [], key, way);
      if (place !== undefined) await act(() => api.placeItem(courseId, key, place), `${titleOf(key)} moved.`);
    },
    /** Returns whether it went. */
    remove: (key: string): Promise<true | undefined> =>
      act(
        () => api.removeItem(courseId, key).then(() => true as const),
        `${titleOf(key)} removed; it can be put back.`,
      ),
    takeDeedBack,
    saySaved,
    putBack: (key: string) => act(() => api.putBackItem(courseId, key), 'Put back.'),
    async mark(key: string, mark: Mark['mark'] | null, note: string | null): Promise<void> {
      await act(() => api.markItem(courseId, key, mark, note), 'Noted for next time.');
      if (key === itemKey) await open(key);
    },
    edit: (changes: CourseEdit) => act(() => api.editCourse(courseId, changes), 'Saved.'),
    archive: (archived: boolean) =>
      act(() => api.archiveCourse(courseId, archived), archived ? 'Archived.' : 'Back from the archive.'),
    /** Saves single attributes of an item from one of the tables. */
    async setDetails(key: string, details: Record<string, unknown>): Promise<void> {
      await act(
        async () => {
          const { version } = await api.fetchItem(courseId, key);
          return api.saveItem(courseId, key, version, { details });
        },
        `${titleOf(key)} saved.`,
      );
    },
  };
});
