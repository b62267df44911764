import { useMemo } from 'react';
import type { WorkPlanSheet } from '../../../contract/workPlan.ts';
import type { PlanFacts } from '../../../core/plan/facts.ts';
import { type PlanChange, withChanges } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { type Sureness, useSure } from './useSure.ts';
import { useWouldBe } from './useWouldBe.ts';

export interface Thought {
  /** The plan as it would be; null while it is worked out, or where nothing is thought to be otherwise. */
  readonly would: StoredPlan | null;
  /** What is shown: that one, or the plan in force. */
  readonly shown: StoredPlan | null;
  /** What that one rests on. */
  readonly facts: PlanFacts;
  readonly sure: Sureness;
}

/** A plan with what is thought to be otherwise, and how sure its days are, where that is asked. */
export function useThought(sheet: WorkPlanSheet, changes: readonly PlanChange[] | null, asksSure = true): Thought {
  const { facts, plan } = sheet;
  const would = useWouldBe(sheet, changes);
  const shown = would ?? plan;
  const thought = useMemo(() => (would && changes ? withChanges(facts, changes) : facts), [facts, would, changes]);
  return { would, shown, facts: thought, sure: useSure(thought, asksSure ? shown : null) };
}
