import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FigureId } from '../../../../core/figures/index.ts';
import type { Slots } from '../../../../core/figures/slots.ts';
import type { FigureSpread } from '../../../../core/spread/figureSpread.ts';
import type * as SpreadWorker from '../../../workers/spreadWorker.ts';

export interface Spreading {
  readonly spreads: readonly FigureSpread[] | null;
  /** 0..1 while it runs; null when it does not. */
  readonly progress: number | null;
  readonly start: () => void;
  readonly cancel: () => void;
}

/** How far figures spread over what nobody measured, in a worker; what is found goes when the design changes. */
export function useSpread(slots: Slots, figures: readonly FigureId[]): Spreading {
  const worker = useRef<Worker | null>(null);
  const [spreads, setSpreads] = useState<readonly FigureSpread[] | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const cancel = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setProgress(null);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another design makes what was found untrue
  useEffect(() => {
    setSpreads(null);
    return cancel;
  }, [slots, cancel]);
  const start = useCallback(() => {
    cancel();
    setProgress(0);
    const fresh = new Worker(new URL('../../../workers/spreadWorker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    void wrap<typeof SpreadWorker>(fresh)
      .run(slots, figures, proxy(setProgress))
      .then((found) => {
        setSpreads(found);
        cancel();
      }, cancel);
  }, [slots, figures, cancel]);
  return { spreads, progress, start, cancel };
}
