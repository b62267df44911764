import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Layout, NoLayout } from '../../../../../core/layout/solve.ts';
import type { LayoutTask } from '../../../../../core/layout/task.ts';
import { useSame } from '../../../../widgets/useSame.ts';
import type * as LayoutWorker from '../../../../workers/layoutWorker.ts';

/** How many are looked for. */
const MOST = 3;

export interface Finding {
  /** Best first; null before anything was looked for. */
  readonly found: readonly Layout[] | null;
  readonly why: NoLayout | null;
  readonly running: boolean;
  readonly start: () => void;
  readonly cancel: () => void;
}

/** Layouts of a task, in a worker; what was found goes when the task comes out otherwise. */
export function useLayouts(task: LayoutTask | null): Finding {
  const same = useSame(task);
  const worker = useRef<Worker | null>(null);
  const [found, setFound] = useState<readonly Layout[] | null>(null);
  const [why, setWhy] = useState<NoLayout | null>(null);
  const [running, setRunning] = useState(false);
  const cancel = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setRunning(false);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another task makes what was found untrue
  useEffect(() => {
    setFound(null);
    setWhy(null);
    return cancel;
  }, [same, cancel]);
  const start = useCallback(() => {
    if (!same) return;
    cancel();
    setFound([]);
    setWhy(null);
    setRunning(true);
    const fresh = new Worker(new URL('../../../../workers/layoutWorker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    const tell = (layout: Layout) => {
      if (worker.current === fresh) setFound((before) => [...(before ?? []), layout]);
    };
    void wrap<typeof LayoutWorker>(fresh)
      .run(same, MOST, proxy(tell))
      .then((reason) => {
        if (worker.current !== fresh) return;
        setWhy(reason);
        cancel();
      }, cancel);
  }, [same, cancel]);
  return { found, why, running, start, cancel };
}
