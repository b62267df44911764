import { proxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { Strings, StringTask } from '../../../core/grading/strings.ts';
import { useSame } from '../../widgets/useSame.ts';
import type * as StringsWorker from '../../workers/stringsWorker.ts';

export interface FoundStrings {
  /** The best so far; null where there are not enough modules, or none was looked for. */
  readonly found: Strings | null;
  readonly running: boolean;
}

/** Strings of a task, in a worker: at once, and again when it is proved. Another task ends the search for this one. */
export function useStrings(task: StringTask | null): FoundStrings {
  const same = useSame(task);
  const [state, setState] = useState<FoundStrings>({ found: null, running: false });
  useEffect(() => {
    setState({ found: null, running: same !== null });
    if (!same) return;
    const worker = new Worker(new URL('../../workers/stringsWorker.ts', import.meta.url), { type: 'module' });
    let current = true;
    const tell = (found: Strings | null) => {
      if (current) setState({ found, running: true });
    };
    const ended = () => {
      if (current) setState((now) => ({ ...now, running: false }));
      worker.terminate();
    };
    void wrap<typeof StringsWorker>(worker).run(same, proxy(tell)).then(ended, ended);
    return () => {
      current = false;
      worker.terminate();
    };
  }, [same]);
  return state;
}
