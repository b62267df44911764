import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { WorkPlanSheet } from '../../../contract/workPlan.ts';
import { type PlanChange, withChanges } from '../../../core/plan/planChange.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import { useSame } from '../../widgets/useSame.ts';
import type * as PlanWorker from '../../workers/planWorker.ts';

/** The plan as it would be with some changes, in a worker; null while it is made, or where nothing is changed. */
export function useWouldBe(sheet: WorkPlanSheet, changes: readonly PlanChange[] | null): StoredPlan | null {
  const asked = useSame(changes);
  const { facts, plan } = sheet;
  const [found, setFound] = useState<{ asked: unknown; plan: StoredPlan | null }>({ asked: null, plan: null });
  useEffect(() => {
    if (!asked) return;
    const worker = new Worker(new URL('../../workers/planWorker.ts', import.meta.url), { type: 'module' });
    let current = true;
    void wrap<typeof PlanWorker>(worker)
      .run(withChanges(facts, asked), plan)
      .then((would) => current && setFound({ asked, plan: would }))
      .finally(() => worker.terminate());
    return () => {
      current = false;
      worker.terminate();
    };
  }, [asked, facts, plan]);
  return asked && found.asked === asked ? found.plan : null;
}
