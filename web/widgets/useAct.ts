import { App } from 'antd';
import { useState } from 'react';
import type { BenchAct } from '../../contract/benchActs.ts';
import { doAct } from '../data/outbox/outbox.ts';

/** Does what is done at the vehicle; it is kept while the server cannot be reached. What is refused at once is said. */
export function useAct(quiet = false) {
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const [why, setWhy] = useState<string | null>(null);
  const act = async (what: BenchAct, says: string): Promise<boolean> => {
    setBusy(true);
    try {
      const done = await doAct(what, says);
      const refused = done.was === 'refused' ? done.why : null;
      setWhy(refused);
      if (refused && !quiet) void message.error(refused, 6);
      return !refused;
    } finally {
      setBusy(false);
    }
  };
  return { busy, why, act };
}
