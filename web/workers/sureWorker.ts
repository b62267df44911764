import { expose } from 'comlink';
import type { PlanFacts } from '../../core/plan/facts.ts';
import type { StoredPlan } from '../../core/plan/storedPlan.ts';
import { type SureDays, sureDays } from '../../core/plan/surePlan.ts';

/** Runs a plan through and tells how far it is. */
export function run(facts: PlanFacts, plan: StoredPlan, tell: (share: number) => void): SureDays[] {
  const steps = sureDays(facts, plan);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    tell(step.value);
  }
}

expose({ run });
