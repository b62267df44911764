import { toCsv } from '../../wording/csv.ts';

interface ChartLine {
  readonly label: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
}

/** The points of a chart as a table: one row for each x that occurs, one column for each line; empty where it has none. */
export function chartCsv(xLabel: string, lines: readonly ChartLine[]): string {
  const columns = lines.map((line) => new Map(line.points.map((point) => [point.x, point.y])));
  const xs = [...new Set(lines.flatMap((line) => line.points.map((point) => point.x)))].sort((a, b) => a - b);
  return toCsv(
    [xLabel, ...lines.map((line) => line.label)],
    xs.map((x) => [x, ...columns.map((column) => column.get(x))]),
  );
}
