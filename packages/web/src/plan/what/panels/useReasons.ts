import { FINDING_WORDS, staysBehind, type Finding, type FindingName, type Turn } from '@yarin/core';
import { computed } from 'vue';
import { usePlanStore } from '../../state/planStore.js';

/** A finding of the course, with the things that have it. */
export interface Reason {
  readonly name: FindingName;
  readonly words: string;
  readonly findings: readonly Finding[];
  /** How many of them stay behind. */
  readonly staying: number;
  readonly turned: Turn | undefined;
}

/** The findings of a plan by reason: those that set something aside, and those that only note it. */
export function useReasons() {
  const plan = usePlanStore();
  const reasons = computed((): Reason[] => {
    const staying = new Set(plan.preview!.lines.filter(staysBehind).map(({ item }) => item));
    const byName = new Map<FindingName, Finding[]>();
    for (const finding of plan.findings) {
      const known = byName.get(finding.finding);
      if (known === undefined) byName.set(finding.finding, [finding]);
      else known.push(finding);
    }
    return [...byName].map(([name, findings]) => ({
      name,
      words: FINDING_WORDS[name],
      findings,
      staying: findings.filter(({ item }) => staying.has(item)).length,
      turned: plan.decisions.choices.findings?.[name],
    }));
  });
  return {
    reasons,
    aside: computed(() => reasons.value.filter(({ staying }) => staying > 0)),
    noted: computed(() => reasons.value.filter(({ staying }) => staying === 0)),
  };
}
