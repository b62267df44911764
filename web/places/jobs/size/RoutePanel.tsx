import { App, Button, Upload } from 'antd';
import { useState } from 'react';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { usePerson, useUnitSet } from '../../../data/session.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import type { RouteAnswer, RouteRequest } from '../../../workers/routeWorker.ts';
import { useBench } from '../jobBench.ts';
import { ROUTE_PROBLEM } from './assumptionText.ts';
import { RouteCharts } from './charts/RouteCharts.tsx';

/** Larger files are refused before they are read, bytes. */
const BIGGEST = 100_000_000;

/** Reads a file in a worker of its own, which ends with it. */
function readInWorker(request: RouteRequest): Promise<RouteAnswer> {
  return new Promise((done, fail) => {
    const worker = new Worker(new URL('../../../workers/routeWorker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<RouteAnswer>) => {
      worker.terminate();
      done(data);
    };
    worker.onerror = (event) => {
      worker.terminate();
      fail(new Error(event.message));
    };
    worker.postMessage(request);
  });
}

/** The recorded route of the job: dropped as a GPX file, shown as track and profile, with speed and power along it. */
export function RoutePanel() {
  const { job, route } = useBench();
  const set = useUnitSet();
  const may = usePerson().role !== 'viewer';
  const sending = useSend();
  const { message } = App.useApp();
  const [reading, setReading] = useState(false);
  const [fault, setFault] = useState<string | null>(null);
  const [limitKmh, setLimitKmh] = useState(50);
  const put = (next: unknown) => sending.go('PUT', `/jobs/${job.number}/route`, { route: next, version: job.version });
  const take = async (file: File) => {
    setFault(null);
    if (file.size > BIGGEST) {
      setFault(ROUTE_PROBLEM.tooBig);
      return;
    }
    setReading(true);
    try {
      const limits = [{ fromM: 0, limitKmh }];
      const answer = await readInWorker({ text: await file.text(), fileName: file.name, limits });
      if ('problem' in answer) setFault(ROUTE_PROBLEM[answer.problem]);
      else if (await put(answer.route)) void message.success(`${answer.route.name} is loaded.`);
    } catch {
      setFault(ROUTE_PROBLEM.notGpx);
    } finally {
      setReading(false);
    }
  };
  return (
    <Sheet
      title="Recorded route"
      aside={
        route
          ? `${route.name}: ${formatQuantity(route.distanceM / 1000, 'distance', set, { digits: 1 })}, ${formatQuantity(route.climbM, 'height', set)} climbed`
          : 'none yet'
      }
    >
      <div className="in stack">
        {route && <RouteCharts route={route} />}
        {may && (
          <div className="route-drop">
            <Upload.Dragger
              accept=".gpx"
              showUploadList={false}
              disabled={reading || sending.busy}
              beforeUpload={(file) => {
                void take(file);
                return false;
              }}
              aria-label="GPX file of the route"
            >
              {reading
                ? 'Reading …'
                : route
                  ? 'Drop another GPX file here, or press to choose it'
                  : 'Drop a GPX file here, or press to choose it'}
            </Upload.Dragger>
            <QuantityInput
              label="Speed limit, where the file has no times"
              kind="speed"
              value={limitKmh}
              onChange={(kmh) => kmh !== null && kmh >= 5 && setLimitKmh(kmh)}
            />
            {route && (
              <Button size="small" onClick={() => void put(null)}>
                Take the route away
              </Button>
            )}
          </div>
        )}
        {fault && (
          <div className="fault" role="alert">
            {fault}
          </div>
        )}
      </div>
    </Sheet>
  );
}
