import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import type { Currency } from '../../../core/quantity/currency.ts';
import type { ReadTable } from '../../../wording/componentTable.ts';
import type { read } from '../../workers/tableWorker.ts';

/** What a table holds, read in a worker; null while it is being read or there is none. */
export function useTable(kind: ComponentKind, text: string | null, currency: Currency): ReadTable | null {
  const [found, setFound] = useState<ReadTable | null>(null);
  useEffect(() => {
    setFound(null);
    if (text === null) return;
    const worker = new Worker(new URL('../../workers/tableWorker.ts', import.meta.url), { type: 'module' });
    const remote = wrap<{ read: typeof read }>(worker);
    let gone = false;
    void remote.read(kind, text, currency).then((answer) => {
      if (!gone) setFound(answer);
      worker.terminate();
    });
    return () => {
      gone = true;
      worker.terminate();
    };
  }, [kind, text, currency]);
  return found;
}
