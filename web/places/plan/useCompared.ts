import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { WorkPlanSheet } from '../../../contract/workPlan.ts';
import { withChanges } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import type * as PlanWorker from '../../workers/planWorker.ts';

/** The plan each what-if would make, by its id, as they are worked out one after another in a worker. */
export function useCompared({ facts, plan, scenarios }: WorkPlanSheet): ReadonlyMap<string, StoredPlan> {
  const [found, setFound] = useState<ReadonlyMap<string, StoredPlan>>(new Map());
  useEffect(() => {
    setFound(new Map());
    const worker = new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' });
    const planner = wrap<typeof PlanWorker>(worker);
    let current = true;
    const all = async () => {
      for (const { id, changes } of scenarios) {
        const would = await planner.run(withChanges(facts, changes), plan);
        if (!current) return;
        setFound((before) => new Map([...before, [id, would]]));
      }
    };
    void all().finally(() => worker.terminate());
    return () => {
      current = false;
      worker.terminate();
    };
  }, [facts, plan, scenarios]);
  return found;
}
