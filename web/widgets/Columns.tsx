import { BarElement, CategoryScale, Chart, type ChartOptions, LinearScale, Tooltip } from 'chart.js';
import { useMemo, useRef } from 'react';
import { Bar } from 'react-chartjs-2';
import { formatNumber } from '../../core/quantity/format.ts';
import { toCsv } from '../../wording/csv.ts';
import { CHART } from '../app/theme.ts';
import { ChartCopies } from './ChartCopies.tsx';

Chart.register(BarElement, CategoryScale, LinearScale, Tooltip);

export interface ColumnOf {
  readonly label: string;
  readonly value: number;
  readonly colour: string;
  /** What it belongs to, for its table. */
  readonly group: string;
}

interface Props {
  readonly name: string;
  readonly say: string;
  readonly columns: readonly ColumnOf[];
  readonly unit: string;
  readonly height: number;
  readonly digits?: number;
}

/** Standing bars, one a thing, each in the colour of what it belongs to. The axis begins where differences show. */
export function Columns({ name, say, columns, unit, height, digits = 1 }: Props) {
  const chart = useRef<Chart<'bar', number[]>>(null);
  const data = useMemo(
    () => ({
      labels: columns.map(({ label }) => label),
      datasets: [
        {
          data: columns.map(({ value }) => value),
          backgroundColor: columns.map(({ colour }) => colour),
          categoryPercentage: 1,
          barPercentage: 0.86,
        },
      ],
    }),
    [columns],
  );
  const options = useMemo<ChartOptions<'bar'>>(() => {
    const values = columns.map(({ value }) => value);
    const [least, most] = [Math.min(...values), Math.max(...values)];
    return {
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        // Modules differ by little: from nought they would all look alike.
        y: {
          min: Math.max(0, Math.floor(least - Math.max(0.5, most - least) * 0.6)),
          ticks: { callback: (value) => formatNumber(Number(value), 0) },
          grid: { color: CHART.hairline },
          title: { display: true, text: unit },
        },
        x: {
          ticks: { display: false },
          grid: { display: false },
          title: { display: true, text: 'the strongest first' },
        },
      },
      plugins: {
        legend: { display: false },
        tooltip: {
          callbacks: {
            title: ([item]) => `${item?.label ?? ''}, ${columns[item?.dataIndex ?? 0]?.group ?? ''}`,
            label: ({ parsed }) => `${formatNumber(parsed.y ?? 0, digits)} ${unit}`,
          },
        },
      },
    };
  }, [columns, unit, digits]);
  const csv = () =>
    toCsv(
      ['Number', 'Of', unit],
      columns.map(({ label, group, value }) => [label, group, value]),
    );
  return (
    <div>
      <div style={{ height }}>
        <Bar ref={chart} data={data} options={options} role="img" aria-label={say} />
      </div>
      <ChartCopies name={name} canvas={() => chart.current?.canvas} csv={csv} />
    </div>
  );
}
