import { useMemo } from 'react';
import type { PlanFacts } from '../../core/plan/facts.ts';
import { isFull, type LoadOf, loadOf } from '../../core/plan/load.ts';
import type { StoredPlan } from '../../core/plan/storedPlan.ts';
import { toCsv } from '../../wording/csv.ts';
import { dayText } from '../../wording/dates.ts';
import { DataTable } from './DataTable.tsx';
import { saveFile } from './saveFile.ts';

/** Weeks across: how full each is, drawn as high as it is full, and said in hours where it is fuller than it should be. */
export function LoadTable({ facts, plan, of }: { facts: PlanFacts; plan: StoredPlan; of: 'people' | 'bays' }) {
  const rows = useMemo(() => loadOf(facts, plan)[of], [facts, plan, of]);
  const weeks = rows[0]?.weeks ?? [];
  const csv = () =>
    toCsv(
      [of === 'people' ? 'Person' : 'Bay', 'Week of', 'Planned h', 'Can give h'],
      rows.flatMap(({ name, weeks: own }) => own.map(({ week, planned, able }) => [name, week, planned, able])),
    );
  return (
    <>
      <DataTable
        label={of === 'people' ? 'Load of people' : 'Load of bays'}
        rows={rows}
        least={860}
        rowKey={({ id }: LoadOf) => id}
        rowMark={({ name }: LoadOf) => ({ 'data-load': name, className: '' })}
        empty="Nothing to plan for."
        columns={({ words }) => [
          words(of === 'people' ? 'Person' : 'Bay', ({ name }: LoadOf) => name, { width: 130 }),
          ...weeks.map(({ week }, i) =>
            words(
              dayText(week),
              ({ weeks: own }: LoadOf) => {
                const one = own[i]!;
                const share = one.able > 0 ? Math.min(1, one.planned / one.able) : one.planned > 0 ? 1 : 0;
                const said = `${one.planned.toFixed(0)} of ${one.able.toFixed(0)} h`;
                return (
                  <div className="load" role="img" aria-label={said} title={said}>
                    {one.able === 0 ? (
                      <span className="soft small whole">away</span>
                    ) : (
                      <>
                        <i style={{ height: `${Math.round(share * 22)}px` }} className={isFull(one) ? 'full' : ''} />
                        <span className={isFull(one) ? 'wait small num' : 'soft small num'}>
                          {one.planned >= 0.5 ? one.planned.toFixed(0) : ''}
                        </span>
                      </>
                    )}
                  </div>
                );
              },
              { width: 58 },
            ),
          ),
        ]}
      />
      <button
        type="button"
        className="link small"
        onClick={() => saveFile(`load-of-${of}.csv`, new Blob([csv()], { type: 'text/csv' }))}
      >
        CSV
      </button>
    </>
  );
}
