import { readonly, ref } from 'vue';
import { remembered } from './remembered.js';

/** A plan of several that were opened together. */
export interface PlanInTurn {
  readonly id: string;
  /** What it is for: “ECO 214-03”. */
  readonly name: string;
}

const kept = remembered<readonly PlanInTurn[]>('plans in turn', []);
const plans = ref(kept.read());

/** Plans that were opened together, in the order in which a person goes through them. */
export function usePlansInTurn() {
  return {
    plans: readonly(plans),
    goThrough(several: readonly PlanInTurn[]): void {
      plans.value = several;
      kept.write(several);
    },
  };
}
