import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { TableReaders } from '../workers/tableWorker.ts';

/** How a table is read; the same function as long as the same is meant. */
export type HowToRead<T> = (readers: Remote<TableReaders>, text: string) => Promise<T>;

/** What a table holds, read in a worker; null while it is being read or there is none. */
export function useReadTable<T>(text: string | null, how: HowToRead<T>): T | null {
  const [found, setFound] = useState<T | null>(null);
  useEffect(() => {
    setFound(null);
    if (text === null) return;
    const worker = new Worker(new URL('../workers/tableWorker.ts', import.meta.url), { type: 'module' });
    let gone = false;
    void how(wrap<TableReaders>(worker), text).then((answer) => {
      if (!gone) setFound(answer);
      worker.terminate();
    });
    return () => {
      gone = true;
      worker.terminate();
    };
  }, [text, how]);
  return found;
}
