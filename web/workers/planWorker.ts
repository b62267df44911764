import { expose } from 'comlink';
import type { PlanFacts } from '../../core/plan/facts.ts';
import { planWorkshop, type StoredPlan } from '../../core/plan/storedPlan.ts';

/** Passes of a plan that is only looked at: it is there at once, and the kept one is made with more. */
const GLANCE_PASSES = 80;

/** The plan as it would be, beginning with the one in force. */
export function run(facts: PlanFacts, before: StoredPlan | null): StoredPlan {
  return planWorkshop(facts, before, { seed: 1, passes: GLANCE_PASSES });
}

expose({ run });
