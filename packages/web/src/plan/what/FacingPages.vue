<script setup lang="ts">
import {
  dayWords,
  FINDING_WORDS,
  FLAG_WORDS,
  isOut,
  MARK_WORDS,
  momentWords,
  originKey,
  parseDay,
  ROLE_WORDS,
  sectionsOf,
  staysBehind,
  type ItemView,
  type LandingState,
  type PlanLine,
} from '@yarin/core';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import ItemBody from '../../course/item/ItemBody.vue';
import { fetchItem } from '../../shared/api/courses.js';
import { sentenceOf } from '../../shared/api/client.js';
import { useKeys } from '../../shared/useKeys.js';
import { usePlanStore } from '../planStore.js';
import { chainWords } from '../planWords.js';
import DecideBoth from './DecideBoth.vue';
import type { OldRow } from './spreadRows.js';

const { row } = defineProps<{ row: OldRow }>();
const emit = defineEmits<{ close: []; toggle: []; open: [item: string] }>();

const plan = usePlanStore();
const router = useRouter();
const view = ref<ItemView>();
/** What the shell has in its place, when that can say something else. */
const theirs = ref<ItemView>();
const failure = ref('');
const back = ref<HTMLButtonElement>();

/** Verbs of things of which the shell may hold another text. */
const SHELL_DIFFERS: ReadonlySet<PlanLine['verb']> = new Set(['ask', 'keep', 'update']);

const item = computed(() => row.item!);
const origin = computed(() => plan.originOf(item.value.id));
const oldTerm = computed(() => (plan.sources.length > 1 ? plan.nameOf(origin.value.course) : plan.sides!.old.term));
const line = computed(() => plan.preview!.lines.find((each) => each.item === item.value.id)!);
const landed = computed(() => plan.preview!.items.find(({ id }) => id === line.value.to));
const dates = computed(() => plan.preview!.dates.filter((date) => date.item === item.value.id));
const evidence = computed(() => plan.findings.filter((finding) => finding.item === item.value.id));
const comes = computed(() => !staysBehind(line.value));
const isAsked = computed(() => line.value.verb === 'ask');
const chain = computed(() => chainWords(line.value.why, (id) => titles.value.get(id) ?? 'something that is not here'));
/** Of a thing that stands in several sources: those from which it could come instead. */
const elsewhere = computed(() => {
  const { course } = origin.value;
  const here = plan.overlaps.find(({ overlap }) =>
    overlap.some((each) => each.item === origin.value.item && each.course === course),
  );
  return here === undefined
    ? []
    : here.overlap.filter((each) => each.course !== course).map((each) => ({ ...each, here }));
});
function takeFrom({ course, item: id, here }: (typeof elsewhere.value)[number]): void {
  plan.takeFrom([here], course);
  emit('open', plan.ground?.joined?.ids.get(originKey(course, id)) ?? id);
}
const titles = computed(() => new Map(plan.source.items.map(({ id, title }) => [id, title])));
const mark = computed(() => plan.source.marks.find((each) => each.item === item.value.id));

/** What the new course will show: the old text, the shell's own, or what a person wrote. */
const landedView = computed((): ItemView | undefined => {
  if (item.value.kind === 'syllabus' && view.value !== undefined && !isAsked.value)
    return { ...view.value, item: { ...view.value.item, details: landed.value?.details } as ItemView['item'] };
  if (line.value.verb === 'keep') return theirs.value;
  if (!isAsked.value) return view.value;
  const { body } = plan.decisions.answers?.[item.value.id] ?? {};
  if (body === 'source') return view.value;
  if (typeof body !== 'object' || theirs.value === undefined) return theirs.value;
  return { ...theirs.value, item: { ...theirs.value.item, body: body.text } };
});

/** What the words of each page are compared with: with each other, or what comes with what it replaces. */
const textOf = (shown: ItemView | undefined): string | undefined =>
  shown === undefined ? undefined : (shown.item.body ?? '');
const isUpdate = computed(() => line.value.verb === 'update');
const oldAgainst = computed(() =>
  theirs.value === undefined || isUpdate.value ? undefined : textOf(landedView.value),
);
const newAgainst = computed(() =>
  theirs.value === undefined ? undefined : textOf(isUpdate.value ? theirs.value : view.value),
);
const differs = computed(() => newAgainst.value !== undefined && newAgainst.value !== textOf(landedView.value));

const STATES: readonly LandingState[] = ['as it was', 'draft', 'hidden'];
const landing = computed(() => plan.decisions.choices.landings?.items?.[item.value.id] ?? '');
function land(state: LandingState | ''): void {
  const { landings } = plan.decisions.choices;
  const { [item.value.id]: _, ...others } = landings?.items ?? {};
  const items = state === '' ? others : { ...others, [item.value.id]: state };
  plan.choose({ landings: { ...landings, items } }, `how ${item.value.title} lands`);
}
function keepPlace(keep: boolean): void {
  const places = { ...plan.decisions.choices.places, [item.value.id]: keep };
  plan.choose({ places }, `${keep ? 'keep' : 'give up'} the place of ${item.value.title}`);
}
/** Sections that can be chosen: those that are not the college's, by their place. */
const sections = computed(() =>
  item.value.kind === 'syllabus'
    ? sectionsOf(item.value.details).flatMap(({ title, locked }, at) => (locked === true ? [] : [{ title, at }]))
    : [],
);
const bringsSection = (at: number): boolean => plan.decisions.choices.sections?.[item.value.id]?.[at] !== 'leave';
function chooseSection(at: number, title: string, comes: boolean): void {
  const { sections: chosen } = plan.decisions.choices;
  const own = { ...chosen?.[item.value.id], [at]: comes ? ('bring' as const) : ('leave' as const) };
  plan.choose({ sections: { ...chosen, [item.value.id]: own } }, `${comes ? 'bring' : 'leave'} the section ${title}`);
}
const isHeldOutside = computed(() => evidence.value.some(({ finding }) => finding === 'heldOutside'));

