<script setup lang="ts">
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import { count } from '../../shared/words.js';
import NumberBox from '../../shared/NumberBox.vue';
import { useCourseStore } from '../state/courseStore.js';
import ScoreScale from './ScoreScale.vue';
import { gradebookOf } from './gradebook.js';
import { momentWords } from '../../shared/readersDates.js';

const course = useCourseStore();
const router = useRouter();
const book = computed(() => gradebookOf(course.view!.items));
const FULL = 100;

const open = (key: string): void => void router.push({ params: { part: '' }, query: { item: key } });

function weigh(key: string, given: number | undefined): void {
  void course.setDetails(key, { weight: given ?? null });
}

async function add(kind: 'gradeCategory' | 'lineItem', title: string): Promise<void> {
  const key = await course.add(kind, title, null);
  if (key !== undefined) open(key);
}

/** What most courses use; its steps are written over where it opens. */
const USUAL_STEPS = [
  ['A', 90],
  ['B', 80],
  ['C', 70],
  ['D', 60],
  ['F', 0],
] as const;
async function giveScale(): Promise<void> {
  const key = await course.add('scoreScale', 'Scale', null);
  if (key === undefined) return;
  await course.setDetails(key, { scale: USUAL_STEPS, rounding: 'half up', learnersSee: 'letter and points' });
  open(key);
}
</script>

<template>
  <div class="book">
    <p class="sum">
      <template v-if="book.weights === undefined">No category has a weight; every point counts the same.</template>
      <template v-else>
        The weights come to
        <b :class="{ doubtful: book.weights !== FULL }">{{ book.weights }} %</b
        ><template v-if="book.weights !== FULL">; they should come to 100 %</template>.
      </template>
      {{
        count(
          book.categories.reduce((sum, { lines }) => sum + lines.length, 0),
          'line',
        )
      }}
      in {{ count(book.categories.filter(({ key }) => key).length, 'category', 'categories') }}.
      <span class="acts">
        <template v-if="course.mayChange">
          <button class="plain-link" @click="add('gradeCategory', 'New category')">add a category</button>
          <button class="plain-link" @click="add('lineItem', 'New line')">add a line</button>
        </template>
        <RouterLink
          v-if="course.view!.rights.use.may"
          class="plain-link"
          :to="{ name: 'setUp', params: { id: course.view!.summary.id } }"
          >carry the set-up into other courses</RouterLink
        >
      </span>
    </p>
    <table class="facts">
      <thead>
        <tr>
          <th scope="col">line</th>
          <th scope="col">graded work</th>
          <th scope="col">due</th>
          <th scope="col" class="number">points</th>
          <th scope="col" class="number">weight</th>
          <th scope="col">official record</th>
        </tr>
      </thead>
      <tbody v-for="category in book.categories" :key="category.key ?? 'none'">
        <tr class="category">
          <th scope="rowgroup" colspan="3">
            <button v-if="category.key" class="place-link" @click="open(category.key)">{{ category.title }}</button>
            <span v-else class="doubtful">{{ category.title }}</span>
          </th>
          <td class="number">{{ category.points }}</td>
          <td class="number">
            <template v-if="category.key">
              <NumberBox
                v-if="course.mayChange"
                :value="category.weight"
                :most="100"
                :label="`Weight of ${category.title}, per cent`"
                @set="(given) => weigh(category.key!, given)"
              />
              <template v-else>{{ category.weight ?? '' }}</template>
              {{ category.weight === undefined && !course.mayChange ? 'none' : '%' }}
            </template>
          </td>
          <td>
            <label v-if="category.key && course.mayChange">
              <input
                type="checkbox"
                :checked="category.isOfficial"
                :aria-label="`${category.title} is passed on to the official record`"
                @change="course.setDetails(category.key, { official: !category.isOfficial })"
              />
              passed on
            </label>
            <template v-else-if="category.key">{{ category.isOfficial ? 'passed on' : 'stays here' }}</template>
          </td>
        </tr>
        <tr v-for="line in category.lines" :key="line.key">
          <td class="line">
            <button class="place-link" @click="open(line.key)">{{ line.title }}</button>
            <span v-if="line.doubt" class="doubtful small">{{ line.doubt }}</span>
          </td>
          <td class="quiet">
            <button v-if="line.worksKey" class="plain-link" @click="open(line.worksKey)">{{ line.work }}</button>
            <template v-else>{{ line.work }}</template>
          </td>
          <td class="quiet">{{ line.due ? momentWords(line.due) : '' }}</td>
          <td class="number">{{ line.points ?? '' }}</td>
          <td></td>
          <td></td>
        </tr>
      </tbody>
    </table>
    <p v-if="book.categories.length === 0" class="quiet">
      The gradebook is empty. Categories hold lines; lines hold what work is worth.
    </p>
    <section v-if="book.outside.length > 0">
      <h2>Work in no line</h2>
      <ul>
        <li v-for="work in book.outside" :key="work.id">
          <button class="place-link" @click="open(work.id)">{{ work.title }}</button>
        </li>
      </ul>
    </section>
    <ScoreScale :scale="book.scale" :may-give="course.mayChange" @open="open" @give="giveScale" />
  </div>
</template>

<style scoped>
.book {
  flex: 1;
  min-height: 0;
  overflow: auto;
  padding: 14px var(--margin) 40px;
}

.sum {
  font-size: 16px;
  margin-bottom: 10px;
}

b {
  font-weight: 600;
}

.acts {
  display: inline-flex;
  gap: 14px;
  margin-left: 14px;
  font-size: 14.5px;
}

td,
th {
  height: 28px;
  padding: 0 14px 0 0;
  border-bottom: 1px solid var(--rule-faint);
}

.category th {
  text-align: left;
}

.category th,
.category td {
  height: 36px;
  font-size: 15.5px;
  font-weight: 600;
  color: var(--ink);
  border-bottom-color: var(--rule);
}

.category label {
  font-size: 14.5px;
  font-weight: 400;
}

.line {
  padding-left: 18px;
}

.number {
  text-align: right;
}

section {
  margin-top: 20px;
}

ul {
  margin: 4px 0 0;
  padding-left: 18px;
}

@media (max-width: 800px) {
  td:nth-child(2),
  td:nth-child(3),
  th:nth-child(2),
  th:nth-child(3) {
    display: none;
  }
}
</style>
