import { Button } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type EstimateRow, estimateAddress } from '../../../../contract/estimates.ts';
import { hasRole } from '../../../../contract/rights.ts';
import type { StageActual } from '../../../../core/learning/learnt.ts';
import { dayAndTime, dayAndYear } from '../../../../wording/dates.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { usePerson, useWorkshop } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { useSend } from '../../../widgets/useSend.ts';
import { TookStrip } from './TookStrip.tsx';

const h = (hours: number) => `${Number(hours.toFixed(2))} h`;
const keyOf = ({ key, variantId }: EstimateRow) => `${key} ${variantId ?? ''}`;

/** Hours of a kit's stages: what is reckoned with, what finished vehicles took, and what a manager may adopt. */
export function KitHours({ kitId }: { kitId: string }) {
  const { data } = useOfAddress(estimateAddress.ofKit, { kit: kitId });
  const [all, setAll] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  if (!data || data.rows.every(({ actuals }) => actuals.length === 0)) return null;
  const rows = data.rows.filter((row) => all || row.worth || row.adopted || keyOf(row) === open);
  const off = data.accuracy === null ? null : Math.round((data.accuracy - 1) * 100);
  return (
    <Panel
      title="Hours as they were taken"
      aside={
        <span className="row">
          {off !== null &&
            `${data.vehicles} ${data.vehicles === 1 ? 'vehicle' : 'vehicles'} took ${off === 0 ? 'what' : `${Math.abs(off)} % ${off < 0 ? 'less' : 'more'} than`} was planned`}
          <button type="button" className="link" onClick={() => setAll(!all)}>
            {all ? 'only what differs' : `all ${data.rows.length} stages`}
          </button>
        </span>
      }
    >
      <div className="in stack">
        <DataTable
          label="Hours as they were taken"
          rows={rows}
          least={560}
          rowKey={keyOf}
          rowMark={(row) => ({ 'data-estimate': row.key, className: keyOf(row) === open ? 'picked' : '' })}
          empty="Every stage took what is reckoned with, within a tenth."
          columns={({ words, figures, actions }) => [
            words('Stage', (row) => (
              <>
                <button
                  type="button"
                  className="link-like"
                  onClick={() => setOpen(keyOf(row) === open ? null : keyOf(row))}
                >
                  {row.name}
                </button>
                <div className="soft small">{row.variantName ?? ''}</div>
              </>
            )),
            figures('Reckoned', (row) => h(row.standing), { width: 74 }),
            words('Taken by the last', (row) => <TookStrip row={row} />, { width: 190 }),
            actions('Adopt', (row) => <Adopt row={row} kitId={kitId} />),
          ]}
        />
        {open && <Behind row={data.rows.find((row) => keyOf(row) === open)} />}
      </div>
    </Panel>
  );
}

function Adopt({ row, kitId }: { row: EstimateRow; kitId: string }) {
  const { role } = usePerson();
  const sending = useSend(false, { typed: false });
  const { timeZone } = useWorkshop();
  const { learnt, adopted, standing, moves } = row;
  if (!learnt) return <span className="soft small">fewer than three vehicles</span>;
  if (Math.abs(learnt.hours - standing) < 1 / 60)
    return (
      <span className="soft small">
        {adopted ? `adopted by ${adopted.by}, ${dayAndTime(adopted.at, timeZone)}` : 'as reckoned'}
      </span>
    );
  if (!hasRole(role, estimateAddress.adopt.may)) return null;
  const moved = moves.length === 0 ? 'moves no job that is open' : `moves ${moves.join(', ')}`;
  return (
    <>
      <Button
        size="small"
        type={row.worth ? 'primary' : 'default'}
        loading={sending.busy}
        aria-label={`Reckon ${row.name} at ${h(learnt.hours)}`}
        onClick={() =>
          void sending.go(
            estimateAddress.adopt,
            { kit: kitId },
            { key: row.key, variantId: row.variantId, standing, hours: learnt.hours },
          )
        }
      >
        Reckon {h(learnt.hours)}
      </Button>
      <div className="soft small">{moved}</div>
    </>
  );
}

/** The vehicles behind an estimate, the newest first, rework apart. */
function Behind({ row }: { row: EstimateRow | undefined }) {
  if (!row) return null;
  return (
    <DataTable
      label={`What ${row.name} took`}
      rows={row.actuals}
      rowKey={({ job }: StageActual) => job}
      rowMark={({ job }: StageActual) => ({ 'data-took': job, className: '' })}
      empty="No finished vehicle."
      columns={({ words, figures }) => [
        words('Vehicle', ({ job, title }: StageActual) => (
          <Link className="in-text" to={`/jobs/${job}/build`}>
            {job} {title}
          </Link>
        )),
        words('Finished', ({ day }: StageActual) => dayAndYear(day)),
        figures('Planned', ({ planned }: StageActual) => h(planned)),
        figures('Taken', ({ hours }: StageActual) => <span className="strong">{h(hours)}</span>),
        figures('Rework', ({ reworkHours }: StageActual) =>
          reworkHours > 0 ? <span className="wait">{h(reworkHours)}</span> : '',
        ),
      ]}
    />
  );
}
