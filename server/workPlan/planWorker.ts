import { planWorkshop, type StoredPlan } from '../../core/plan/storedPlan.ts';
import type { PlanOrder } from './planner.ts';

/** By then a plan is answered as good as it is: whoever waits for it holds the lock of all plans. */
const LONG_ENOUGH_MS = 6000;

/** Runs on a thread of the plan maker. */
export default function make({ facts, before, seed }: PlanOrder): StoredPlan {
  const begun = performance.now();
  return planWorkshop(facts, before, { seed, enough: () => performance.now() - begun > LONG_ENOUGH_MS });
}
