import {
  joinSources,
  originOf as originIn,
  policiesInForce,
  type Decisions,
  type Origin,
  type PlanGround,
  type PlanSourceView,
  type PlanView,
  type PlanPolicy,
  type Snapshot,
} from '@yarin/core';
import { computed, type ShallowRef } from 'vue';
import { termInSentence } from '../../shared/courseLine.js';
import { count, sectionWords } from '../../shared/words.js';
import { summedLearners } from './planWords.js';
import { sourceNames } from './sourceNames.js';
import { useOverlaps } from './useOverlaps.js';

/** The courses that a plan brings from, as the plan sees them: one, or several as one. */
export function usePlanSources(
  view: Readonly<ShallowRef<PlanView | null>>,
  decisions: Readonly<ShallowRef<Decisions>>,
) {
  const sources = computed(() => view.value?.sources ?? []);
  const overlaps = useOverlaps(sources, decisions);
  const ground = computed<PlanGround | null>(() =>
    view.value === null
      ? null
      : {
          ...joinSources(sources.value, { sources: overlaps.inForce.value }, true),
          shell: view.value.shell,
          knownTerms: view.value.knownTerms,
          standingRecipe: view.value.standingRecipe,
        },
  );
  const policies = computed<Readonly<Record<string, PlanPolicy>>>(() =>
    view.value === null ? {} : policiesInForce(sources.value, decisions.value).policies,
  );
  const names = computed(() => sourceNames(sources.value.map((each) => each.source.course)));
  const sides = computed(() => {
    if (view.value === null) return null;
    const { shell } = view.value;
    const [{ source }, ...others] = sources.value as [PlanSourceView, ...PlanSourceView[]];
    const words = ({ course, meetings }: Snapshot): string => sectionWords({ ...course, meetings });
    const more = others.length === 0 ? '' : ` · and ${count(others.length, 'more course')}`;
    return {
      old: { term: termInSentence(source.course), words: `${words(source)}${more}` },
      new: { term: shell.course.term, words: words(shell) },
    };
  });
  return {
    sources,
    overlaps: overlaps.all,
    ground,
    policies,
    /** The policy of the first source's dates. */
    policy: computed<PlanPolicy>(() => policies.value[sources.value[0]?.source.course.id ?? ''] ?? {}),
    /** The old course, or several as one. */
    source: computed(() => ground.value!.source),
    findings: computed(() => ground.value!.findings),
    /** Learners of the old course, whose data never comes; of several the sum. */
    learners: computed(() => summedLearners(sources.value.map((each) => each.learners))),
    sides,
    nameOf: (course: string): string => names.value.get(course) ?? '',
    /** Where a thing is from. */
    originOf: (id: string): Origin => originIn(ground.value!, id),
  };
}
