import { useMemo } from 'react';
import { CABIN, CABIN_WARM_C, cabinAfter } from '../../../../../core/cooling/cabin.ts';
import { FROST_C } from '../../../../../core/road/weather.ts';
import { CHART } from '../../../../app/theme.ts';
import { LineChart, type Series } from '../../../../widgets/LineChart.tsx';
import { useOpenJob } from '../../openJob.ts';

const MINUTES = 20;

/** The cabin from a cold start at 0 °C with the heater on full. */
export function WarmUpChart() {
  const { sheet } = useOpenJob('sheet');
  const { electric, use, vehicle } = sheet.slots;
  const watts = electric.heater?.sheet.powerW ?? use.heaterW;
  const style = vehicle.variant.shape.style;
  const series = useMemo<Series[]>(
    () => [
      {
        label: 'cabin, heater on full',
        points: Array.from({ length: MINUTES * 4 + 1 }, (_, i) => ({
          x: i / 4,
          y: cabinAfter(CABIN[style], FROST_C, watts, i * 15),
        })),
        colour: CHART.primary,
      },
      {
        label: 'warm',
        points: [
          { x: 0, y: CABIN_WARM_C },
          { x: MINUTES, y: CABIN_WARM_C },
        ],
        colour: CHART.soft,
        dash: [4, 4],
        width: 1.2,
      },
    ],
    [style, watts],
  );
  const axes = useMemo(() => ({ x: { label: 'minutes', min: 0, max: MINUTES }, y: { label: '°C' } }), []);
  if (!(watts > 0)) return null;
  return (
    <LineChart
      name="warm-up"
      say={`Cabin temperature over ${MINUTES} minutes from a cold start`}
      series={series}
      x={axes.x}
      y={axes.y}
      height={170}
    />
  );
}
