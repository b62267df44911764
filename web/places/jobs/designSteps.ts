import { useMemo, useRef, useState } from 'react';
import type { DesignInputs } from '../../../core/design/inputs.ts';

interface Steps {
  /** Which design these steps belong to: another one starts anew. */
  readonly of: string;
  readonly back: readonly DesignInputs[];
  readonly forth: readonly DesignInputs[];
}

/** This many changes can be taken back. */
const DEEP = 100;

export interface DesignSteps {
  readonly setInputs: (inputs: DesignInputs | null, run?: string) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

/** Steps back and forth over the draft of one design. `put` stores the draft; null means "as stored on the server". */
export function useDesignSteps(of: string, now: DesignInputs, put: (inputs: DesignInputs | null) => void): DesignSteps {
  const [held, setHeld] = useState<Steps>({ of, back: [], forth: [] });
  const steps = held.of === of ? held : { of, back: [], forth: [] };
  const lastRun = useRef<string | null>(null);
  const latest = useRef({ now, put, steps });
  latest.current = { now, put, steps };
  return useMemo(() => {
    const { back, forth } = steps;
    return {
      setInputs: (inputs, run) => {
        const { now: before, put: store, steps: at } = latest.current;
        const goesOn = run !== undefined && run === lastRun.current;
        lastRun.current = run ?? null;
        store(inputs);
        if (inputs === null) setHeld({ of, back: [], forth: [] });
        else setHeld({ of, back: goesOn ? at.back : [...at.back, before].slice(-DEEP), forth: [] });
      },
      undo:
        back.length === 0
          ? null
          : () => {
              lastRun.current = null;
              latest.current.put(back.at(-1)!);
              setHeld({ of, back: back.slice(0, -1), forth: [...forth, latest.current.now] });
            },
      redo:
        forth.length === 0
          ? null
          : () => {
              lastRun.current = null;
              latest.current.put(forth.at(-1)!);
              setHeld({ of, back: [...back, latest.current.now], forth: forth.slice(0, -1) });
            },
    };
  }, [of, steps]);
}
