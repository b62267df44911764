import { BarElement, CategoryScale, Chart, type ChartOptions, Legend, LinearScale, Tooltip } from 'chart.js';
import { useMemo, useRef } from 'react';
import { Bar } from 'react-chartjs-2';
import { formatNumber } from '../../core/quantity/format.ts';
import { toCsv } from '../../wording/csv.ts';
import { CHART } from '../app/theme.ts';
import { ChartCopies } from './ChartCopies.tsx';

Chart.register(BarElement, CategoryScale, LinearScale, Legend, Tooltip);

export interface BarPart {
  readonly label: string;
  readonly colour: string;
  /** One value a bar. */
  readonly values: readonly number[];
}

interface Props {
  readonly name: string;
  readonly say: string;
  readonly bars: readonly string[];
  readonly parts: readonly BarPart[];
  readonly unit: string;
  readonly height: number;
  /** What is counted has no halves. */
  readonly whole?: boolean;
}

/** Lying bars made of parts. */
export function StackedBars({ name, say, bars, parts, unit, height, whole = false }: Props) {
  const chart = useRef<Chart<'bar', number[]>>(null);
  const data = useMemo(
    () => ({
      labels: [...bars],
      datasets: parts.map((part) => ({
        label: part.label,
        data: [...part.values],
        backgroundColor: part.colour,
        maxBarThickness: 22,
      })),
    }),
    [bars, parts],
  );
  const options = useMemo<ChartOptions<'bar'>>(() => {
    // A little below zero (a use that ends lower than it began) must not open an empty half of the chart.
    const below = bars.map((_, i) => parts.reduce((sum, part) => sum + Math.min(0, part.values[i] ?? 0), 0));
    const least = Math.min(0, ...below) * 1.3;
    return {
      animation: false,
      indexAxis: 'y',
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: {
          stacked: true,
          min: least,
          ticks: {
            maxRotation: 0,
            autoSkipPadding: 12,
            ...(whole && { precision: 0 }),
            includeBounds: least === 0,
            callback: (value) => formatNumber(Number(value), 0),
          },
          grid: { color: CHART.hairline },
          title: { display: true, text: unit },
        },
        y: { stacked: true, grid: { display: false } },
      },
      plugins: {
        legend: {
          display: parts.length > 1,
          position: 'bottom',
          align: 'start',
          labels: { boxWidth: 14, boxHeight: 10 },
        },
      },
    };
  }, [bars, parts, unit, whole]);
  const csv = () =>
    toCsv(
      ['', ...parts.map((part) => `${part.label} (${unit})`)],
      bars.map((bar, i) => [bar, ...parts.map((part) => part.values[i] ?? 0)]),
    );
  return (
    <div>
      <div style={{ height }}>
        <Bar
          ref={chart}
          data={data}
          options={options}
          updateMode="none"
          datasetIdKey="label"
          aria-label={say}
          data-chart={name}
        />
      </div>
      <ChartCopies name={name} canvas={() => chart.current?.canvas} csv={csv} />
    </div>
  );
}
