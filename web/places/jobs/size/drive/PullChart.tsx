import { useMemo } from 'react';
import { gearReach } from '../../../../../core/figures/drive/gearAdvice.ts';
import { pull } from '../../../../../core/figures/drive/pull.ts';
import { FIGURES } from '../../../../../core/figures/index.ts';
import { roadVehicle } from '../../../../../core/figures/road/roadVehicle.ts';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import { toShown, unitOf } from '../../../../../core/quantity/units.ts';
import { roadForces } from '../../../../../core/road/roadLoad.ts';
import { reasonText } from '../../../../../wording/figures.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useOpenJob } from '../../openJob.ts';

const STEPS = 80;

/** Pull at the wheels by gear, peak and continuous, against the road on the level and on the brief's hill, and the tyres. */
export function PullChart() {
  const { sheet, job } = useOpenJob('sheet', 'job');
  const set = useUnitSet();
  const result = sheet.get(pull);
  const vehicle = sheet.get(roadVehicle).value;
  const hill = job.brief.find((line) => line.kind === 'hillStart')?.amount ?? null;
  const town = sheet.get(FIGURES.gearTown).value;
  const open = sheet.get(FIGURES.gearOpenRoad).value;
  const data = useMemo(() => {
    const p = result.value;
    if (!p || !vehicle) return null;
    const fastest = Math.max(...p.gears.map((gear) => gear.maxSpeedMs));
    const most = Math.min(fastest, 160 / 3.6) * 1.03;
    const speeds = Array.from({ length: STEPS + 1 }, (_, i) => (i / STEPS) * most);
    const at = (v: number, force: number) => ({
      x: toShown(v * 3.6, 'speed', set),
      y: toShown(force, 'force', set),
    });
    const name = (gear: number | null) => (gear === null ? 'single reduction' : `gear ${gear}`);
    const others = p.gears.filter((gear) => gear !== p.engaged);
    const series: Series[] = p.gears.map((gear) => {
      const engaged = gear === p.engaged;
      return {
        label: `${name(gear.way.gear)}${engaged && p.gears.length > 1 ? ', engaged' : ''}`,
        points: speeds.filter((v) => v <= gear.maxSpeedMs).map((v) => at(v, gear.motorN(v))),
        colour: engaged ? CHART.primary : CHART.parts[others.indexOf(gear) % CHART.parts.length]!,
        width: engaged ? 3 : 2,
      };
    });
    const usable = speeds.filter((v) => v <= p.engaged.maxSpeedMs);
    series.push({
      label: 'continuous',
      points: usable.map((v) => at(v, p.engaged.continuousN(v))),
      colour: CHART.primary,
      width: 1.4,
      dash: [6, 4],
    });
    const road = (grade: number) =>
      speeds.map((v) => {
        const { tyresN, airN, hillN } = roadForces(vehicle, Math.max(v, 0.01), grade);
        return at(v, tyresN + airN + hillN);
      });
    series.push({ label: 'road, level', points: road(0), colour: CHART.wait, width: 2 });
    if (hill)
      series.push({ label: `road, ${Math.round(hill * 100)} %`, points: road(hill), colour: CHART.wait, dash: [8, 4] });
    const flat = (force: number) => [at(0, force), at(most, force)];
    series.push({ label: 'tyres slip, dry', points: flat(p.gripDryN), colour: CHART.stop, dash: [2, 3], width: 1.6 });
    series.push({ label: 'tyres slip, wet', points: flat(p.gripWetN), colour: CHART.stop, dash: [2, 6], width: 1.2 });
    return { series, most: Math.ceil(toShown(most * 3.6, 'speed', set) / 10) * 10 };
  }, [result, vehicle, hill, set]);
  const axes = useMemo(
    () => ({
      x: { label: unitOf('speed', set).symbol, min: 0, ...(data ? { max: data.most } : {}) },
      y: { label: unitOf('force', set).symbol, min: 0 },
    }),
    [set, data],
  );
  const reach = sheet.get(gearReach).value;
  const choice = (gear: number | null, road: string) =>
    gear === null ? `no gear does for ${road}` : `${gear} for ${road}`;
  const several = (result.value?.gears.length ?? 0) > 1;
  const gearNames = several
    ? `Leave it in ${choice(town, 'town')}, ${choice(open, 'the open road')}.`
    : 'One gear does it all.';
  return (
    <Panel
      title="Pull at the wheels, by gear"
      aside={
        reach
          ? `${gearNames} ${formatQuantity(sheet.get(FIGURES.speedPer1000Rpm).value ?? 0, 'speed', set, { digits: 1 })} at 1000 rpm`
          : undefined
      }
    >
      <div className="in">
        {data ? (
          <LineChart
            name="pull-at-the-wheels"
            say={`Pull at the wheels by speed in ${reach?.length ?? 1} gears, with road load and the limit of the tyres. ${gearNames}`}
            series={data.series}
            x={axes.x}
            y={axes.y}
            height={280}
          />
        ) : (
          <p className="soft">{reasonText(result, set)}</p>
        )}
      </div>
    </Panel>
  );
}
