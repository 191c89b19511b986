<script setup lang="ts">
import { formatDay, parseDay, readTypedDate, type Day } from '@yarin/core';
import { computed, nextTick, onMounted, ref, useId, useTemplateRef, watch } from 'vue';
import { dateStyle, dayWordsWithYear, momentWords } from '../readersDates.js';
import TermSheet from './TermSheet.vue';
import { termSheet, type Load, type SheetChoices, type Time } from './termSheet.js';
import { useBesideField } from './useBesideField.js';

/**
 * A date as it is typed or picked, the same everywhere: it reads what a person writes, says at once what it read, and opens the term
 * itself. `at` is `YYYY-MM-DDTHH:mm`; of a day alone `YYYY-MM-DD`.
 */
const {
  at,
  label,
  time,
  dates = [],
  own,
  usualTime,
  placeholder = '',
  dayOnly = false,
  instant = false,
  empty = false,
  sheetChoices,
  notes,
} = defineProps<{
  at: string | null;
  label: string;
  /** The term and the classes that it is read against. */
  time?: Time | undefined;
  /** What is dated in that term, for its load. */
  dates?: readonly Load[];
  /** The id of the date itself, which is no load of its own. */
  own?: string | undefined;
  /** The hour where none is typed and there is none, `HH:mm`. */
  usualTime?: string | undefined;
  /** What stands in it while it is empty. */
  placeholder?: string;
  dayOnly?: boolean;
  /** Opened to be filled at once: takes the focus, and lets go of it again. */
  instant?: boolean;
  /** Begins empty, and is so again when a date was set: `at` is only what it counts from. */
  empty?: boolean;
  /** How much of what lies around the term its sheet shows. */
  sheetChoices?: Omit<SheetChoices, 'without'> | undefined;
  /** More that is to be said of a date before it is set. */
  notes?: ((at: string) => readonly string[]) | undefined;
}>();
const emit = defineEmits<{
  /** `text`: what was typed; absent for a day that was picked. */
  set: [at: string, text?: string];
  close: [];
  blur: [];
}>();

const LONGEST_DAYS = 800;

const id = useId();
const moment = computed(() => (at === null || at === '' ? null : dayOnly ? `${at}T00:00` : at));
const shown = (value: string | null): string =>
  value === null ? '' : dayOnly ? dayWordsWithYear(parseDay(value)) : momentWords(value);
/** What stands in the field until somebody types. */
const standing = computed(() => (empty ? '' : shown(moment.value)));
const typed = ref(standing.value);
watch(standing, (next) => void (typed.value = next));
const isOpen = ref(false);
const looked = ref<Day | undefined>();
const field = useTemplateRef<HTMLInputElement>('field');
const frame = useTemplateRef<HTMLElement>('frame');
const panel = useTemplateRef<HTMLElement>('panel');
const picker = useTemplateRef<InstanceType<typeof TermSheet>>('picker');

/** The term, unless it is being changed and can't be drawn as it stands. */
const usable = computed(() => {
  const { firstDay, lastDay } = time?.calendar ?? { firstDay: '', lastDay: '' };
  const days = parseDay(lastDay) - parseDay(firstDay);
  return days >= 0 && days <= LONGEST_DAYS ? time : undefined;
});
const isTouched = computed(() => typed.value.trim() !== standing.value);
const read = computed(() =>
  readTypedDate(typed.value, {
    order: dateStyle.value.order,
    calendar: usable.value?.calendar,
    meetings: usable.value?.meetings,
    at: moment.value,
    time: usualTime,
  }),
);
const day = computed(() => {
  const value = read.value.ok ? read.value.value : empty ? moment.value : null;
  return value === null ? undefined : parseDay(value);
});
const sheet = computed(() =>
  usable.value === undefined
    ? undefined
    : termSheet(usable.value, dates, { ...sheetChoices, without: own === undefined ? [] : [own] }),
);
const trouble = computed(() => (isTouched.value && !read.value.ok ? read.value.problems[0]!.message : ''));
/** What was read, with what is unusual about it; of a day in the sheet what stands there. */
const said = computed(() => {
  if (looked.value !== undefined && sheet.value !== undefined)
    return [dayWordsWithYear(looked.value), sheet.value.wordsFor(looked.value)].filter(Boolean).join(' · ');
  if (!read.value.ok || !isTouched.value) return '';
  const value = read.value.value;
  const words = sheet.value?.wordsFor(parseDay(value)) ?? '';
  return [shown(value), words, ...(notes?.(value) ?? [])].filter((each) => each !== '').join(' · ');
});
/** Whether what was read is unusual enough to be noticed. */
const isNoted = computed(() => read.value.ok && sheet.value?.isUnusual(parseDay(read.value.value)) === true);
const hasPanel = computed(() => isOpen.value || trouble.value !== '' || said.value !== '');
const place = useBesideField(frame, panel, hasPanel);

