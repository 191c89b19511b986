import { fateOf, FINDING_WORDS, groupBy, staysBehind, type Finding, type FindingName, type Turn } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';

/** A finding of the course, with the things that have it. */
export interface Reason {
  readonly name: FindingName;
  readonly words: string;
  readonly findings: readonly Finding[];
  /** How many of them it sets aside; each thing is counted once, under the reason that decides. */
  readonly staying: number;
  /** How many keep their place meanwhile: those come as places. */
  readonly places: number;
  /** Those that another reason sets aside before it, whatever becomes of this one. */
  readonly elsewhere: ReadonlySet<string>;
  readonly turned: Turn | undefined;
}

/** The findings of a plan by reason: those that set something aside, and those that only note it. */
export function useReasons() {
  const plan = usePlanStore();
  const reasons = computed((): Reason[] => {
    const aside = new Map(plan.preview!.lines.filter(staysBehind).map((line) => [line.item, line]));
    return [...groupBy(plan.findings, ({ finding }) => finding)].map(([name, findings]) => {
      const lines = findings.flatMap(({ item }) => aside.get(item) ?? []);
      const here = lines.filter(({ why: [why] }) => (why?.finding ?? name) === name);
      const staying = here.filter((line) => fateOf(line) === 'stays').length;
      return {
        name,
        words: FINDING_WORDS[name],
        findings,
        staying,
        places: here.length - staying,
        elsewhere: new Set(lines.filter((line) => !here.includes(line)).map(({ item }) => item!)),
        turned: plan.decisions.choices.findings?.[name],
      };
    });
  });
  return {
    reasons,
    aside: computed(() => reasons.value.filter(({ staying, places }) => staying + places > 0)),
    noted: computed(() => reasons.value.filter(({ staying, places }) => staying + places === 0)),
  };
}
