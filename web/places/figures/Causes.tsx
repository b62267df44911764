import { formatQuantity } from '../../../core/quantity/format.ts';
import type { CauseSum } from '../../../core/shop/shopFigures.ts';
import { toCsv } from '../../../wording/csv.ts';
import { REWORK_NAME, WAITING_NAME } from '../../../wording/work.ts';
import { useUnitSet } from '../../data/session.tsx';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { saveFile } from '../../widgets/saveFile.ts';

const NAME: Readonly<Record<string, string>> = { ...REWORK_NAME, ...WAITING_NAME };

/** Hours lost by cause, the dearest first, drawn to one scale. */
export function Causes({ title, causes, none }: { title: string; causes: readonly CauseSum[]; none: string }) {
  const set = useUnitSet();
  const most = Math.max(1, ...causes.map(({ hours }) => hours));
  const csv = () =>
    toCsv(
      ['Cause', 'Hours', 'Jobs', 'Cost'],
      causes.map((one) => [NAME[one.cause] ?? one.cause, one.hours, one.jobs, one.cents / 100]),
    );
  return (
    <Panel
      title={title}
      aside={
        causes.length > 0 && (
          <button
            type="button"
            className="link"
            onClick={() =>
              saveFile(`${title.toLowerCase().replace(/ /g, '-')}.csv`, new Blob([csv()], { type: 'text/csv' }))
            }
          >
            CSV
          </button>
        )
      }
    >
      <div className="in">
        <DataTable
          label={title}
          rows={causes}
          rowKey={({ cause }) => cause}
          rowMark={({ cause }) => ({ 'data-cause': cause, className: '' })}
          empty={none}
          columns={({ words, figures }) => [
            words('Cause', ({ cause }) => NAME[cause] ?? cause),
            words(
              <span className="hidden-label">Drawn</span>,
              ({ hours }) => (
                <i
                  style={{ display: 'block', height: 10, width: `${(hours / most) * 100}%`, background: 'var(--tan)' }}
                />
              ),
              { width: '34%' },
            ),
            figures('Hours', ({ hours }) => hours.toFixed(1)),
            figures('Jobs', ({ jobs }) => jobs),
            figures('Cost', ({ cents }) => formatQuantity(cents, 'money', set)),
          ]}
        />
      </div>
    </Panel>
  );
}