function take(): void {
  if (!isTouched.value) {
    emit('close');
    return;
  }
  if (read.value.ok) set(read.value.value, typed.value);
}
function set(value: string, text?: string): void {
  emit('set', dayOnly ? value.slice(0, 10) : value, text);
  if (empty) typed.value = '';
}
function pick(picked: Day): void {
  const hour = read.value.ok ? read.value.value.slice(10) : (moment.value?.slice(10) ?? `T${usualTime ?? '23:59'}`);
  set(`${formatDay(picked)}${hour}`);
  shut();
}
function open(): void {
  if (sheet.value === undefined) return;
  isOpen.value = true;
  void nextTick(() => picker.value?.focus());
}
function shut(): void {
  isOpen.value = false;
  looked.value = undefined;
  field.value?.focus();
}
/** Esc closes the nearest: the sheet, then what was typed, then the field. */
function escape(event: KeyboardEvent): void {
  const isNothing = !isOpen.value && !isTouched.value;
  if (isNothing && !instant) return;
  event.stopPropagation();
  if (isOpen.value) shut();
  else if (isTouched.value && !instant) typed.value = standing.value;
  else emit('close');
}
/** Leaving takes what could be read, where a field stands for good; what could not stays, with its message. */
function left({ relatedTarget }: FocusEvent): void {
  const stays = [frame.value, panel.value].some(
    (each) => relatedTarget instanceof Node && each?.contains(relatedTarget),
  );
  if (stays) return;
  isOpen.value = false;
  looked.value = undefined;
  if (!instant && !empty && isTouched.value && read.value.ok) take();
  if (trouble.value === '') emit('blur');
}
defineExpose({ focus: () => field.value?.focus() });
onMounted(() => {
  if (!instant) return;
  field.value?.focus();
  field.value?.select();
});
</script>

<template>
  <span ref="frame" class="typed" @focusout="left" @click.stop @dblclick.stop>
    <input
      ref="field"
      v-model="typed"
      type="text"
      autocomplete="off"
      spellcheck="false"
      :placeholder="placeholder"
      :aria-label="label"
      :aria-invalid="trouble !== ''"
      :aria-describedby="hasPanel ? id : undefined"
      @keydown.enter.stop.prevent="take"
      @keydown.down.prevent.stop="open"
      @keydown.esc="escape"
      @keydown.stop
    />
    <button
      v-if="sheet"
      type="button"
      class="opens"
      :aria-expanded="isOpen"
      :aria-label="`Pick from the term: ${label}`"
      @click="isOpen ? shut() : open()"
    >
      <span aria-hidden="true">▾</span>
    </button>
    <Teleport to="body">
      <div v-if="hasPanel" :id="id" ref="panel" class="beside-field" :style="place" @focusout="left" @keydown.stop>
        <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
        <p v-else :class="['said', { noted: isNoted && looked === undefined }]" role="status">
          {{ said || 'arrows move, Enter picks, Esc closes' }}
        </p>
        <TermSheet
          v-if="isOpen && sheet"
          ref="picker"
          :sheet="sheet"
          :day="day"
          @pick="pick"
          @look="(each) => (looked = each)"
          @close="shut"
        />
      </div>
    </Teleport>
  </span>
</template>

<style scoped>
.typed {
  display: inline-flex;
  align-items: center;
  width: 168px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: var(--raised);
}

.typed:focus-within {
  border-color: var(--indigo);
}

input {
  flex: 1;
  min-width: 0;
  height: 22px;
  border: 0;
  padding: 0 6px;
  background: none;
  font: inherit;
  color: var(--ink);
}

input:focus {
  outline: none;
}

input[aria-invalid='true'] {
  color: var(--madder);
}

.opens {
  display: flex;
  align-items: center;
  height: 22px;
  border: 0;
  padding: 0 5px;
  background: none;
  color: var(--quiet);
  cursor: pointer;
}

.beside-field {
  position: fixed;
  z-index: 2000;
  padding: 2px 10px 5px;
  border: 1px solid var(--rule);
  border-radius: var(--corner);
  background: var(--raised);
  font-size: 13px;
  overflow: auto;
}

p {
  margin: 0;
  max-width: 560px;
}

.said {
  color: var(--quiet);
}

.said.noted {
  color: var(--weld-ink);
}

.trouble {
  color: var(--madder);
}
</style>
