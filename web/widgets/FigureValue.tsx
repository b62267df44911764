import { Popover } from 'antd';
import { memo, type ReactNode, type RefObject, useMemo, useRef, useState } from 'react';
import { sensitivities } from '../../core/brief/sensitivity.ts';
import type { FigureSheet, Result } from '../../core/figures/evaluate.ts';
import { FIGURES, type FigureId } from '../../core/figures/index.ts';
import { formatHours, formatQuantity } from '../../core/quantity/format.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { LIKELY_ERROR, VEHICLE_FIGURES, type VehicleFigureId } from '../../core/vehicle/vehicleFigures.ts';
import { FIGURE_NAME, reasonText, VEHICLE_FIGURE_NAME } from '../../wording/figures.ts';
import { useUnitSet } from '../data/session.tsx';
import { DataTable } from './DataTable.tsx';
import { SourceMark } from './SourceMark.tsx';

export const amount = (value: number, kind: QuantityKind, set: UnitSet) =>
  kind === 'hours' ? formatHours(value) : formatQuantity(value, kind, set);

/** Inputs with their sources, the formula as a person would write it, the result, and where the formula comes from. */
function WorkingText({ result, sheet }: { result: Result; sheet: FigureSheet }) {
  const set = useUnitSet();
  const { working, rests, value, kind } = result;
  if (!working || value === null || !kind) return null;
  return (
    <div style={{ maxWidth: 430 }} className="small working">
      <p className="strong">{working.formula}</p>
      {working.terms.length > 0 && (
        <DataTable
          label="What it is made of"
          head={false}
          rows={[
            ...working.terms.map((term) => ({ ...term, strong: '' })),
            { symbol: 'result', value, kind, strong: 'strong' },
          ]}
          columns={({ words, figures }) => [
            words('Term', (term) => <span className={term.strong}>{term.symbol}</span>),
            figures('Value', (term) => <span className={term.strong}>{amount(term.value, term.kind, set)}</span>),
          ]}
        />
      )}
      {working.held && <p>Held back by: {working.held}.</p>}
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
    <DataTable
      label="Vehicle figures it rests on"
      head={false}
      rows={order.map((id) => ({ id, sourced: sheet.slots.vehicle.figures[id] }))}
      rowKey={({ id }) => id}
      columns={({ words, figures }) => [
        words('Figure', ({ id }) => (
          <>
            {VEHICLE_FIGURE_NAME[id].toLowerCase()}
            {moved(id) && (
              <div className="soft">
                often {share(LIKELY_ERROR[id])} off, moves this by {share(moved(id)!.share)}
              </div>
            )}
          </>
        )),
        figures('Value', ({ id, sourced }) => amount(sourced.value, VEHICLE_FIGURES[id], set)),
        words('Source', ({ sourced }) => <SourceMark of={sourced} />),
      ]}
    />
  );
}

/** A computed figure which opens its working in place; without a value it says what is missing. */
export function FigureValue({ id, sheet, children }: { id: FigureId; sheet: FigureSheet; children?: ReactNode }) {
  const latest = useRef(sheet);
  latest.current = sheet;
  return (
    <ShownFigure id={id} result={sheet.get(FIGURES[id])} latest={latest}>
      {children}
    </ShownFigure>
  );
}

interface Shown {
  readonly id: FigureId;
  readonly result: Result;
  /** The sheet as it is when the working is opened. */
  readonly latest: RefObject<FigureSheet>;
  readonly children?: ReactNode;
}

/** Drawn again only when its own figure changed; its working is made when somebody asks for it. */
const ShownFigure = memo(function ShownFigure({ id, result, latest, children }: Shown) {
  const set = useUnitSet();
  const [open, setOpen] = useState(false);
  if (result.value === null || !result.kind)
    return <span className="soft small">{result.reason ? reasonText(result, set) : 'measure'}</span>;
  const value = (
    <button
      type="button"
      className="open-working"
      aria-label={`${FIGURE_NAME[id]}: ${amount(result.value, result.kind, set)}, show working`}
      data-figure={id}
      onClick={() => setOpen(true)}
    >
      {children ?? amount(result.value, result.kind, set)}
    </button>
  );
  if (!open) return value;
  return (
    <Popover
      open
      onOpenChange={setOpen}
      trigger="click"
      placement="left"
      title={FIGURE_NAME[id]}
      content={<WorkingText result={result} sheet={latest.current} />}
    >
      {value}
    </Popover>
  );
});

/** A named figure in one row. */
export function FigureRow({ id, sheet }: { id: FigureId; sheet: FigureSheet }) {
  return (
    <div className="figure">
      <span>{FIGURE_NAME[id]}</span>
      <FigureValue id={id} sheet={sheet} />
    </div>
  );
}
