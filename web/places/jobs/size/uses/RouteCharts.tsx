import { useMemo } from 'react';
import { routeRun } from '../../../../../core/figures/road/useRuns.ts';
import { formatHours, formatQuantity } from '../../../../../core/quantity/format.ts';
import { toShown, unitOf } from '../../../../../core/quantity/units.ts';
import type { UseResult } from '../../../../../core/road/driveOver.ts';
import type { Route } from '../../../../../core/road/route.ts';
import { routeParts } from '../../../../../core/road/routeParts.ts';
import { CHART } from '../../../../app/theme.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';
import { useOpenJob } from '../../openJob.ts';

/** So many points a line: more than a screen has. */
const POINTS = 500;

/** Mean of each of `POINTS` stretches of equal time, with the distance at its middle, in the person's unit. */
function thinned(distanceKm: Float64Array, values: Float64Array, shown: (value: number) => number) {
  const step = Math.max(1, Math.ceil(values.length / POINTS));
  const points: { x: number; y: number }[] = [];
  for (let i = 0; i < values.length; i += step) {
    const end = Math.min(values.length, i + step);
    let sum = 0;
    for (let k = i; k < end; k++) sum += values[k]!;
    points.push({ x: distanceKm[Math.min(i + (step >> 1), distanceKm.length - 1)]!, y: shown(sum / (end - i)) });
  }
  return points;
}

/** Track without a map, height profile, and speed and battery power along the way. */
export function RouteCharts({ route }: { route: Route }) {
  const { sheet } = useOpenJob('sheet');
  const set = useUnitSet();
  const run = sheet.get(routeRun).value;
  const way = useMemo(() => {
    const { speedMs } = route.trace;
    const km = new Float64Array(speedMs.length);
    for (let s = 1; s < km.length; s++) km[s] = km[s - 1]! + (speedMs[s - 1]! + speedMs[s]!) / 2000;
    return Float64Array.from(km, (value) => toShown(value, 'distance', set));
  }, [route, set]);
  const profile = useMemo<Series[]>(
    () => [
      {
        label: 'height',
        points: thinned(way, route.elevationM, (m) => m),
        colour: CHART.metal,
        width: 1.5,
        fill: true,
      },
    ],
    [way, route],
  );
  const along = useMemo<Series[]>(() => {
    const speed: Series = {
      label: `speed, ${unitOf('speed', set).symbol}`,
      points: thinned(way, route.trace.speedMs, (v) => toShown(v * 3.6, 'speed', set)),
      colour: CHART.tan,
      width: 1.4,
    };
    if (!run) return [speed];
    return [
      speed,
      {
        label: 'battery power, kW',
        points: thinned(way, run.powersW, (w) => w / 1000),
        colour: CHART.hv,
        width: 1.6,
        right: true,
      },
    ];
  }, [way, route, run, set]);
  const axes = useMemo(
    () => ({
      x: { label: unitOf('distance', set).symbol, min: 0, max: way.at(-1) ?? 1 },
      height: { label: 'm' },
      speed: { label: unitOf('speed', set).symbol, min: 0 },
      power: { label: 'kW' },
    }),
    [set, way],
  );
  return (
    <div className="route">
      <Track route={route} />
      <div>
        <LineChart
          name="route-profile"
          say={`Height along ${route.name}`}
          series={profile}
          x={axes.x}
          y={axes.height}
          height={130}
        />
        <LineChart
          name="route-speed-and-power"
          say={`Speed and battery power along ${route.name}`}
          series={along}
          x={axes.x}
          y={axes.speed}
          right={axes.power}
          height={190}
        />
        {run && <Parts route={route} run={run} />}
      </div>
    </div>
  );
}

/** How many stretches a route is told in. */
const PARTS = 6;

/** What each stretch of the route takes: time, climb, energy. */
function Parts({ route, run }: { route: Route; run: UseResult }) {
  const set = useUnitSet();
  return (
    <DataTable
      label="Energy by part of the route"
      rows={routeParts(route, run, PARTS)}
      rowKey={(part) => String(part.fromKm)}
      columns={({ words, figures }) => [
        words(
          'Part',
          (part) =>
            `${formatQuantity(part.fromKm, 'distance', set, { digits: 1 })} to ${formatQuantity(part.toKm, 'distance', set, { digits: 1 })}`,
        ),
        figures('Time', (part) => formatHours(part.seconds / 3600)),
        figures('Climb', (part) => formatQuantity(part.climbM, 'height', set)),
        figures('Energy', (part) => formatQuantity(part.batteryWh, 'energy', set, { digits: 2 })),
        figures('Consumption', (part) =>
          formatQuantity(part.batteryWh / (part.toKm - part.fromKm), 'consumption', set),
        ),
      ]}
    />
  );
}

/** The way seen from above, north up, with its start. Degrees of longitude shrink with the cosine of the latitude. */
function Track({ route }: { route: Route }) {
  const { path, box, start } = useMemo(() => {
    const lats = route.track.map(([lat]) => lat);
    const middle = (Math.min(...lats) + Math.max(...lats)) / 2;
    const squeeze = Math.cos((middle * Math.PI) / 180);
    const points = route.track.map(([lat, lon]) => [lon * squeeze * 1e5, -lat * 1e5] as const);
    const xs = points.map(([x]) => x);
    const ys = points.map(([, y]) => y);
    const [left, top] = [Math.min(...xs), Math.min(...ys)];
    const size = Math.max(Math.max(...xs) - left, Math.max(...ys) - top, 1);
    const pad = size * 0.06;
    return {
      path: points.map(([x, y], i) => `${i ? 'L' : 'M'} ${x.toFixed(1)} ${y.toFixed(1)}`).join(' '),
      box: `${left - pad} ${top - pad} ${size + 2 * pad} ${size + 2 * pad}`,
      start: points[0] ?? ([0, 0] as const),
    };
  }, [route]);
  return (
    <svg viewBox={box} role="img" aria-label={`Track of ${route.name}, north up`} className="track">
      <path d={path} fill="none" stroke="var(--primary)" strokeWidth={2} vectorEffect="non-scaling-stroke" />
      <circle cx={start[0]} cy={start[1]} r={Number(box.split(' ')[2]) / 45} fill="var(--ink)">
        <title>start</title>
      </circle>
    </svg>
  );
}
