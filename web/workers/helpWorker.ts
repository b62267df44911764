import { expose } from 'comlink';
import type { PlanFacts } from '../../core/plan/facts.ts';
import { type HelpMost, helpMost } from '../../core/plan/helpMost.ts';
import { glancePasses } from '../../core/plan/plan.ts';
import type { StoredPlan } from '../../core/plan/storedPlan.ts';

/** With fewer a change would only be put where the stages were, and never help. */
const LEAST_PASSES = 6;

/** What one change would help most, telling how far it is as a share. */
export function run(facts: PlanFacts, plan: StoredPlan, tell: (share: number) => void): HelpMost {
  const stages = facts.jobs.reduce((sum, job) => sum + job.stages.length, 0);
  return helpMost(facts, plan, { seed: 1, passes: Math.max(LEAST_PASSES, glancePasses(stages)) }, (tried, of) =>
    tell(tried / of),
  );
}

expose({ run });
