import { Chart, Filler, Legend, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js';
import { useEffect, useMemo, useRef } from 'react';
import { FIGURES } from '../../../../core/figures/index.ts';
import { driveLine } from '../../../../core/figures/road/driveLine.ts';
import { roadVehicle } from '../../../../core/figures/road/roadVehicle.ts';
import { toBase, toShown, unitOf } from '../../../../core/quantity/units.ts';
import { steadyBatteryPower } from '../../../../core/road/driveOver.ts';
import { CHART } from '../../../app/theme.ts';
import { useUnitSet } from '../../../data/session.tsx';
import { Sheet } from '../../../widgets/Sheet.tsx';
import { useBench } from '../jobBench.ts';

Chart.register(LineController, LineElement, PointElement, LinearScale, Filler, Legend, Tooltip);
Chart.defaults.font.family = 'Barlow, sans-serif';
Chart.defaults.color = CHART.soft;

const SPEEDS = Array.from({ length: 22 }, (_, i) => 20 + i * 5);

/** Range over steady speed on the level, as far as the design can go; the brief's steady speed is marked. */
export default function SpeedChart() {
  const { sheet, use } = useBench();
  const set = useUnitSet();
  const canvas = useRef<HTMLCanvasElement>(null);
  const points = useMemo(() => {
    const vehicle = sheet.get(roadVehicle).value;
    const drive = sheet.get(driveLine).value;
    const usable = sheet.get(FIGURES.packUsable).value;
    const top = sheet.get(FIGURES.topSpeed).value;
    if (!vehicle || !drive || usable === null || top === null) return [];
    const shown = (kmh: number) => ({
      x: toShown(kmh, 'speed', set),
      y: toShown(usable / (steadyBatteryPower(vehicle, drive, kmh, 0) / kmh), 'distance', set),
    });
    return SPEEDS.filter((kmh) => kmh <= top).map(shown);
  }, [sheet, set]);
  const here = useMemo(() => {
    const value = sheet.get(FIGURES.rangeConstant).value;
    return value === null ? [] : [{ x: toShown(use.constantKmh, 'speed', set), y: toShown(value, 'distance', set) }];
  }, [sheet, use.constantKmh, set]);
  useEffect(() => {
    if (!canvas.current) return;
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          { label: 'Range', data: points, borderColor: CHART.primary, borderWidth: 2, pointRadius: 0, tension: 0.2 },
          {
            label: 'Steady speed of the brief',
            data: here,
            borderColor: CHART.wait,
            backgroundColor: CHART.wait,
            pointRadius: 5,
            showLine: false,
          },
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        scales: {
          x: {
            type: 'linear',
            title: { display: true, text: unitOf('speed', set).symbol },
            grid: { color: CHART.hairline },
            min: toShown(toBase(0, 'speed', set), 'speed', set),
          },
          y: {
            min: 0,
            title: { display: true, text: unitOf('distance', set).symbol },
            grid: { color: CHART.hairline },
          },
        },
        plugins: { legend: { position: 'bottom', labels: { boxWidth: 18, boxHeight: 2 } } },
      },
    });
    return () => chart.destroy();
  }, [points, here, set]);
  if (points.length === 0) return null;
  return (
    <Sheet title="Range by steady speed" aside="on the level, with the usual load">
      <div className="in" style={{ height: 230 }}>
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Range falls from ${points[0]?.y.toFixed(0)} to ${points.at(-1)?.y.toFixed(0)} ${unitOf('distance', set).symbol} as steady speed rises`}
        />
      </div>
    </Sheet>
  );
}