/** What a thing leads to is opened in the old course; the plan stays one step back. */
const look = (key: string): void =>
  void router.push({ name: 'course', params: { id: origin.value.course }, query: { item: key } });

useKeys({
  Escape: () => emit('close'),
  ' ': () => emit('toggle'),
});

onMounted(() => {
  back.value?.focus();
  fetchItem(origin.value.course, origin.value.item).then(
    (found) => void (view.value = found),
    (error: unknown) => void (failure.value = sentenceOf(error)),
  );
  if (SHELL_DIFFERS.has(line.value.verb) && line.value.to !== null)
    fetchItem(plan.view!.shell.course.id, line.value.to).then(
      (found) => void (theirs.value = found),
      (error: unknown) => void (failure.value = sentenceOf(error)),
    );
});
</script>

<template>
  <div class="facing">
    <p class="way">
      <button ref="back" class="plain-link" @click="emit('close')">Back to the spread</button>
      <button class="plain-link" @click="emit('toggle')">{{ comes ? 'leave it' : 'bring it' }}</button>
      <span v-if="chain" class="quiet">{{ chain }}</span>
      <span v-for="each in elsewhere" :key="each.course" class="quiet">
        stands in {{ plan.nameOf(each.course) }} too
        <button class="plain-link" @click="takeFrom(each)">take that one</button>
      </span>
    </p>
    <DecideBoth v-if="isAsked" :line="line" :old="view" :here="theirs" />
    <article class="sheet" :aria-label="`${item.title}, as it was`">
      <p class="quiet small">{{ oldTerm }}, as it was · {{ row.kind }}</p>
      <h2>{{ item.title }}</h2>
      <p v-for="moment in item.moments" :key="moment.id" class="small">
        {{ ROLE_WORDS[moment.role] }} {{ momentWords(moment.at) }}
      </p>
      <p v-if="failure" role="alert">{{ failure }}</p>
      <ItemBody v-else-if="view" :view="view" :course-id="origin.course" :against="oldAgainst" @open="look" />
    </article>
    <article class="sheet" :aria-label="`${item.title}, as it will be`">
      <p class="quiet small">{{ plan.sides!.new.term }}, {{ plan.isDone ? 'as it is' : 'as it will be' }}</p>
      <template v-if="landed">
        <h2>{{ landed.title }}</h2>
        <p v-for="date in dates" :key="date.id" class="small">
          {{ ROLE_WORDS[date.role] }}
          <span :class="date.flags.length > 0 ? 'doubtful' : 'moved'">{{
            date.to ? momentWords(date.to) : 'no date'
          }}</span>
          <span v-if="date.flags.length > 0" class="quiet">
            {{ date.flags.map((flag) => FLAG_WORDS[flag]).join(', ') }}</span
          >
        </p>
        <p v-if="comes && !isAsked && !landed.isPlace" class="small state">
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
        <p v-if="line.reword" class="doubtful">It lands as a draft, to be written anew before learners see it.</p>
        <p v-if="landed.isPlace">
          Only its place is kept: title, points, category and dates, as a draft without the link.
          <button class="plain-link" @click="keepPlace(false)">keep no place</button>
        </p>
        <p v-else-if="line.headingOnly" class="quiet">Only the heading comes, for what stands in it.</p>
        <template v-else-if="landedView">
          <p v-if="differs" class="quiet small">
            {{ isUpdate ? 'Marked: what is new since it came.' : 'Marked: what only one of both has.' }}
          </p>
          <ItemBody :view="landedView" :course-id="origin.course" :against="newAgainst" @open="look" />
        </template>
      </template>
      <template v-else>
        <h2 class="stays">Stays behind</h2>
        <p v-if="isOut(line)">
          It came before and was taken out of the shell by hand; it stays out.
          <RouterLink class="plain-link" :to="{ name: 'course', params: { id: plan.view!.shell.course.id } }"
            >put it back there</RouterLink
          >
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
          {{ FINDING_WORDS[finding.finding] }}: {{ finding.evidence }}
        </li>
      </ul>
      <p v-if="mark?.mark" class="small">{{ MARK_WORDS[mark.mark] }}</p>
      <p v-if="mark?.note" class="doubtful">Your note to next term: “{{ mark.note }}”</p>
      <p v-if="item.editedAt" class="quiet small">last edited {{ dayWords(parseDay(item.editedAt)) }}</p>
    </article>
  </div>
</template>

<style scoped>
.facing {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  grid-template-rows: auto;
  grid-auto-rows: max-content;
  align-content: start;
  gap: 12px 48px;
  padding: 12px var(--margin) 12px 20px;
  overflow: auto;
}

.way {
  grid-column: 1 / -1;
  display: flex;
  gap: 18px;
}

.sheet {
  border-top: 1px solid var(--rule);
  padding-top: 10px;
}

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
