import { useMemo } from 'react';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { driveLine } from '../../../../../core/figures/road/driveLine.ts';
import { roadVehicle } from '../../../../../core/figures/road/roadVehicle.ts';
import { toShown, unitOf } from '../../../../../core/quantity/units.ts';
import { steadyBatteryPower } from '../../../../../core/road/driveOver.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

const SPEEDS = Array.from({ length: 23 }, (_, i) => 20 + i * 5);

/** Range over steady speed on the level, from 20 to 130 km/h as far as the design goes; the brief's speed is marked. */
export function SteadyChart() {
  const { sheet, use } = useOpenJob('sheet', 'use');
  const set = useUnitSet();
  const vehicle = sheet.get(roadVehicle).value;
  const drive = sheet.get(driveLine).value;
  const usable = sheet.get(FIGURES.packUsable).value;
  const top = sheet.get(FIGURES.topSpeed).value;
  const series = useMemo<Series[]>(() => {
    if (!vehicle || !drive || usable === null || top === null) return [];
    const at = (kmh: number) => ({
      x: toShown(kmh, 'speed', set),
      y: toShown(usable / (steadyBatteryPower(vehicle, drive, kmh, 0) / kmh), 'distance', set),
    });
    const speeds = SPEEDS.filter((kmh) => kmh <= Math.min(130, top));
    if (speeds.length < 2) return [];
    return [
      { label: 'range', points: speeds.map(at), colour: CHART.primary },
      { label: 'speed of the brief', points: [at(use.constantKmh)], colour: CHART.wait, dots: true, radius: 5 },
    ];
  }, [vehicle, drive, usable, top, use.constantKmh, set]);
  const axes = useMemo(
    () => ({ x: { label: unitOf('speed', set).symbol, min: 0 }, y: { label: unitOf('distance', set).symbol, min: 0 } }),
    [set],
  );
  if (series.length === 0) return null;
  return (
    <Panel title="Range by steady speed" aside="on the level, usual load">
      <div className="in">
        <LineChart
          name="range-by-steady-speed"
          say="Range falls as steady speed rises"
          series={series}
          x={axes.x}
          y={axes.y}
          height={210}
        />
      </div>
    </Panel>
  );
}
