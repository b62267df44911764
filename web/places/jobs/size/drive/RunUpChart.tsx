import { useMemo } from 'react';
import { runUp } from '../../../../../core/figures/drive/runUp.ts';
import { toShown, unitOf } from '../../../../../core/quantity/units.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { LineChart } from '../../../../widgets/LineChart.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

/** Speeds of a run are kept every tenth of a second. */
const STEP_S = 0.1;

/** Full throttle from rest: speed over time. */
export function RunUpChart() {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const run = sheet.get(runUp).value;
  const series = useMemo(
    () =>
      run
        ? [
            {
              label: 'Full throttle, usual load',
              points: run.speeds.map((v, i) => ({
                x: Number((i * STEP_S).toFixed(1)),
                y: toShown(v * 3.6, 'speed', set),
              })),
              colour: CHART.primary,
            },
          ]
        : null,
    [run, set],
  );
  const axes = useMemo(() => ({ x: { label: 's', min: 0 }, y: { label: unitOf('speed', set).symbol, min: 0 } }), [set]);
  if (!series) return null;
  return (
    <Panel title="From rest" aside="level, dry, usual load">
      <div className="in">
        <LineChart
          name="from-rest"
          say="Speed over time at full throttle from rest"
          series={series}
          x={axes.x}
          y={axes.y}
          height={180}
        />
      </div>
    </Panel>
  );
}
