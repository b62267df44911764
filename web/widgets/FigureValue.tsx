import { Popover } from 'antd';
import { type ReactNode, useMemo } from 'react';
import { sensitivities } from '../../core/brief/sensitivity.ts';
import type { FigureSheet, Result } from '../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../core/figures/index.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { LIKELY_ERROR, type VehicleFigureId } from '../../core/vehicle/vehicleFigures.ts';
import { useUnitSet } from '../data/session.tsx';
import { FIGURE_NAME, MISSING, SOURCE_NAME, VEHICLE_FIGURE_NAME } from '../wording/figures.ts';

export const amount = (value: number, kind: QuantityKind, set: UnitSet) =>
  kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, set);

/** Inputs with their sources, the formula as a person would write it, the result, and where the formula comes from. */
export function WorkingText({ result, sheet }: { result: Result; sheet: FigureSheet }) {
  const set = useUnitSet();
  const { working, unmeasured, value, kind } = result;
  if (!working || value === null || !kind) return null;
  return (
    <div style={{ maxWidth: 430 }} className="small working">
      <p className="strong">{working.formula}</p>
      {working.terms.length > 0 && (
        <table className="list" style={{ margin: '6px 0' }}>
          <tbody>
            {working.terms.map((term, i) => (
              <tr key={i}>
                <td>{term.symbol}</td>
                <td className="num">{amount(term.value, term.kind, set)}</td>
              </tr>
            ))}
            <tr>
              <td className="strong">result</td>
              <td className="num strong">{amount(value, kind, set)}</td>
            </tr>
          </tbody>
        </table>
      )}
      <p className="soft">From: {working.source}.</p>
      {unmeasured.length > 0 && <RestsOn result={result} sheet={sheet} />}
    </div>
  );
}

/** The unmeasured figures a result rests on, with how far each moves it when it is off as it usually is. */
function RestsOn({ result, sheet }: { result: Result; sheet: FigureSheet }) {
  const set = useUnitSet();
  const moves = useMemo(() => sensitivities(sheet, [result.id as FigureId]), [sheet, result.id]);
  const moved = (id: VehicleFigureId) => moves.find((one) => one.input === id);
  const share = (value: number) => formatQuantity(value, 'share', set);
  const order = [...result.unmeasured].sort((a, b) => (moved(b)?.share ?? 0) - (moved(a)?.share ?? 0));
  return (
    <div className="soft">
      Not measured here:
      <ul style={{ margin: 0, paddingLeft: 16 }}>
        {order.map((id) => (
          <li key={id}>
            {VEHICLE_FIGURE_NAME[id].toLowerCase()} ({SOURCE_NAME[sheet.slots.vehicle.figures[id].source]}
            {moved(id) && `; often ${share(LIKELY_ERROR[id])} off, moves this by ${share(moved(id)!.share)}`})
          </li>
        ))}
      </ul>
    </div>
  );
}

/** A computed figure which opens its working in place; without a value it says what is missing. */
export function FigureValue({ id, sheet, children }: { id: FigureId; sheet: FigureSheet; children?: ReactNode }) {
  const set = useUnitSet();
  const result = sheet.get(FIGURES[id]);
  if (result.value === null || !result.kind)
    return <span className="soft small">{result.reason ? MISSING[result.reason] : 'measure'}</span>;
  return (
    <Popover
      trigger="click"
      placement="left"
      title={FIGURE_NAME[id]}
      content={<WorkingText result={result} sheet={sheet} />}
    >
      <button
        type="button"
        className="open-working"
        aria-label={`${FIGURE_NAME[id]}: ${amount(result.value, result.kind, set)}, show working`}
        data-figure={id}
      >
        {children ?? amount(result.value, result.kind, set)}
      </button>
    </Popover>
  );
}

/** A named figure in one row. */
export function FigureRow({ id, sheet }: { id: FigureId; sheet: FigureSheet }) {
  return (
    <div className="figure">
      <span>{FIGURE_NAME[id]}</span>
      <FigureValue id={id} sheet={sheet} />
    </div>
  );
}
