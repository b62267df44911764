import { planWorkshop, type StoredPlan } from '../../core/plan/storedPlan.ts';
import type { PlanOrder } from './planner.ts';

/** Runs on a thread of the plan maker. */
export default function make({ facts, before, seed }: PlanOrder): StoredPlan {
  return planWorkshop(facts, before, { seed });
}
