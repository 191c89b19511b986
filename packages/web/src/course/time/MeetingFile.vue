<script setup lang="ts">
import { weekdayWord, type Meeting, type ReadMeetings } from '@yarin/core';
import { computed, ref, shallowRef } from 'vue';
import { sentenceOf } from '../../shared/api/client.js';
import { count } from '../../shared/words.js';
import { isSameMeeting, weeksWords } from './meetings.js';

/** Class meetings out of a timetable file, to be looked at and taken over. Nothing is doubled. */
const { meetings, teachingWeeks, read } = defineProps<{
  meetings: readonly Meeting[];
  teachingWeeks: number;
  read: (text: string) => Promise<ReadMeetings>;
}>();
const emit = defineEmits<{ take: [meetings: readonly Meeting[]] }>();

const field = ref<HTMLInputElement>();
const trouble = ref('');
const found = shallowRef<ReadMeetings | null>(null);
const refused = ref(new Set<number>());

const fresh = computed(() =>
  (found.value?.found ?? []).filter(({ meeting }) => !meetings.some((known) => isSameMeeting(known, meeting))),
);
const known = computed(() => (found.value?.found.length ?? 0) - fresh.value.length);
const taken = computed(() => fresh.value.filter((_, at) => !refused.value.has(at)).map(({ meeting }) => meeting));

async function open(file: File | undefined): Promise<void> {
  trouble.value = '';
  found.value = null;
  refused.value = new Set();
  if (file === undefined) return;
  try {
    found.value = await read(await file.text());
  } catch (error) {
    trouble.value = sentenceOf(error);
  }
  if (field.value) field.value.value = '';
}
function toggle(at: number): void {
  const next = new Set(refused.value);
  if (!next.delete(at)) next.add(at);
  refused.value = next;
}
function take(): void {
  emit('take', taken.value);
  found.value = null;
}

function words({ weekday, start, end, room, series, ...rest }: Meeting): string {
  const weeks = weeksWords({ weekday, start, end, ...rest }, teachingWeeks);
  const when = weeks === 'every' ? '' : /\d/.test(weeks) ? `weeks ${weeks}` : `${weeks} weeks`;
  const all = [`${weekdayWord(weekday)} ${start}–${end}`, room ?? '', series ?? '', when];
  return all.filter((each) => each !== '').join(', ');
}
</script>

<template>
  <div class="file">
    <button class="plain-link" @click="field?.click()">from a timetable file</button>
    <input
      ref="field"
      class="visually-hidden"
      type="file"
      accept=".ics,text/calendar"
      tabindex="-1"
      aria-label="Timetable as an iCalendar file"
      @change="open(($event.target as HTMLInputElement).files?.[0])"
    />
    <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
    <section v-if="found" aria-label="Class meetings of the file">
      <ul v-if="fresh.length > 0">
        <li v-for="({ name, meeting }, at) in fresh" :key="at">
          <label class="choice">
            <input type="checkbox" :checked="!refused.has(at)" @change="toggle(at)" />
            {{ words(meeting) }} <span class="quiet small">{{ name }}</span>
          </label>
        </li>
      </ul>
      <p v-if="known > 0" class="quiet small">{{ count(known, 'is', 'are') }} there already.</p>
      <p v-if="found.found.length === 0" class="quiet small">
        No class of this term was found: an entry with hours that comes back week by week.
      </p>
      <p v-for="name in found.unread" :key="name" class="small unread">“{{ name }}” is no weekly class.</p>
      <ElButton v-if="fresh.length > 0" size="small" type="primary" :disabled="taken.length === 0" @click="take">
        Add {{ count(taken.length, 'meeting') }}
      </ElButton>
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

ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

.trouble {
  color: var(--madder);
}

.unread {
  color: var(--weld-ink);
}
</style>
