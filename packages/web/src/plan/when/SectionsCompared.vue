<script setup lang="ts">
import { ROLE_WORDS, type PlanSection } from '@yarin/core';
import { computed, onMounted, ref } from 'vue';
import { count } from '../../shared/words.js';
import { useRowWindow } from '../../shared/useRowWindow.js';
import { usePlanStore } from '../state/planStore.js';
import { useSections } from './useSections.js';
import { momentWords, patternWords } from '../../shared/readersDates.js';

/** One plan, several sections: every date in each of them, side by side. */
const plan = usePlanStore();
const { view, trouble, bringing, toBring, load, follow, bringAll } = useSections();
onMounted(load);

const ROW = 28;
const scroller = ref<HTMLElement | null>(null);
const moments = computed(() => view.value?.moments ?? []);
const sections = computed(() => view.value?.sections ?? []);
const others = computed(() => sections.value.filter(({ planId }) => planId !== plan.view!.id));
const astray = computed(() =>
  others.value.filter(({ follows, right, toWrite }) => !follows && right.may && toWrite > 0),
);
const { inSight, height } = useRowWindow(scroller, () => moments.value.length, ROW);

function stateWords({ planId, follows, toWrite, right }: PlanSection): string {
  if (toWrite === 0) return 'brought';
  if (!right.may) return 'not yours to bring into';
  if (planId === plan.view!.id) return 'this plan';
  if (planId === null) return 'no plan yet; shown as it would follow';
  return follows ? 'follows this plan' : 'chooses otherwise';
}
</script>

<template>
  <p v-if="trouble" class="trouble" role="alert">{{ trouble }}</p>
  <p v-if="view === null" class="quiet aside">Working the sections out …</p>
  <p v-else-if="others.length === 0" class="quiet aside">
    {{ plan.view!.shell.course.code }} {{ plan.view!.shell.course.number }} has no other section in
    {{ plan.view!.shell.course.term }} that you may bring into.
  </p>
  <div v-else class="sections" :style="{ '--sections': sections.length }">
    <p class="acts">
      <button v-if="astray.length > 0" class="plain-link" @click="follow(astray)">
        let {{ count(astray.length, 'section') }} follow this plan
      </button>
      <ElButton v-if="toBring.length > 1" type="primary" size="small" :disabled="bringing !== ''" @click="bringAll">
        Bring into {{ toBring.length }} sections
      </ElButton>
      <span class="quiet">each by a plan of its own, on its own class days; each can be taken back by itself</span>
    </p>
    <div ref="scroller" class="table" role="table" tabindex="0" aria-label="Dates of all sections">
      <div class="row head" role="row">
        <span role="columnheader">thing</span>
        <span role="columnheader">role</span>
        <span role="columnheader">was</span>
        <span v-for="section in sections" :key="section.shell.id" role="columnheader" class="section">
          <b>section {{ section.shell.section }}</b>
          <small>{{ patternWords(section.shell.meetings) }}</small>
          <small>
            {{ bringing === section.shell.id ? 'bringing …' : stateWords(section)
            }}{{ section.toWrite > 0 ? `, ${count(section.doubts, 'date')} in doubt` : '' }}
          </small>
          <RouterLink
            v-if="section.planId !== null && section.planId !== plan.view!.id"
            class="plain-link"
            :to="{ name: 'plan', params: { id: section.planId, knot: 'when' } }"
            >open its dates</RouterLink
          >
        </span>
      </div>
      <div class="all" :style="{ height: `${height}px` }" role="presentation">
        <div
          v-for="{ index, start } in inSight"
          :key="moments[index]!.id"
          class="row"
          role="row"
          :style="{ transform: `translateY(${start}px)` }"
        >
          <span role="cell" class="title">{{ moments[index]!.title }}</span>
          <span role="cell" class="quiet">{{ ROLE_WORDS[moments[index]!.role] }}</span>
          <span role="cell" class="quiet">{{ momentWords(moments[index]!.from) }}</span>
          <span v-for="section in sections" :key="section.shell.id" role="cell">
            <template v-if="section.dates[moments[index]!.id] === undefined"
              ><span class="quiet">does not come</span></template
            >
            <span v-else-if="section.dates[moments[index]!.id]!.to === null" class="quiet">no date</span>
            <span v-else :class="section.dates[moments[index]!.id]!.doubtful ? 'doubtful' : 'moved'">{{
              momentWords(section.dates[moments[index]!.id]!.to!)
            }}</span>
          </span>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.sections {
  flex: 1;
  min-height: 0;
  display: flex;
  flex-direction: column;
}

.acts {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  padding: 8px calc(var(--margin) + 8px);
}

.table {
  flex: 1;
  min-height: 0;
  margin: 0 var(--margin);
  overflow: auto;
}

.row {
  display: grid;
  grid-template-columns: minmax(180px, 260px) 70px 148px repeat(var(--sections), minmax(150px, 1fr));
  gap: 8px;
  align-items: center;
  height: 28px;
  padding: 0 8px;
  border-top: 1px solid var(--rule-faint);
  white-space: nowrap;
}

.row.head {
  position: sticky;
  z-index: 1;
  top: 0;
  height: auto;
  align-items: end;
  padding-bottom: 4px;
  border: 0;
  background: var(--paper);
  font-size: 12.5px;
  color: var(--quiet);
}

.section {
  display: grid;
  justify-items: start;
  line-height: 17px;
  white-space: normal;
}

small {
  font-size: 12.5px;
}

b {
  font: 500 15px/20px var(--serif);
  color: var(--ink);
}

.all {
  position: relative;
  min-width: max-content;
}

.all .row {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
}

.title {
  overflow: hidden;
  text-overflow: ellipsis;
}

.moved {
  color: var(--indigo);
}

.aside {
  padding: 14px var(--margin);
}

.trouble {
  padding: 6px var(--margin);
  color: var(--madder);
}
</style>
