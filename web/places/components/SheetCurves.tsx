import { useMemo } from 'react';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import { toShown, type UnitSet, unitOf } from '../../../core/quantity/units.ts';
import { CHART } from '../../app/theme.ts';
import { useUnitSet } from '../../data/session.tsx';
import { LineChart, type Series } from '../../widgets/LineChart.tsx';

type Sheet = Readonly<Record<string, unknown>>;
interface Drawn {
  readonly name: string;
  readonly say: string;
  readonly series: readonly Series[];
  readonly x: string;
  readonly y: string;
}

const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value);
/** Rows of numbers that are whole so far, from the first to the last. */
const wholeRows = (rows: unknown, ...names: string[]): Record<string, number>[] =>
  (Array.isArray(rows) ? (rows as Record<string, unknown>[]) : []).filter((row): row is Record<string, number> =>
    names.every((name) => isNumber(row[name])),
  );

function curvesOf(kind: ComponentKind, sheet: Sheet, set: UnitSet): Drawn[] {
  if (kind === 'drive') return [torque(sheet, set), efficiency(sheet, set)].flatMap((one) => one ?? []);
  if (kind === 'module') return [rates(sheet)].flatMap((one) => one ?? []);
  return [];
}

function torque({ curve }: Sheet, set: UnitSet): Drawn | null {
  const rows = wholeRows(curve, 'rpm', 'peakNm', 'continuousNm');
  if (rows.length < 2) return null;
  const line = (field: string) => rows.map((row) => ({ x: row.rpm!, y: toShown(row[field]!, 'torque', set) }));
  return {
    name: 'torque-curve',
    say: 'Torque by revolutions, peak and continuous',
    series: [
      { label: 'peak', points: line('peakNm'), colour: CHART.primary, width: 3 },
      { label: 'continuous', points: line('continuousNm'), colour: CHART.primary, dash: [6, 4] },
    ],
    x: 'rpm',
    y: unitOf('torque', set).symbol,
  };
}

/** One line a torque: where the drive turns battery power into shaft power best. */
function efficiency({ efficiencyMap }: Sheet, set: UnitSet): Drawn | null {
  const map = efficiencyMap as { rpm?: number[]; torqueNm?: number[]; eta?: number[][] } | undefined;
  const { rpm = [], torqueNm = [], eta = [] } = map ?? {};
  if (rpm.length < 2 || eta.length < 2) return null;
  const { symbol } = unitOf('torque', set);
  const series = torqueNm.flatMap((nm, i): Series[] => {
    const points = rpm.flatMap((n, k) => (isNumber(eta[k]?.[i]) ? [{ x: n, y: eta[k]![i]! * 100 }] : []));
    const label = `${Math.round(toShown(nm, 'torque', set))} ${symbol}`;
    return points.length < 2 ? [] : [{ label, points, colour: CHART.parts[i % CHART.parts.length]!, width: 2 }];
  });
  return { name: 'efficiency', say: 'Efficiency by revolutions, a line for each torque', series, x: 'rpm', y: '%' };
}

function rates({ rates: stated }: Sheet): Drawn | null {
  const rows = wholeRows(stated, 'state', 'perHour');
  if (rows.length < 2) return null;
  const points = rows.map((row) => ({ x: row.state! * 100, y: row.perHour! }));
  return {
    name: 'charging-rate',
    say: 'Charging rate by state of charge',
    series: [{ label: 'times the capacity an hour', points, colour: CHART.primary, width: 3 }],
    x: '% charged',
    y: '',
  };
}

/** The curves of a sheet, drawn while they are typed or pasted; nothing where a kind has none. */
export function SheetCurves({ kind, sheet }: { kind: ComponentKind; sheet: Sheet }) {
  const set = useUnitSet();
  const drawn = useMemo(() => curvesOf(kind, sheet, set), [kind, sheet, set]);
  return (
    <>
      {drawn.map(({ name, say, series, x, y }) => (
        <LineChart key={name} name={name} say={say} series={series} x={{ label: x }} y={{ label: y }} height={180} />
      ))}
    </>
  );
}
