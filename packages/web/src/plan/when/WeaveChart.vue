<script setup lang="ts">
import { drag, type D3DragEvent } from 'd3-drag';
import { scaleLinear } from 'd3-scale';
import { pointer, select } from 'd3-selection';
import { linkVertical } from 'd3-shape';
import { parseDay } from '@yarin/core';
import { computed, onMounted, ref, useTemplateRef } from 'vue';
import WeaveStrip from './WeaveStrip.vue';
import { LABELS, MARGIN, SECTION_DASHES, STRIP } from './weaveMeasures.js';
import { useResizeWatch } from '../../shared/useResizeWatch.js';
import type { Weave, WeaveStrand } from './weaveGeometry.js';
import { dayWords } from '../../shared/readersDates.js';

const { weave, oldName, newName, oldDays, newDays, week, movable, wordsFor } = defineProps<{
  weave: Weave;
  oldName: string;
  newName: string;
  oldDays: string;
  newDays: string;
  /** First day of the week that the table is narrowed to. */
  week: number | null;
  movable: boolean;
  /** What is on a day of the new term for dates that are held over it, as `moved` says them. */
  wordsFor: (ids: readonly string[], day: string, withChosen: boolean) => string;
}>();
const emit = defineEmits<{
  /** `withChosen`: whatever is chosen goes along. */
  moved: [ids: readonly string[], day: string, withChosen: boolean];
  week: [start: number | null];
  picked: [id: string];
}>();

const OLD_Y = 86;
const NEW_Y = 196;
const MOST_BAR = 9;
const TALLEST_LOAD = 48;
const HEIGHT = 290;
const NARROWEST = 640;

const frame = useTemplateRef<HTMLDivElement>('frame');
const width = ref(1280);
useResizeWatch(frame, (wide) => void (width.value = Math.max(NARROWEST, wide)));

const x = computed(() => scaleLinear([0, weave.days], [MARGIN + LABELS, width.value - MARGIN]));
const sides = computed(() => [
  { strip: weave.old, name: oldName, days: oldDays, y: OLD_Y, isNew: false },
  { strip: weave.new, name: newName, days: newDays, y: NEW_Y, isNew: true },
]);
/** Height of one piece of graded work, the same on both sides. */
const loadHeight = computed(() => {
  const most = Math.max(1, ...[...weave.old.weeks, ...weave.new.weeks].map(({ load }) => load));
  return Math.min(MOST_BAR, TALLEST_LOAD / most);
});

const link = linkVertical<{ source: [number, number]; target: [number, number] }, [number, number]>()
  .x(([left]) => left)
  .y(([, top]) => top);
const path = (from: number, to: number): string =>
  link({ source: [x.value(from), OLD_Y + STRIP + 4], target: [x.value(to), NEW_Y - 4] }) ?? '';

const held = ref<{ strand: WeaveStrand; to: number; withChosen: boolean } | null>(null);
const endOf = (strand: WeaveStrand): number => (held.value?.strand.key === strand.key ? held.value.to : strand.to);

/** The end of a strand on the new strip can be dragged to another day; the time of day stays. */
const ends = useTemplateRef<SVGGElement>('ends');
const strandAt = (target: EventTarget | null): WeaveStrand | undefined => {
  const end = target instanceof Element ? target.closest<SVGElement>('.end') : null;
  return end === null ? undefined : weave.strands[Number(end.dataset.at)];
};
type Dragged = D3DragEvent<SVGGElement, unknown, WeaveStrand> & { readonly sourceEvent: MouseEvent };
onMounted(() =>
  select(ends.value!).call(
    drag<SVGGElement, unknown, WeaveStrand | undefined>()
      .filter((event: MouseEvent) => movable && event.button === 0 && !event.ctrlKey)
      .subject((event: Dragged) => strandAt(event.sourceEvent.target))
      .on('drag', ({ subject, sourceEvent }: Dragged) => {
        const [left] = pointer(sourceEvent, ends.value);
        const to = Math.floor(x.value.invert(left)) + 0.5;
        held.value = { strand: subject, to, withChosen: sourceEvent.shiftKey };
      })
      .on('end', ({ subject, sourceEvent }: Dragged) => {
        const to = held.value?.to;
        held.value = null;
        if (to === undefined || to === subject.to) emit('picked', subject.ids[0]!);
        else emit('moved', subject.ids, weave.dayAt(to), sourceEvent.shiftKey);
      }),
  ),
);

