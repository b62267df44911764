import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { WaitingAct } from '../../../contract/benchActs.ts';

interface Kept extends DBSchema {
  acts: { key: number; value: Omit<WaitingAct, 'seq'> & { seq?: number } };
}

/** What waits to be sent, in this browser: it outlives the page. */
export interface ActStore {
  readonly all: () => Promise<WaitingAct[]>;
  readonly add: (act: Omit<WaitingAct, 'seq'>) => Promise<number>;
  readonly refuse: (seq: number, why: string) => Promise<void>;
  readonly drop: (seq: number) => Promise<void>;
}

/** @param name one for each workshop of an installation: what was done in one is not sent to the other */
export function openActs(name: string): ActStore {
  let opened: Promise<IDBPDatabase<Kept>> | null = null;
  const db = () => {
    opened ??= openDB<Kept>(name, 1, {
      upgrade: (fresh) => void fresh.createObjectStore('acts', { keyPath: 'seq', autoIncrement: true }),
    });
    return opened;
  };
  return {
    all: async () => (await (await db()).getAll('acts')) as WaitingAct[],
    add: async (act) => (await db()).add('acts', act),
    refuse: async (seq, why) => {
      const tx = (await db()).transaction('acts', 'readwrite');
      const act = await tx.store.get(seq);
      if (act) await tx.store.put({ ...act, refused: why });
      await tx.done;
    },
    drop: async (seq) => (await db()).delete('acts', seq),
  };
}
