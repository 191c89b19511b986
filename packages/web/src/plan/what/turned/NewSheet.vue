<script setup lang="ts">
import {
  FINDING_WORDS,
  FLAG_WORDS,
  isOpened,
  isOut,
  MARK_WORDS,
  parseDay,
  ROLE_WORDS,
  sectionsOf,
  staysBehind,
  type ItemView,
  type LandingState,
  type PlanLine,
  type SnapshotItem,
} from '@yarin/core';
import { computed } from 'vue';
import ItemBody from '../../../course/item/ItemBody.vue';
import { usePlanStore } from '../../state/planStore.js';
import { asRead, dayWords, momentWords } from '../../../shared/readersDates.js';

/** One thing on the right: how it will be in the new course, what can be chosen about that, or why it stays behind. */
const { item, line, view, against, isUpdate } = defineProps<{
  item: SnapshotItem;
  line: PlanLine;
  /** What the new course will show; absent while it is fetched. */
  view: ItemView | undefined;
  /** The text that its words are compared with. */
  against: string | undefined;
  isUpdate: boolean;
}>();
const emit = defineEmits<{ look: [key: string]; putBack: [] }>();

const plan = usePlanStore();
const landed = computed(() => plan.preview!.items.find(({ id }) => id === line.to));
const dates = computed(() => plan.preview!.dates.filter((date) => date.item === item.id));
const evidence = computed(() => plan.findings.filter((finding) => finding.item === item.id));
const mark = computed(() => plan.source.marks.find((each) => each.item === item.id));
const comes = computed(() => !staysBehind(line));
const differs = computed(() => against !== undefined && against !== (view?.item.body ?? ''));

const STATES: readonly LandingState[] = ['as it was', 'draft', 'hidden'];
const landing = computed(() => plan.decisions.choices.landings?.items?.[item.id] ?? '');
function land(state: LandingState | ''): void {
  const { landings } = plan.decisions.choices;
  const { [item.id]: _, ...others } = landings?.items ?? {};
  const items = state === '' ? others : { ...others, [item.id]: state };
  plan.choose({ landings: { ...landings, items } }, `how ${item.title} lands`);
}
function keepPlace(keep: boolean): void {
  const places = { ...plan.decisions.choices.places, [item.id]: keep };
  plan.choose({ places }, `${keep ? 'keep' : 'give up'} the place of ${item.title}`);
}
/** Sections that can be chosen: those that are not the college's, by their place. */
const sections = computed(() =>
  item.kind === 'syllabus'
    ? sectionsOf(item.details).flatMap(({ title, locked }, at) => (locked === true ? [] : [{ title, at }]))
    : [],
);
/** Last term's sections of the college, which never come. */
const collegesSections = computed(() =>
  item.kind === 'syllabus'
    ? sectionsOf(item.details).flatMap(({ title, locked }) => (locked === true ? [title] : []))
    : [],
);
const bringsSection = (at: number): boolean => plan.decisions.choices.sections?.[item.id]?.[at] !== 'leave';
function chooseSection(at: number, title: string, comes: boolean): void {
  const { sections: chosen } = plan.decisions.choices;
  const own = { ...chosen?.[item.id], [at]: comes ? ('bring' as const) : ('leave' as const) };
  plan.choose({ sections: { ...chosen, [item.id]: own } }, `${comes ? 'bring' : 'leave'} the section ${title}`);
}
const isHeldOutside = computed(() => evidence.value.some(({ finding }) => finding === 'heldOutside'));
</script>

<template>
  <article :aria-label="`${item.title}, as it will be`">
    <p class="quiet small">{{ plan.sides!.new.term }}, {{ plan.isDone ? 'as it is' : 'as it will be' }}</p>
    <template v-if="landed">
      <h2>{{ landed.title }}</h2>
      <p v-for="date in dates" :key="date.id" class="small">
        {{ ROLE_WORDS[date.role] }}{{ date.for ? ` for ${date.for}` : '' }}
        <span :class="date.flags.length > 0 ? 'doubtful' : 'moved'">{{
          date.to ? momentWords(date.to) : 'no date'
        }}</span>
        <span v-if="date.flags.length > 0" class="quiet">
          {{ date.flags.map((flag) => FLAG_WORDS[flag]).join(', ') }}</span
        >
      </p>
      <p v-if="comes && line.verb !== 'ask' && !landed.isPlace && isOpened(item.kind)" class="small state">
        lands
        <ElSelect
          class="landing"
          size="small"
          clearable
          :model-value="landing"
          :placeholder="landed.state"
          :aria-label="`How ${item.title} lands`"
          @change="(state: LandingState | '' | undefined) => land(state ?? '')"
        >
          <ElOption v-for="state in STATES" :key="state" :value="state" :label="state" />
        </ElSelect>
      </p>
      <p v-if="comes && sections.length > 0" class="sections">
        <ElCheckbox
          v-for="{ title, at } in sections"
          :key="at"
          size="small"
          :model-value="bringsSection(at)"
          @change="(on) => chooseSection(at, title, on === true)"
          >{{ title }}</ElCheckbox
        >
      </p>
      <p v-for="title in collegesSections" :key="title" class="quiet small">
        “{{ title }}” was the college’s: this term’s stands here.
      </p>
      <p v-if="line.reword" class="doubtful">It lands as a draft, to be written anew before learners see it.</p>
      <p v-if="landed.isPlace">
        Only its place is kept: title, points, category and dates, as a draft without the link.
        <button class="plain-link" @click="keepPlace(false)">keep no place</button>
      </p>
      <p v-else-if="line.headingOnly" class="quiet">Only the heading comes, for what stands in it.</p>
      <template v-else-if="view">
        <p v-if="differs" class="quiet small">
          {{ isUpdate ? 'Marked: what is new since it came.' : 'Marked: what only one of both has.' }}
        </p>
        <ItemBody
          :view="view"
          :course-id="plan.originOf(item.id).course"
          :against="against"
          @open="(key) => emit('look', key)"
        />
      </template>
    </template>
    <template v-else>
      <h2 class="stays">Stays behind</h2>
      <p v-if="isOut(line)">
        It came before and was taken out of the shell by hand; it stays out.
        <button v-if="plan.view!.right.may" class="plain-link" @click="emit('putBack')">put it back</button>
      </p>
      <p v-else>
        It will not be in {{ plan.view!.shell.course.code }} {{ plan.view!.shell.course.number }}-{{
          plan.view!.shell.course.section
        }}.
        <button v-if="isHeldOutside && line.why[0]?.reason === 'finding'" class="plain-link" @click="keepPlace(true)">
          keep its place
        </button>
      </p>
    </template>
    <ul v-if="evidence.length > 0">
      <li v-for="finding in evidence" :key="finding.finding">
        {{ FINDING_WORDS[finding.finding] }}: {{ asRead(finding.evidence) }}
      </li>
    </ul>
    <p v-if="mark?.mark" class="small">{{ MARK_WORDS[mark.mark] }}</p>
    <p v-if="mark?.note" class="doubtful">Your note to next term: “{{ mark.note }}”</p>
    <p v-if="item.editedAt" class="quiet small">last edited {{ dayWords(parseDay(item.editedAt)) }}</p>
  </article>
</template>

<style scoped>
.state {
  display: flex;
  gap: 8px;
  align-items: center;
}

.sections.sections .el-checkbox {
  height: 24px;
  margin-right: 18px;
}

.landing {
  width: 120px;
}

.stays {
  color: var(--ash-ink);
}

.moved {
  color: var(--indigo);
}

ul {
  margin: 12px 0;
  padding-left: 18px;
  color: var(--quiet);
}
</style>
