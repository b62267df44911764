import { App } from 'antd';
import { wrap } from 'comlink';
import { useState } from 'react';
import { routeAddress } from '../../../../../contract/route.ts';
import type { PackedRoute } from '../../../../../core/road/packedRoute.ts';
import type { SpeedLimit } from '../../../../../core/road/speedsUnderLimits.ts';
import { useSend } from '../../../../widgets/useSend.ts';
import type * as RouteWorker from '../../../../workers/routeWorker.ts';
import { useOpenJob } from '../../openJob.ts';
import { ROUTE_PROBLEM } from './routeProblem.ts';

/** Larger files are refused before they are read, bytes. */
const BIGGEST = 100_000_000;

/** Reads a file in a worker of its own, which ends with it. */
async function readInWorker(request: RouteWorker.RouteRequest): Promise<RouteWorker.RouteAnswer> {
  const worker = new Worker(new URL('../../../../workers/routeWorker.ts', import.meta.url), { type: 'module' });
  // A worker that cannot even be loaded answers nothing: only its error tells.
  const broken = new Promise<never>((_, fail) => {
    worker.onerror = (event) => fail(new Error(event.message));
  });
  try {
    return await Promise.race([wrap<typeof RouteWorker>(worker).read(request), broken]);
  } finally {
    worker.terminate();
  }
}

/** Takes GPX files into the job: reads, stores, and says what is wrong; the last one can be driven again under other limits. */
export function useRouteFile() {
  const { job } = useOpenJob('job');
  const sending = useSend();
  const { message } = App.useApp();
  const [reading, setReading] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [last, setLast] = useState<File | null>(null);
  const put = (route: PackedRoute | null) =>
    sending.go(routeAddress.change, { number: job.number }, { route, version: job.version });
  return {
    reading: reading || sending.busy,
    fault,
    last,
    take: async (file: File, limits: readonly SpeedLimit[]) => {
      setFault(null);
      if (file.size > BIGGEST) {
        setFault(ROUTE_PROBLEM.tooBig);
        return;
      }
      setReading(true);
      try {
        const answer = await readInWorker({ text: await file.text(), fileName: file.name, limits });
        if ('problem' in answer) setFault(ROUTE_PROBLEM[answer.problem]);
        else if (await put(answer.route)) {
          setLast(file);
          void message.success(`${answer.route.name} is loaded.`);
        }
      } catch {
        setFault(ROUTE_PROBLEM.notGpx);
      } finally {
        setReading(false);
      }
    },
    drop: () => {
      setLast(null);
      void put(null);
    },
  };
}
