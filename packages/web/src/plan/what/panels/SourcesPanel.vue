<script setup lang="ts">
import { computed } from 'vue';
import FindOther from '../../../pair/FindOther.vue';
import { count, courseCode, listed, sectionWords } from '../../../shared/words.js';
import { usePlanStore } from '../../state/planStore.js';

const plan = usePlanStore();
const ids = computed(() => plan.sources.map(({ source }) => source.course.id));
const above = computed(() => new Set([plan.view!.shell.course.id]));
const movable = computed(() => plan.view!.right.may);

const rows = computed(() =>
  plan.sources.map(({ source }) => ({
    id: source.course.id,
    name: plan.nameOf(source.course.id),
    words: `${courseCode(source.course)} ${source.course.title} · ${sectionWords({ ...source.course, meetings: source.meetings })} · ${count(source.items.length, 'thing')}`,
  })),
);
/** For each course: what stands in it too and comes from another. */
const yields = computed(() =>
  rows.value.flatMap(({ id, name }) => {
    const things = plan.overlaps.filter(
      ({ overlap, from }) => from !== id && overlap.some(({ course }) => course === id),
    );
    const instead = listed([...new Set(things.map(({ from }) => plan.nameOf(from)))]);
    return things.length === 0 ? [] : [{ id, name, things, instead }];
  }),
);

function moved(at: number, by: 1 | -1): void {
  const order = [...ids.value];
  [order[at], order[at + by]] = [order[at + by]!, order[at]!];
  void plan.bringFrom(order);
}
const toggle = (id: string): void =>
  void plan.bringFrom(ids.value.includes(id) ? ids.value.filter((each) => each !== id) : [...ids.value, id]);
</script>

<template>
  <section class="panel" aria-label="Courses to bring from">
    <div>
      <ol>
        <li v-for="(row, at) in rows" :key="row.id">
          <b>{{ row.name }}</b> <span class="quiet">{{ row.words }}</span>
          <template v-if="movable && rows.length > 1">
            <button v-if="at > 0" class="plain-link" :aria-label="`${row.name} goes before`" @click="moved(at, -1)">
              goes before
            </button>
            <button class="plain-link" :aria-label="`Nothing from ${row.name}`" @click="toggle(row.id)">
              nothing from it
            </button>
          </template>
        </li>
      </ol>
      <p v-if="rows.length > 1" class="quiet">
        What stands in two of them comes once: from the one that goes before, unless you take another’s.
      </p>
      <p v-for="{ id, name, things, instead } in yields" :key="id">
        {{ count(things.length, 'thing') }} of {{ name }} {{ things.length === 1 ? 'comes' : 'come' }} from
        {{ instead }}.
        <button v-if="movable" class="plain-link" @click="plan.takeFrom(things, id)">
          take {{ things.length === 1 ? 'it' : `all ${things.length}` }} from {{ name }}
        </button>
      </p>
    </div>
    <FindOther
      v-if="movable"
      :above="above"
      :chosen="plan.sources.map(({ source }) => source.course)"
      how="more"
      @press="({ id }) => toggle(id)"
    />
  </section>
</template>

<style scoped>
.panel {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 40px;
  padding: 4px var(--margin) 10px;
  border-top: 1px solid var(--rule-faint);
  max-height: 280px;
  overflow: auto;
}

ol {
  margin: 4px 0;
  padding-left: 20px;
}

li {
  padding: 3px 0;
}

li button {
  margin-left: 14px;
}

b {
  font-weight: 600;
}

.panel.panel .other {
  margin-top: 0;
  padding-top: 4px;
  border-top: 0;
}
</style>
