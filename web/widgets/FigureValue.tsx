import { Popover } from 'antd';
import { type ReactNode, useMemo } from 'react';
import { sensitivities } from '../../core/brief/sensitivity.ts';
import type { FigureSheet, Result } from '../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../core/figures/index.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { LIKELY_ERROR, VEHICLE_FIGURES, type VehicleFigureId } from '../../core/vehicle/vehicleFigures.ts';
import { FIGURE_NAME, MISSING, VEHICLE_FIGURE_NAME } from '../../wording/figures.ts';
import { useUnitSet } from '../data/session.tsx';
import { SourceMark } from './SourceMark.tsx';

export const amount = (value: number, kind: QuantityKind, set: UnitSet) =>
  kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, set);

/** Inputs with their sources, the formula as a person would write it, the result, and where the formula comes from. */
export function WorkingText({ result, sheet }: { result: Result; sheet: FigureSheet }) {
  const set = useUnitSet();
  const { working, rests, value, kind } = result;
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
      {rests.length > 0 && <RestsOn result={result} sheet={sheet} />}
    </div>
  );
}

/**
 * Every vehicle figure a result rests on with its source. Unmeasured ones say how far they move the result when they are
 * off as usual; what moves it most stands first.
 */
function RestsOn({ result, sheet }: { result: Result; sheet: FigureSheet }) {
  const set = useUnitSet();
  const moves = useMemo(() => sensitivities(sheet, [result.id as FigureId]), [sheet, result.id]);
  const moved = (id: VehicleFigureId) => moves.find((one) => one.input === id);
  const share = (value: number) => formatQuantity(value, 'share', set);
  const order = [...result.rests].sort((a, b) => (moved(b)?.share ?? 0) - (moved(a)?.share ?? 0));
  return (
    <table className="list" style={{ marginTop: 6 }} aria-label="Vehicle figures it rests on">
      <tbody>
        {order.map((id) => {
          const sourced = sheet.slots.vehicle.figures[id];
          return (
            <tr key={id}>
              <td>
                {VEHICLE_FIGURE_NAME[id].toLowerCase()}
                {moved(id) && (
                  <div className="soft">
                    often {share(LIKELY_ERROR[id])} off, moves this by {share(moved(id)!.share)}
                  </div>
                )}
              </td>
              <td className="num">{amount(sourced.value, VEHICLE_FIGURES[id], set)}</td>
              <td>
                <SourceMark of={sourced} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
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
