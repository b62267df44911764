import { expose } from 'comlink';
import type { PlanFacts } from '../../core/plan/facts.ts';
import { glancePasses } from '../../core/plan/plan.ts';
import { planWorkshop, type StoredPlan } from '../../core/plan/storedPlan.ts';

/** The plan as it would be, beginning with the one in force. */
export function run(facts: PlanFacts, before: StoredPlan | null): StoredPlan {
  const stages = facts.jobs.reduce((sum, job) => sum + job.stages.length, 0);
  return planWorkshop(facts, before, { seed: 1, passes: glancePasses(stages), bounded: false });
}

expose({ run });
