import { formatQuantity } from '../../../core/quantity/format.ts';
import type { MonthHours, ShopSummary } from '../../../core/shop/shopFigures.ts';
import { useUnitSet } from '../../data/session.tsx';

interface Props {
  readonly summary: ShopSummary;
  readonly hours: readonly MonthHours[];
  readonly hourCostCents: number;
}

const percent = (share: number | null) => (share === null ? '–' : `${Math.round(share * 100)} %`);

/** The figures a manager wants first: what went out, whether in time, and what was lost on the way. */
export function Tellers({ summary, hours, hourCostCents }: Props) {
  const set = useUnitSet();
  const lost = hours.reduce((sum, { kind, hours: h }) => sum + (kind === 'rework' || kind === 'waiting' ? h : 0), 0);
  const off = summary.accuracy === null ? null : Math.round((summary.accuracy - 1) * 100);
  const tellers = [
    { is: String(summary.done), says: summary.done === 1 ? 'vehicle handed over' : 'vehicles handed over', tone: '' },
    {
      is: percent(summary.keptShare),
      says: summary.keptShare === null ? 'nothing of it was promised' : 'of the promises kept',
      tone: summary.keptShare !== null && summary.keptShare < 0.8 ? 'wait' : '',
    },
    {
      is: summary.medianDays === null ? '–' : `${Math.round(summary.medianDays)} days`,
      says: 'from the first hour to the last, in the middle',
      tone: '',
    },
    {
      is: off === null ? '–' : `${off > 0 ? '+' : off < 0 ? '−' : ''}${Math.abs(off)} %`,
      says: 'hours taken against hours planned',
      tone: off !== null && Math.abs(off) > 15 ? 'wait' : '',
    },
    {
      is: formatQuantity(Math.round(lost * hourCostCents), 'money', set),
      says: `${lost.toFixed(0)} h of rework and waiting, at what an hour costs`,
      tone: 'wait',
    },
    {
      is: `${percent(summary.reworkShare)} · ${percent(summary.waitingShare)}`,
      says: 'of all hours were rework · waiting',
      tone: '',
    },
  ];
  return (
    <div className="tellers">
      {tellers.map(({ is, says, tone }) => (
        <div key={says} className="teller">
          <strong className={tone}>{is}</strong>
          <span className="soft small">{says}</span>
        </div>
      ))}
    </div>
  );
}
