import { useCallback, useMemo, useRef, useState } from 'react';
import type { DesignInputs } from '../../../core/design/inputs.ts';
import { back, forth, NO_STEPS, type Steps, stepped } from './trail.ts';

export interface DesignTrail {
  readonly setInputs: (inputs: DesignInputs | null, run?: string) => void;
  readonly undo: (() => void) | null;
  readonly redo: (() => void) | null;
}

/** Steps back and forth over the draft of one design. `put` stores the draft; null means "as stored on the server". */
export function useDesignTrail(of: string, now: DesignInputs, put: (inputs: DesignInputs | null) => void): DesignTrail {
  const [held, setHeld] = useState<{ of: string; steps: Steps<DesignInputs> }>({ of, steps: NO_STEPS });
  const steps = held.of === of ? held.steps : NO_STEPS;
  const latest = useRef({ of, now, put, steps });
  latest.current = { of, now, put, steps };
  const keep = useCallback((next: Steps<DesignInputs>) => setHeld({ of: latest.current.of, steps: next }), []);
  const setInputs = useCallback(
    (inputs: DesignInputs | null, run?: string) => {
      const { now: before, put: store, steps: at } = latest.current;
      store(inputs);
      keep(inputs === null ? NO_STEPS : stepped(at, before, run));
    },
    [keep],
  );
  const go = useCallback(
    (move: typeof back) => {
      const moved = move(latest.current.steps, latest.current.now);
      if (!moved) return;
      latest.current.put(moved.value);
      keep(moved.steps);
    },
    [keep],
  );
  // The same functions as long as there is anything to step to, so that a change does not redraw the buttons.
  const undo = useCallback(() => go(back), [go]);
  const redo = useCallback(() => go(forth), [go]);
  const [mayBack, mayForth] = [steps.back.length > 0, steps.forth.length > 0];
  return useMemo(
    () => ({ setInputs, undo: mayBack ? undo : null, redo: mayForth ? redo : null }),
    [setInputs, undo, redo, mayBack, mayForth],
  );
}
