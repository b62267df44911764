import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { PlanFacts } from '../../../core/plan/facts.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import type { SureDays } from '../../../core/plan/surePlan.ts';
import type * as SureWorker from '../../workers/sureWorker.ts';

export interface Sureness {
  readonly jobs: ReadonlyMap<string, SureDays>;
  /** How far the runs are, 0..1; 1 when they are done. */
  readonly share: number;
}
const NONE: Sureness = { jobs: new Map(), share: 0 };

/** How sure the days of a plan are, in a worker; another plan ends the runs of this one. */
export function useSure(facts: PlanFacts, plan: StoredPlan | null): Sureness {
  const [found, setFound] = useState<Sureness>(NONE);
  useEffect(() => {
    setFound(NONE);
    if (!plan) return;
    const worker = new Worker(new URL('../../workers/sureWorker.ts', import.meta.url), { type: 'module' });
    let current = true;
    const tell = (share: number) => {
      if (current) setFound((now) => (share - now.share > 0.1 ? { ...now, share } : now));
    };
    void wrap<typeof SureWorker>(worker)
      .run(facts, plan, proxy(tell))
      .then((jobs) => current && setFound({ jobs: new Map(jobs.map((one) => [one.number, one])), share: 1 }))
      .finally(() => worker.terminate());
    return () => {
      current = false;
      worker.terminate();
    };
  }, [facts, plan]);
  return found;
}
