import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { type NeedRow, needsAddress } from '../../../contract/needs.ts';
import type { NeedState } from '../../../core/stores/needs.ts';
import { dayText } from '../../../wording/dates.ts';
import { stockText } from '../../../wording/stores.ts';
import { NEED_STATE_SAYS } from '../../../wording/storesTables.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useToday } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { type Mark, StateMark } from '../../widgets/StateMark.tsx';
import { TableFile } from '../../widgets/TableFile.tsx';
import { NeedPanel } from './NeedPanel.tsx';
import { Suggested } from './Suggested.tsx';

const MARK: Readonly<Record<NeedState, Mark>> = { short: 'stop', late: 'waiting', order: 'waiting', fine: 'pass' };

/** What is short first, and by when to order, over all jobs. */
export function NeedsLook({ picked }: { picked: string | null }) {
  const { data, error } = useOfAddress(needsAddress.list, {});
  const [all, setAll] = useState(false);
  const navigate = useNavigate();
  const pressing = (data ?? []).filter(({ state }) => state !== 'fine');
  const rows = all ? (data ?? []) : pressing;
  const shown = picked ?? pressing[0]?.componentId ?? data?.[0]?.componentId ?? null;
  return (
    <div className="stores-columns">
      <div className="stack">
        <Panel
          title="What is short, and by when"
          aside={
            data && (
              <span className="row">
                all jobs together, by the plan, else by promise
                <button type="button" className="link" onClick={() => setAll(!all)}>
                  {all ? 'only what presses' : `and ${data.length - pressing.length} that are covered`}
                </button>
                <TableFile href={fileUrl(needsAddress.table, {})} what="Needs" />
              </span>
            )
          }
        >
          <div className="in">
            {error && <p className="stop">{error.message}</p>}
            <DataTable
              label="What is short"
              rows={rows}
              least={700}
              rowKey={({ componentId }) => componentId}
              rowMark={(row) => ({
                'data-need': row.componentId,
                className: row.componentId === shown ? 'picked' : '',
              })}
              empty={data ? 'Nothing is short: every job has what it wants, or it comes in time.' : 'One moment …'}
              columns={({ words, figures }) => [
                words('Part', (row) => (
                  <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
                    <StateMark mark={MARK[row.state]} label={NEED_STATE_SAYS[row.state]} />
                    <span>
                      <button
                        type="button"
                        className="link-like strong"
                        onClick={() => navigate(`/stores/needs/${row.componentId}`)}
                      >
                        {row.name}
                      </button>
                      <div className="soft small">{row.supplier}</div>
                    </span>
                  </span>
                )),
                figures('Needed', (row) => stockText(row.needed, row.unitSize), { width: 64 }),
                figures('On hand', (row) => stockText(row.onHand, row.unitSize), { width: 64 }),
                figures('Ordered', (row) => stockText(row.ordered, row.unitSize), { width: 64 }),
                words('First short', (row) => <First row={row} />, { width: 150 }),
                words('Order by', (row) => <OrderBy row={row} />, { width: 150 }),
              ]}
            />
          </div>
        </Panel>
        <Suggested rows={data ?? []} />
      </div>
      <div className="stack">{shown && <NeedPanel key={shown} id={shown} />}</div>
    </div>
  );
}

function First({ row: { first, unitSize, state } }: { row: NeedRow }) {
  if (!first) return state === 'order' ? <span className="soft">runs low</span> : null;
  return (
    <>
      {/^K/.test(first.number) ? (
        <Link className="in-text" to={`/kits/orders/${first.number}`}>
          {first.number}
        </Link>
      ) : (
        <Link className="in-text" to={`/jobs/${first.number}/parts`}>
          {first.number}
        </Link>
      )}
      {first.neededOn ? `, ${dayText(first.neededOn)}` : ', no day promised'}
      <div className="soft small">
        {first.short === 0 && first.comesOn
          ? `comes ${dayText(first.comesOn)}`
          : `${stockText(first.short, unitSize)} missing`}
      </div>
    </>
  );
}

const DAY_MS = 86_400_000;

function OrderBy({ row: { order, orderBy, unitSize } }: { row: NeedRow }) {
  const today = useToday();
  if (order === 0) return null;
  const late = orderBy !== null ? Math.round((Date.parse(today) - Date.parse(orderBy)) / DAY_MS) : null;
  return (
    <>
      <span className="strong">{`${stockText(order, unitSize)} `}</span>
      {late === null ? (
        <span className="soft">when it is promised</span>
      ) : late > 0 ? (
        <span className="stop">{`${late} ${late === 1 ? 'day' : 'days'} ago`}</span>
      ) : late === 0 ? (
        <span className="wait">today</span>
      ) : (
        `by ${dayText(orderBy!)}`
      )}
    </>
  );
}
