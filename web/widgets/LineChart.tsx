import {
  Chart,
  type ChartDataset,
  type ChartOptions,
  Filler,
  Legend,
  LinearScale,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js';
import { useMemo, useRef } from 'react';
import { Line } from 'react-chartjs-2';
import { formatNumber } from '../../core/quantity/format.ts';
import { CHART } from '../app/theme.ts';
import { ChartCopies } from './ChartCopies.tsx';
import { chartCsv } from './chartCsv.ts';

Chart.register(LineElement, PointElement, LinearScale, Filler, Legend, Tooltip);
Chart.defaults.font.family = 'Barlow, sans-serif';
Chart.defaults.color = CHART.soft;

export interface Point {
  readonly x: number;
  readonly y: number;
}

export interface Series {
  readonly label: string;
  readonly points: readonly Point[];
  readonly colour: string;
  readonly width?: number;
  readonly dash?: readonly number[];
  /** Points without a line. */
  readonly dots?: boolean;
  /** Fills down to zero. */
  readonly fill?: boolean;
  /** Reads on the right-hand axis. */
  readonly right?: boolean;
  /** Radius of the dots, all or one by one, px. */
  readonly radius?: number | readonly number[];
  readonly steps?: boolean;
}

export interface Axis {
  readonly label: string;
  readonly min?: number;
  readonly max?: number;
  /** What a tick reads; the plain number without it. */
  readonly tick?: (value: number) => string;
}

interface Props {
  /** Name of the file a copy is saved under. */
  readonly name: string;
  /** What the chart shows, in a sentence, for those who do not see it. */
  readonly say: string;
  readonly series: readonly Series[];
  readonly x: Axis;
  readonly y: Axis;
  readonly right?: Axis;
  readonly height?: number;
  readonly onPick?: (series: number, index: number) => void;
  readonly tip?: (series: number, index: number) => string;
}

const plainTick = (value: number) =>
  formatNumber(value, Number.isInteger(value) ? 0 : Math.min(3, (String(value).split('.')[1] ?? '').length));

const axis = ({ label, min, max, tick }: Axis, grid = true) => ({
  type: 'linear' as const,
  title: { display: label !== '', text: label },
  grid: { color: CHART.hairline, drawOnChartArea: grid },
  ...(min === undefined ? {} : { min }),
  ...(max === undefined ? {} : { max }),
  ticks: { includeBounds: false, callback: (value: number | string) => (tick ?? plainTick)(Number(value)) },
});

/** A series as the chart library takes it. */
const datasetOf = (one: Series): ChartDataset<'line', Point[]> => ({
  label: one.label,
  data: [...one.points],
  borderColor: one.colour,
  backgroundColor: one.fill ? `${one.colour}33` : one.colour,
  borderWidth: one.width ?? 2,
  pointRadius: one.dots ? (typeof one.radius === 'object' ? [...one.radius] : (one.radius ?? 4)) : 0,
  pointHitRadius: one.dots ? 8 : 2,
  showLine: !one.dots,
  fill: one.fill ?? false,
  tension: 0,
  stepped: one.steps ?? false,
  yAxisID: one.right ? 'right' : 'y',
  ...(one.dash ? { borderDash: [...one.dash] } : {}),
});

/** Lines or dots over a linear axis, with a copy as picture or table at hand. */
export function LineChart({ name, say, series, x, y, right, height = 230, onPick, tip }: Props) {
  const chart = useRef<Chart<'line', Point[]>>(null);
  const data = useMemo(() => ({ datasets: series.map(datasetOf) }), [series]);
  const options = useMemo<ChartOptions<'line'>>(
    () => ({
      animation: false,
      responsive: true,
      maintainAspectRatio: false,
      scales: {
        x: axis(x),
        y: axis(y),
        ...(right ? { right: { ...axis(right, false), position: 'right' as const } } : {}),
      },
      interaction: { mode: 'nearest', intersect: true },
      plugins: {
        legend: { position: 'bottom', align: 'start', labels: { boxWidth: 18, boxHeight: 2 } },
        tooltip: {
          callbacks: {
            title: () => '',
            label: (item) =>
              tip?.(item.datasetIndex, item.dataIndex) ?? `${item.dataset.label}: ${item.formattedValue}`,
          },
        },
      },
      onClick: (_event, [hit]) => {
        if (hit) onPick?.(hit.datasetIndex, hit.index);
      },
    }),
    [x, y, right, tip, onPick],
  );
  return (
    <div>
      <div style={{ height }}>
        <Line
          ref={chart}
          data={data}
          options={options}
          updateMode="none"
          datasetIdKey="label"
          aria-label={say}
          data-chart={name}
        />
      </div>
      <ChartCopies name={name} canvas={() => chart.current?.canvas} csv={() => chartCsv(x.label, series)} />
    </div>
  );
}