const heldWords = computed(() => {
  if (held.value === null) return '';
  const day = weave.dayAt(held.value.to);
  const { strand, withChosen } = held.value;
  return [dayWords(parseDay(day)), wordsFor(strand.ids, day, withChosen)].filter((words) => words !== '').join(' · ');
});
/** The words stay within the chart. */
const heldAt = computed(() =>
  Math.min(width.value - 190, Math.max(190, held.value === null ? 0 : x.value(held.value.to))),
);
</script>

<template>
  <div ref="frame" class="frame">
    <svg
      :width="width"
      :height="HEIGHT"
      role="img"
      :aria-label="`${oldName} above, ${newName} below, a strand from each old date to its new one. The table below says the same.`"
    >
      <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" class="hatch" />
        </pattern>
      </defs>
      <WeaveStrip
        v-for="side in sides"
        :key="side.name"
        :strip="side.strip"
        :name="side.name"
        :days="side.days"
        :y="side.y"
        :is-new="side.isNew"
        :x="x"
        :load-height="loadHeight"
        :narrowed="side.isNew ? week : null"
        @week="(start) => emit('week', start)"
      />

      <path
        v-for="(strand, at) in weave.strands"
        :key="at"
        :d="path(strand.from, endOf(strand))"
        :class="['strand', { doubtful: strand.doubtful, held: held?.strand.key === strand.key }]"
        :stroke-width="Math.min(1 + strand.ids.length * 0.35, 4)"
        :stroke-dasharray="SECTION_DASHES[strand.section % SECTION_DASHES.length]"
      />
      <template v-for="(strand, at) in weave.strands" :key="at">
        <path
          v-if="strand.tied"
          :d="`M${x(strand.from)} ${OLD_Y + STRIP}v5`"
          :class="['knot', { doubtful: strand.doubtful }]"
        />
        <circle
          v-else
          :cx="x(strand.from)"
          :cy="OLD_Y + STRIP + 4"
          r="2.6"
          :class="['start', { doubtful: strand.doubtful }]"
        />
      </template>
      <g ref="ends">
        <template v-for="(strand, at) in weave.strands" :key="at">
          <path
            v-if="strand.tied && !strand.byHand"
            :data-at="at"
            :d="`M${x(endOf(strand)) - 2.2} ${NEW_Y + 1}v-8h4.4v8z`"
            :class="['end', { doubtful: strand.doubtful, movable }]"
          >
            <title>{{ strand.title }}, with the class</title>
          </path>
          <circle
            v-else
            :data-at="at"
            :cx="x(endOf(strand))"
            :cy="NEW_Y - 4"
            :r="strand.byHand ? 5 : 3.4"
            :class="['end', { doubtful: strand.doubtful, movable }]"
          >
            <title>{{ strand.title }}</title>
          </circle>
        </template>
      </g>
      <text v-if="held" :x="heldAt" :y="NEW_Y - 14" text-anchor="middle" class="held-words">{{ heldWords }}</text>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  flex: none;
  contain: content;
  overflow: hidden;
}

text {
  font: 12.5px var(--sans);
  font-variant-numeric: tabular-nums;
  fill: var(--ink);
}

.hatch {
  stroke: var(--hatch);
  stroke-width: 2;
}

.strand {
  fill: none;
  stroke: var(--indigo);
  opacity: 0.55;
}

.strand.doubtful {
  stroke: var(--weld);
  opacity: 1;
}

.strand.held {
  opacity: 1;
}

.start {
  fill: var(--paper);
  stroke: var(--indigo);
}

.knot {
  stroke: var(--indigo);
  stroke-width: 3;
}

.knot.doubtful {
  stroke: var(--weld);
}

.start.doubtful {
  stroke: var(--weld);
}

.end {
  fill: var(--indigo);
}

.end.movable {
  cursor: ew-resize;
}

.end.doubtful {
  fill: var(--weld);
}

.held-words {
  font-weight: 600;
  paint-order: stroke;
  stroke: var(--paper);
  stroke-width: 4px;
}
</style>
