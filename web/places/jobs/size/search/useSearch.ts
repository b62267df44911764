import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SearchTask } from '../../../../../core/search/combination.ts';
import type * as SearchWorker from '../../../../workers/searchWorker.ts';
import type { SearchReport, SearchRequest } from '../../../../workers/searchWorker.ts';

export interface Searching {
  readonly report: SearchReport | null;
  readonly running: boolean;
  /** The search was stopped before its end: what there is stays. */
  readonly stopped: boolean;
  readonly start: (task: SearchTask, weights: ReadonlyMap<string, number>) => void;
  readonly cancel: () => void;
}

/** One search at a time in a worker of its own; a new one ends the one before, leaving the page ends it too. */
export function useSearch(): Searching {
  const worker = useRef<Worker | null>(null);
  const [report, setReport] = useState<SearchReport | null>(null);
  const [running, setRunning] = useState(false);
  const [stopped, setStopped] = useState(false);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setRunning(false);
  }, []);
  useEffect(() => end, [end]);
  const start = useCallback(
    ({ library, free, ...task }: SearchTask, weights: ReadonlyMap<string, number>) => {
      end();
      setReport(null);
      setStopped(false);
      setRunning(true);
      const fresh = new Worker(new URL('../../../../workers/searchWorker.ts', import.meta.url), { type: 'module' });
      worker.current = fresh;
      const take = (report: SearchReport) => {
        setReport(report);
        if (report.done) end();
      };
      const broken = () => {
        setStopped(true);
        end();
      };
      fresh.onerror = broken;
      const request: SearchRequest = {
        task: { ...task, components: [...library.values()], free: [...free] },
        weights: [...weights],
      };
      void wrap<typeof SearchWorker>(fresh).run(request, proxy(take)).catch(broken);
    },
    [end],
  );
  const cancel = useCallback(() => {
    setStopped(true);
    end();
  }, [end]);
  return { report, running, stopped, start, cancel };
}
