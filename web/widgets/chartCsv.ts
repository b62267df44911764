/** A value of a table: quoted where it has a comma, a quote or a line break (RFC 4180). */
const cell = (text: string) => (/[",\n]/.test(text) ? `"${text.replace(/"/g, '""')}"` : text);

interface Line {
  readonly label: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
}

/** The points of a chart as a table: one row for each x that occurs, one column for each line; empty where it has none. */
export function chartCsv(xLabel: string, lines: readonly Line[]): string {
  const columns = lines.map((line) => new Map(line.points.map((point) => [point.x, point.y])));
  const xs = [...new Set(lines.flatMap((line) => line.points.map((point) => point.x)))].sort((a, b) => a - b);
  const rows = xs.map((x) =>
    [x, ...columns.map((column) => column.get(x))].map((value) =>
      value === undefined ? '' : String(Number(value.toPrecision(7))),
    ),
  );
  return `${[[xLabel, ...lines.map((line) => line.label)].map(cell), ...rows].map((row) => row.join(',')).join('\r\n')}\r\n`;
}
