import Papa from 'papaparse';
import { METRES_PER_MILE, NM_PER_LBFT, WATTS_PER_HP, WATTS_PER_METRIC_HP } from '../quantity/units.ts';

/** What a column of a log holds; values in s, km/h, V, A, rpm, N·m, W at the shaft, °C. */
export const LOG_COLUMNS = ['time', 'speed', 'volts', 'amps', 'rpm', 'torque', 'power', 'temperature'] as const;
export type LogColumn = (typeof LOG_COLUMNS)[number];

export interface Log {
  readonly columns: Readonly<Partial<Record<LogColumn, Float64Array>>>;
  readonly rows: number;
  /** What had to be put right, as sentences' codes with how often. */
  readonly notes: readonly { readonly code: LogNote; readonly count: number }[];
}
/** Lines above the table, lines that are no numbers, times that repeat or run backwards, gaps of over two seconds. */
export type LogNote = 'headLines' | 'unreadable' | 'repeated' | 'gaps';
export type LogProblem = 'empty' | 'noColumns' | 'tooFew';

/** Names a column goes by, by what they contain once spaces and case are gone; first match wins. */
const NAMES: readonly [RegExp, LogColumn, (header: string) => number][] = [
  [/^(t|time|zeit|seconds?|s|sec)(\W|\d|$)/, 'time', (h) => (/min/.test(h) ? 60 : /ms\b|milli/.test(h) ? 0.001 : 1)],
  [
    /speed|velocity|^v?km\/?h|^mph|^kph|m\/s/,
    'speed',
    (h) => (/mph|mi\/h/.test(h) ? METRES_PER_MILE / 1000 : /m\/s/.test(h) ? 3.6 : 1),
  ],
  [/rpm|rev|1\/min/, 'rpm', () => 1],
  [/torque|n·?\.?m\b|lb/, 'torque', (h) => (/lb/.test(h) ? NM_PER_LBFT : 1)],
  [
    /power|kw|\bhp|bhp|\bps\b/,
    'power',
    (h) => (/hp/.test(h) ? WATTS_PER_HP : /\bps\b/.test(h) ? WATTS_PER_METRIC_HP : /kw/.test(h) ? 1000 : 1),
  ],
  [/temp|°c|^t_?c$/, 'temperature', () => 1],
  [/volt|^v(\W|$)|\bv\b/, 'volts', () => 1],
  [/amp|current|^a(\W|$)|\ba\b/, 'amps', () => 1],
];

const FEWEST = 5;
const GAP_S = 2;

/** A number with a point or, where the table is not separated by commas, a decimal comma; NaN otherwise. */
const numberOf = (cell: string, comma: boolean): number => {
  const text = cell.trim();
  if (text === '') return Number.NaN;
  return Number(comma ? text.replace(',', '.') : text);
};

/**
 * Reads a log from CSV with any usual separator, with any number of lines above the line that names the columns (units in
 * it), or without one: then two columns are time and speed. Times that repeat or run backwards are left out, and so are
 * lines that are no numbers; each is counted. Gaps are told, not filled.
 */
export function readLog(text: string): Log | LogProblem {
  const delimiter = delimiterOf(text);
  const { data } = Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy', delimiter });
  if (data.length === 0 || text.trim() === '') return 'empty';
  const comma = delimiter !== ',';
  const numbers = (row: readonly string[]) => row.filter((cell) => Number.isFinite(numberOf(cell, comma))).length;
  const first = data.findIndex((row) => row.length >= 2 && numbers(row) >= 2);
  if (first < 0) return 'noColumns';
  const head = data.slice(0, first).findLast((row) => namesOf(row).size >= 2);
  const named = head ? namesOf(head) : unnamed(data[first]!.length);
  if (named.size < 2) return 'noColumns';
  const kept: number[][] = [];
  let unreadable = 0;
  let repeated = 0;
  let gaps = 0;
  const columns = [...named];
  const at = columns.findIndex(([name]) => name === 'time');
  for (const row of data.slice(first)) {
    const values = columns.map(([, { index, factor }]) => numberOf(row[index] ?? '', comma) * factor);
    if (!values.every(Number.isFinite)) {
      unreadable++;
      continue;
    }
    const before = kept.at(-1);
    if (at >= 0 && before && values[at]! <= before[at]!) {
      repeated++;
      continue;
    }
    if (at >= 0 && before && values[at]! - before[at]! > GAP_S) gaps++;
    kept.push(values);
  }
  if (kept.length < FEWEST) return 'tooFew';
  const counted: [LogNote, number][] = [
    ['headLines', head ? first : 0],
    ['unreadable', unreadable],
    ['repeated', repeated],
    ['gaps', gaps],
  ];
  return {
    columns: Object.fromEntries(columns.map(([name], i) => [name, Float64Array.from(kept, (row) => row[i]!)])),
    rows: kept.length,
    notes: counted.filter(([, count]) => count > 0).map(([code, count]) => ({ code, count })),
  };
}

/** What separates cells: a semicolon or tab that most lines have, since commas may then be decimals; else a comma. */
function delimiterOf(text: string): string {
  const lines = text.split('\n').filter((line) => line.trim() !== '');
  return [';', '\t'].find((mark) => 2 * lines.filter((line) => line.includes(mark)).length > lines.length) ?? ',';
}

type Named = Map<LogColumn, { readonly index: number; readonly factor: number }>;

function namesOf(row: readonly string[]): Named {
  const found: Named = new Map();
  row.forEach((cell, index) => {
    const header = cell.toLowerCase().replace(/[\s"]/g, '').replace(/[[(]/g, '.').replace(/[\])]/g, '.');
    if (Number.isFinite(Number(header)) || header === '') return;
    const hit = NAMES.find(([pattern, name]) => pattern.test(header) && !found.has(name));
    if (hit) found.set(hit[1], { index, factor: hit[2](header) });
  });
  return found;
}

const unnamed = (width: number): Named =>
  width === 2
    ? new Map([
        ['time', { index: 0, factor: 1 }],
        ['speed', { index: 1, factor: 1 }],
      ])
    : new Map();
