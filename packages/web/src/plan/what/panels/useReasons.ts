import { FINDING_WORDS, groupBy, staysBehind, type Finding, type FindingName, type Turn } from '@yarin/core';
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
    const aside = plan.preview!.lines.filter(staysBehind);
    const reasonOf = new Map(aside.map(({ item, why: [why] }) => [item, why?.finding]));
    return [...groupBy(plan.findings, ({ finding }) => finding)].map(([name, findings]) => {
      const staying = findings.filter(({ item }) => reasonOf.has(item));
      const places = staying.filter(({ item }) => plan.lineOf(item)?.place === true);
      const elsewhere = staying.filter(({ item }) => (reasonOf.get(item) ?? name) !== name);
      return {
        name,
        words: FINDING_WORDS[name],
        findings,
        staying: staying.length - elsewhere.length - places.length,
        places: places.length,
        elsewhere: new Set(elsewhere.map(({ item }) => item)),
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
