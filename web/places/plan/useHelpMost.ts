import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { PlanFacts } from '../../../core/plan/facts.ts';
import type { HelpMost } from '../../../core/plan/helpMost.ts';
import type { StoredPlan } from '../../../core/plan/storedPlan.ts';
import type * as HelpWorker from '../../workers/helpWorker.ts';

interface Found {
  readonly most: HelpMost | null;
  /** How far the trying is, 0..1. */
  readonly share: number;
}
const NOTHING: Found = { most: null, share: 0 };

/** Which one change would help most, tried out in a worker; another plan ends the trying for this one. */
export function useHelpMost(facts: PlanFacts, plan: StoredPlan): Found {
  const [found, setFound] = useState<Found>(NOTHING);
  useEffect(() => {
    setFound(NOTHING);
    const worker = new Worker(new URL('../../workers/helpWorker.ts', import.meta.url), { type: 'module' });
    let current = true;
    const tell = (share: number) => {
      if (current) setFound((now) => ({ ...now, share }));
    };
    void wrap<typeof HelpWorker>(worker)
      .run(facts, plan, proxy(tell))
      .then((most) => current && setFound({ most, share: 1 }))
      .finally(() => worker.terminate());
    return () => {
      current = false;
      worker.terminate();
    };
  }, [facts, plan]);
  return found;
}
