<script setup lang="ts">
import { weekdayWord, type Meeting, type ReadMeetings } from '@yarin/core';
import { computed, ref, shallowRef } from 'vue';
import { sentenceOf } from '../../shared/api/client.js';
import { asRead } from '../../shared/readersDates.js';
import FileField from '../../shared/FileField.vue';
import FoundToTake from '../../shared/FoundToTake.vue';
import { isSameMeeting, weeksWords } from './meetings.js';

/** Class meetings out of a timetable file, to be looked at and taken over. Nothing is doubled. */
const { meetings, teachingWeeks, read } = defineProps<{
  meetings: readonly Meeting[];
  teachingWeeks: number;
  read: (text: string) => Promise<ReadMeetings>;
}>();
const emit = defineEmits<{ take: [meetings: readonly Meeting[]] }>();

const trouble = ref('');
const found = shallowRef<ReadMeetings | null>(null);

const fresh = computed(() =>
  (found.value?.found ?? [])
    .filter(({ meeting }) => !meetings.some((known) => isSameMeeting(known, meeting)))
    .map(({ name, meeting }) => ({ value: meeting, words: words(meeting), note: name })),
);
const known = computed(() => (found.value?.found.length ?? 0) - fresh.value.length);

async function open([file]: readonly File[]): Promise<void> {
  trouble.value = '';
  found.value = null;
  try {
    found.value = await read(await file!.text());
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
}
function take(taken: readonly Meeting[]): void {
  emit('take', taken);
  found.value = null;
}

function words({ weekday, start, end, room, series, ...rest }: Meeting): string {
  const weeks = weeksWords({ weekday, start, end, ...rest }, teachingWeeks);
  const when = weeks === 'every' ? '' : /\d/.test(weeks) ? `weeks ${weeks}` : `${weeks} weeks`;
  const all = [`${weekdayWord(weekday)} ${start}–${end}`, room ?? '', series ?? '', when];
  return asRead(all.filter((each) => each !== '').join(', '));
}
</script>

<template>
  <div class="file">
    <FileField
      words="from a timetable file"
      label="Timetable as an iCalendar file"
      accept=".ics,text/calendar"
      @chosen="open"
    />
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <section v-if="found" aria-label="Class meetings of the file">
      <FoundToTake
        :fresh="fresh"
        :known="known"
        nothing="No class of this term was found: an entry with hours that comes back week by week."
        :unread="found.unread.map((name) => `“${name}” is no weekly class.`)"
        what="meeting"
        @take="take"
      />
    </section>
  </div>
</template>

<style scoped>
section {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding-top: 6px;
}

.trouble {
  color: var(--madder);
}
</style>
