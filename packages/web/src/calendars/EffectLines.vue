<script setup lang="ts">
import { type CalendarEffect } from '@yarin/core';
import { ref } from 'vue';
import { count } from '../shared/words.js';
import { doubtsWords } from './effectWords.js';
import { momentWords } from '../shared/readersDates.js';

/** What a change does to plans that are open, plan by plan. */
defineProps<{ effect: CalendarEffect }>();
const looked = ref('');
const MOST_DATES = 12;
</script>

<template>
  <section aria-label="What this changes">
    <h2>
      What this changes
      <small class="beside">
        {{
          effect.looked === 0
            ? 'no plan is open that goes by it'
            : effect.plans.length === 0
              ? `no date in ${count(effect.looked, 'open plan')}`
              : `dates in ${effect.plans.length} of ${count(effect.looked, 'open plan')}`
        }}
      </small>
    </h2>
    <ul>
      <li v-for="plan in effect.plans" :key="plan.planId">
        <RouterLink class="place-link" :to="{ name: 'plan', params: { id: plan.planId, knot: 'when' } }">{{
          plan.name
        }}</RouterLink>
        {{ ` ${count(plan.dates.length, 'date moves', 'dates move')}, ${doubtsWords(plan)}. ` }}
        <button
          v-if="plan.dates.length > 0"
          class="plain-link small"
          :aria-expanded="looked === plan.planId"
          @click="looked = looked === plan.planId ? '' : plan.planId"
        >
          which
        </button>
        <ul v-if="looked === plan.planId" class="small">
          <li v-for="date in plan.dates.slice(0, MOST_DATES)" :key="date.id">
            {{ date.title }}: {{ date.was === null ? 'no date' : momentWords(date.was) }} →
            {{ date.is === null ? 'no date' : momentWords(date.is) }}
          </li>
          <li v-if="plan.dates.length > MOST_DATES" class="quiet">and {{ plan.dates.length - MOST_DATES }} more</li>
        </ul>
      </li>
    </ul>
    <p v-if="effect.left > 0" class="quiet small">
      {{ count(effect.left, 'more open plan was', 'more open plans were') }} not looked at; each says what changed when
      it is opened.
    </p>
    <p v-if="effect.brought > 0" class="quiet small">
      {{ count(effect.brought, 'course was', 'courses were') }} brought already; what stands there keeps its dates.
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}

li > ul {
  padding-left: 14px;
}
</style>
