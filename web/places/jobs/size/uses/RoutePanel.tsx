import { DeleteOutlined } from '@ant-design/icons';
import { Button, Upload } from 'antd';
import { useState } from 'react';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import type { SpeedLimit } from '../../../../../core/road/speedsUnderLimits.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { useMay } from '../../../../data/useMay.ts';
import { Fold } from '../../../../widgets/Fold.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';
import { RouteCharts } from './RouteCharts.tsx';
import { SpeedLimits } from './SpeedLimits.tsx';
import { useRouteFile } from './useRouteFile.ts';

/** The recorded route of the job: dropped as a GPX file, shown as track and profile, with speed and power along it. */
export function RoutePanel() {
  const { route, job } = useOpenJob('route', 'job');
  const set = useUnitSet();
  const may = useMay(job, 'route');
  const { reading, fault, last, take, drop } = useRouteFile();
  const [limits, setLimits] = useState<SpeedLimit[]>([{ fromM: 0, limitKmh: 50 }]);
  const untimed = route?.notes.some((note) => note.code === 'noTimes');
  return (
    <Panel
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
              disabled={reading}
              beforeUpload={(file) => {
                void take(file, limits);
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
            {route && (
              <Button icon={<DeleteOutlined />} size="small" onClick={drop}>
                Take the route away
              </Button>
            )}
          </div>
        )}
        {may && (
          <Fold title={<>Speed limits, for a file without times</>}>
            <div className="stack" style={{ paddingTop: 6 }}>
              <SpeedLimits limits={limits} onChange={setLimits} />
              {untimed && last && (
                <div>
                  <Button size="small" loading={reading} onClick={() => void take(last, limits)}>
                    Drive {last.name} again under these limits
                  </Button>
                </div>
              )}
            </div>
          </Fold>
        )}
        {fault && (
          <div className="fault" role="alert">
            {fault}
          </div>
        )}
      </div>
    </Panel>
  );
}
