import { wrap } from 'comlink';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { DesignInputs } from '../../../core/design/inputs.ts';
import type { Package, PackageGround } from '../../../core/package/complete.ts';
import { useWorkshop } from '../../data/session.tsx';
import { useSame } from '../../widgets/useSame.ts';
import type * as PackageWorker from '../../workers/packageWorker.ts';
import { useOpenJob } from './openJob.ts';

export interface Completing {
  /** Null before it was asked for. */
  readonly packages: readonly Package[] | null;
  readonly running: boolean;
  readonly start: () => Promise<readonly Package[]>;
}

/** What completes a design of the open job, in a worker; what was found goes when the design comes out otherwise. */
export function usePackages(design: DesignInputs | null, name: string): Completing {
  const { job, shelves, vehicle, use, sheet } = useOpenJob('job', 'shelves', 'vehicle', 'use', 'sheet');
  const workshop = useWorkshop();
  const ground = useMemo<PackageGround | null>(
    () =>
      design && {
        ...{ design, name, vehicle, use, library: shelves.components, work: sheet.slots.work, cover: job.cover },
        brief: job.brief,
        region: job.region ?? workshop.region,
      },
    [design, name, vehicle, use, shelves, sheet.slots.work, job, workshop.region],
  );
  const same = useSame(ground);
  const worker = useRef<Worker | null>(null);
  const [packages, setPackages] = useState<readonly Package[] | null>(null);
  const [running, setRunning] = useState(false);
  const cancel = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setRunning(false);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another design makes what was found untrue
  useEffect(() => {
    setPackages(null);
    return cancel;
  }, [same, cancel]);
  const start = useCallback(async () => {
    if (!same) return [];
    cancel();
    setRunning(true);
    const fresh = new Worker(new URL('../../workers/packageWorker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    try {
      const found = await wrap<typeof PackageWorker>(fresh).run(same);
      if (worker.current === fresh) setPackages(found);
      return found;
    } finally {
      if (worker.current === fresh) cancel();
    }
  }, [same, cancel]);
  return { packages, running, start };
}
