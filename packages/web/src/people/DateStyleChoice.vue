<script setup lang="ts">
import { inStyle, type DateStyle } from '@yarin/core';
import { ref } from 'vue';
import { sentenceOf } from '../shared/api/client.js';
import { dateStyle } from '../shared/readersDates.js';
import { useSessionStore } from './sessionStore.js';

/** The order and the clock in which somebody reads dates, each shown by an example. */
const session = useSessionStore();
const failure = ref('');

const ORDERS: readonly DateStyle['order'][] = ['dayFirst', 'monthFirst'];
const CLOCKS: readonly DateStyle['clock'][] = [24, 12];

async function choose(change: Partial<DateStyle>): Promise<void> {
  failure.value = '';
  try {
    await session.styleDates(change);
  } catch (error) {
    failure.value = sentenceOf(error);
  }
}
</script>

<template>
  <fieldset>
    <legend class="quiet small">Dates</legend>
    <span class="choices" role="radiogroup" aria-label="Order of dates">
      <label v-for="order in ORDERS" :key="order" class="choice">
        <input type="radio" name="order" :checked="dateStyle.order === order" @change="choose({ order })" />
        {{ inStyle('Tue 16 Mar', { order, clock: 24 }) }}
      </label>
    </span>
    <span class="choices" role="radiogroup" aria-label="Clock">
      <label v-for="clock in CLOCKS" :key="clock" class="choice">
        <input type="radio" name="clock" :checked="dateStyle.clock === clock" @change="choose({ clock })" />
        {{ inStyle('23:59', { order: 'dayFirst', clock }) }}
      </label>
    </span>
    <p v-if="failure" class="small failure" role="alert">{{ failure }}</p>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: grid;
  gap: 2px;
  margin: 4px 0;
  padding: 0;
  border: 0;
}

.choices {
  flex-wrap: nowrap;
}

.failure {
  color: var(--madder);
}
</style>
