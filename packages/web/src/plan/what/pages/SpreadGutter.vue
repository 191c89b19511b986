<script setup lang="ts">
import { computed } from 'vue';
import type { StrandStyle } from '../rows/rowWords.js';
import type { NewRow, OldRow } from '../rows/spreadRow.js';

const ROW = 28;
const HEAD = 40;
const WIDTH = 192;

const { oldRows, newRows, placeOf, scrolls, focused, isFolded } = defineProps<{
  oldRows: readonly OldRow[];
  newRows: readonly NewRow[];
  placeOf: ReadonlyMap<string, number>;
  scrolls: { readonly old: number; readonly new: number; readonly height: number };
  focused: number;
  /** A heading that is no thing has a strand for all that is folded under it. */
  isFolded: (key: string) => boolean;
}>();

interface Strand {
  readonly key: string;
  readonly style: StrandStyle | 'own';
  readonly paths: readonly string[];
  /** The loose tail of what stays behind. */
  readonly loop?: string;
  readonly thick: boolean;
  readonly ends: readonly (readonly [number, number])[];
}

const middle = (index: number, scroll: number): number => HEAD + index * ROW + ROW / 2 - scroll;
const curve = (a: number, b: number): string => `M8 ${a}C${WIDTH * 0.47} ${a} ${WIDTH * 0.53} ${b} ${WIDTH - 8} ${b}`;

/** Of a strand whose other end is out of sight: it leaves over the edge instead of crossing the page. */
const leaving = (a: number, down: boolean): string =>
  `M8 ${a}C40 ${a} 52 ${a + (down ? 12 : -12)} 56 ${a + (down ? 34 : -34)}`;

const tail = (a: number): string => `M8 ${a}H46`;
const loop = (a: number): string => `M46 ${a}c10 0 12 -8 5 -8c-6 0 -5 9 3 9`;

function cut(a: number, b: number): string[] {
  const x = WIDTH / 2;
  const y = (a + b) / 2;
  return [curve(a, b), `M${x - 8} ${y + 7}l5 -13`, `M${x + 2} ${y + 7}l5 -13`];
}

const strands = computed((): Strand[] => {
  const { old, new: newScroll, height } = scrolls;
  const first = Math.max(0, Math.floor(old / ROW) - 1);
  const last = Math.min(oldRows.length - 1, Math.ceil((old + height) / ROW));
  const drawn: Strand[] = [];
  for (let index = first; index <= last; index++) {
    const row = oldRows[index]!;
    if (row.item === undefined && !isFolded(row.key)) continue;
    const a = middle(index, old);
    const to = placeOf.get(row.to ?? (row.item === undefined ? row.key : ''));
    const isFocused = index === focused;
    const base = { key: row.key, style: row.strand, thick: row.isHeading || isFocused };
    if (to === undefined) {
      drawn.push({ ...base, paths: [tail(a)], loop: loop(a), ends: [] });
      continue;
    }
    const b = middle(to, newScroll);
    if (b < HEAD - ROW * 3 || b > HEAD + height + ROW * 3) {
      drawn.push({ ...base, paths: [leaving(a, b > a)], ends: [] });
      continue;
    }
    const paths =
      row.strand === 'joins'
        ? [curve(a - 2, b - 2), curve(a + 2, b + 2)]
        : row.strand === 'needs'
          ? cut(a, b)
          : [curve(a, b)];
    drawn.push({
      ...base,
      paths,
      ends: isFocused
        ? [
            [8, a],
            [WIDTH - 8, b],
          ]
        : [],
    });
  }
  const firstNew = Math.max(0, Math.floor(newScroll / ROW) - 1);
  const lastNew = Math.min(newRows.length - 1, Math.ceil((newScroll + height) / ROW));
  for (let index = firstNew; index <= lastNew; index++) {
    const row = newRows[index]!;
    if (row.item?.verb !== 'here') continue;
    const b = middle(index, newScroll);
    drawn.push({
      key: `own ${row.key}`,
      style: 'own',
      paths: [`M${WIDTH - 54} ${b}H${WIDTH - 8}`],
      thick: false,
      ends: [],
    });
  }
  return drawn;
});
</script>

<template>
  <svg
    class="gutter"
    :viewBox="`0 ${HEAD} ${WIDTH} ${scrolls.height}`"
    :height="scrolls.height"
    preserveAspectRatio="none"
    aria-hidden="true"
  >
    <g v-for="strand in strands" :key="strand.key" :class="[strand.style, { thick: strand.thick }]">
      <path v-for="(path, index) in strand.paths" :key="index" :d="path" />
      <path v-if="strand.loop" :d="strand.loop" class="loop" />
      <circle v-for="[x, y] in strand.ends" :key="x" :cx="x" :cy="y" r="3.5" />
    </g>
  </svg>
</template>

<style scoped>
.gutter {
  width: 100%;
  margin-top: 40px;
  overflow: hidden;
}

path {
  fill: none;
  stroke-width: 1.4;
}

.thick path {
  stroke-width: 2.2;
}

.comes path {
  stroke: var(--indigo);
  opacity: 0.65;
}

.comes.thick path {
  opacity: 1;
}

.stays path,
.place path {
  stroke: var(--ash);
  stroke-dasharray: 4 4;
}

.joins path {
  stroke: var(--woad);
}

.needs path {
  stroke: var(--madder);
}

.own path {
  stroke: var(--ash);
  stroke-width: 1.6;
  stroke-dasharray: 1.5 4;
}

.stays path.loop {
  stroke-dasharray: none;
  stroke-width: 1.3;
}

circle {
  fill: var(--indigo);
}
</style>
