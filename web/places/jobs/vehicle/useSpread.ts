import { proxy, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { FigureSheet } from '../../../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../../../core/figures/index.ts';
import type { FigureSpread } from '../../../../core/spread/figureSpread.ts';
import { useSame } from '../../../widgets/useSame.ts';
import type * as SpreadWorker from '../../../workers/spreadWorker.ts';

export interface Spreading {
  readonly spreads: readonly FigureSpread[] | null;
  /** 0..1 while it runs; null when it does not. */
  readonly progress: number | null;
  readonly start: () => void;
  readonly cancel: () => void;
}

/**
 * How far figures spread over what nobody measured, in a worker; what is found goes when one of them comes out otherwise:
 * a sheet that is fetched again without a change leaves it.
 */
export function useSpread(sheet: FigureSheet, figures: readonly FigureId[]): Spreading {
  const { slots } = sheet;
  const now = useSame(figures.map((id) => sheet.get(FIGURES[id])));
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
  }, [now, cancel]);
  const start = useCallback(() => {
    cancel();
    setProgress(0);
    const fresh = new Worker(new URL('../../../workers/spreadWorker.ts', import.meta.url), { type: 'module' });
    worker.current = fresh;
    void wrap<typeof SpreadWorker>(fresh)
      // Progress comes by a port of its own, and may come after the end.
      .run(
        slots,
        figures,
        proxy((share: number) => {
          if (worker.current === fresh) setProgress(share);
        }),
      )
      .then((found) => {
        setSpreads(found);
        cancel();
      }, cancel);
  }, [slots, figures, cancel]);
  return { spreads, progress, start, cancel };
}
