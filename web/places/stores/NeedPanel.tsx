import { CloseOutlined } from '@ant-design/icons';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { type NeedSheet, needsAddress } from '../../../contract/needs.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { dayAndTime, dayText } from '../../../wording/dates.ts';
import { stockText } from '../../../wording/stores.ts';
import { CHART } from '../../app/theme.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { LineChart } from '../../widgets/LineChart.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { WhoGets } from './WhoGets.tsx';

/** One part: how much there will be day by day, who has what from where, and who could have what is there. */
export function NeedPanel({ id }: { id: string }) {
  const { data, error } = useOfAddress(needsAddress.one, { component: id });
  if (error) return <Panel title="Not found">{error.message}</Panel>;
  if (!data) return <Panel title="One moment …">{null}</Panel>;
  const { row } = data;
  return (
    <>
      <Panel
        title={row.name}
        aside={
          <Link to="/stores/needs" aria-label={`Close ${row.name}`}>
            <CloseOutlined />
          </Link>
        }
      >
        <div className="in stack">
          <p className="soft">
            <Link className="in-text" to={`/stores/counted/${row.componentId}`}>
              {stockText(row.onHand, row.unitSize)} on hand
            </Link>
            , {stockText(row.needed, row.unitSize)} wanted. {row.supplier} takes {row.leadDays} days
            {row.lateDays === null
              ? '; how late they usually are nobody knows yet'
              : row.lateDays > 0
                ? `, usually ${row.lateDays} more`
                : ', usually kept'}
            .
          </p>
          <Curve sheet={data} />
          <Covered sheet={data} />
        </div>
      </Panel>
      {data.choices.length > 0 && <WhoGets sheet={data} />}
      {data.taken.length > 0 && <Taken sheet={data} />}
    </>
  );
}

/** How far beyond the last step the curve is drawn, days. */
const ROOM = 7;

function Curve({ sheet: { curve, withOrder, row } }: { sheet: NeedSheet }) {
  const series = useMemo(() => {
    const points = (steps: NeedSheet['curve'], last: number) => {
      const all = steps.map(({ day, balance }) => ({ x: dayNumber(day), y: balance / row.unitSize }));
      return [...all, { x: last, y: all.at(-1)?.y ?? 0 }];
    };
    const last = Math.max(...[...curve, ...withOrder].map(({ day }) => dayNumber(day))) + ROOM;
    return [
      { label: 'as it stands', points: points(curve, last), colour: CHART.primary, steps: true, width: 2 },
      ...(withOrder.length > 0
        ? [{ label: 'ordered today', points: points(withOrder, last), colour: CHART.tan, steps: true, dash: [4, 3] }]
        : []),
    ];
  }, [curve, withOrder, row.unitSize]);
  if (curve.length < 2) return null;
  return (
    <LineChart
      name={`${row.name} over time`}
      say={`How many of ${row.name} there will be, day by day`}
      series={series}
      x={{ label: '', tick: (day) => formatDay(Math.round(day)) }}
      y={{ label: row.unitSize > 1 ? 'm' : 'pieces' }}
      height={190}
    />
  );
}

const FROM_SAYS = { held: 'held', stock: 'from stock', order: 'from an order', none: 'nothing yet' } as const;

function Covered({ sheet: { lines, row } }: { sheet: NeedSheet }) {
  return (
    <DataTable
      label="Who wants it"
      rows={lines}
      rowKey={({ lineId, from }) => `${lineId} ${from}`}
      empty="Nobody wants it; it has run low."
      columns={({ words, figures }) => [
        words('Who wants it', (line) => (
          <>
            {/^K/.test(line.number) ? (
              <Link className="in-text" to={`/kits/orders/${line.number}`}>
                {line.number}
              </Link>
            ) : (
              <Link className="in-text" to={`/jobs/${line.number}/parts`}>
                {line.number}
              </Link>
            )}{' '}
            <span className="soft">{line.title}</span>
          </>
        )),
        words('From', (line) => (line.neededOn ? dayText(line.neededOn) : <span className="soft">no day</span>)),
        words('Has it', (line) => (
          <span className={line.short > 0 ? 'stop' : ''}>
            {line.short > 0
              ? `${stockText(line.short, row.unitSize)} short`
              : `${FROM_SAYS[line.from]}${line.comesOn ? `, ${dayText(line.comesOn)}` : ''}`}
          </span>
        )),
        figures('So many', (line) => stockText(line.quantity, row.unitSize)),
      ]}
    />
  );
}

function Taken({ sheet: { taken, row } }: { sheet: NeedSheet }) {
  const { timeZone } = useWorkshop();
  const moved = (before: string | null, after: string | null) =>
    before && after && before !== after
      ? `${dayText(before)} → ${dayText(after)}`
      : after
        ? `stays ${dayText(after)}`
        : '';
  return (
    <Panel title="Taken from another job">
      <div className="in">
        {taken.map((one) => (
          <div key={one.id} className="lesson">
            <span className="strong">{`${stockText(one.quantity * row.unitSize, row.unitSize)} from ${one.fromJob} to ${one.toJob}`}</span>
            <div className="soft small">
              {[
                `${dayAndTime(one.at, timeZone)}, ${one.by}`,
                one.why,
                `${one.toJob} ${moved(one.toBefore, one.toAfter)}`,
                `${one.fromJob} ${moved(one.fromBefore, one.fromAfter)}`,
              ].join(' · ')}
            </div>
          </div>
        ))}
      </div>
    </Panel>
  );
}
