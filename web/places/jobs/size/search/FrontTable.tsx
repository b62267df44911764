import { Button } from 'antd';
import { formatQuantity } from '../../../../../core/quantity/format.ts';
import type { SearchTask } from '../../../../../core/search/combination.ts';
import type { Ranked } from '../../../../../core/search/rank.ts';
import { BRIEF_NAME } from '../../../../../wording/brief.ts';
import { useUnitSet } from '../../../../data/session.tsx';
import { DataTable } from '../../../../widgets/DataTable.tsx';
import { Panel } from '../../../../widgets/Panel.tsx';
import { useBayName } from '../../bayName.ts';
import { useOpenJob } from '../../openJob.ts';

/** So many rows are read; the chart has them all. */
const ROWS = 12;

/** The front in the order of the wishes, the picked one ready to be adopted as a design. */
export function FrontTable({
  ranked,
  task,
  picked,
  onPick,
  adopt,
  busy,
}: {
  ranked: readonly Ranked[];
  task: SearchTask;
  picked: number;
  onPick: (index: number) => void;
  adopt: (() => void) | null;
  busy: boolean;
}) {
  const { shelves, job, vehicle } = useOpenJob('shelves', 'job', 'vehicle');
  const bayName = useBayName(vehicle);
  const set = useUnitSet();
  const name = (id: string | null) => (id ? (shelves.components.get(id)?.name ?? id) : 'none');
  const shown = ranked.flatMap((row, place) => (place < ROWS || place === picked ? [{ ...row, place }] : []));
  const boxesOf = (choice: Ranked['choice']) =>
    choice.counts.flatMap((n, k) => (n > 0 ? [`${n} ${bayName(task.space.bays[k]?.bay ?? '')}`] : [])).join(', ');
  return (
    <Panel
      title={`${ranked.length} best trade-offs, nearest to the wishes first`}
      aside={
        adopt && (
          <Button type="primary" size="small" loading={busy} onClick={adopt}>
            Adopt as a design
          </Button>
        )
      }
    >
      <div className="in" style={{ overflowX: 'auto' }}>
        <DataTable
          label="Best trade-offs"
          rows={shown}
          rowKey={(row) => String(row.place)}
          rowMark={(row) => ({ className: row.place === picked ? 'picked' : '' })}
          pick={{
            key: String(picked),
            say: (row) => `Look at trade-off ${row.place + 1}`,
            onPick: (row) => onPick(row.place),
          }}
          columns={({ words, figures }) => [
            words('Design', ({ choice, unmet }) => (
              <>
                {boxesOf(choice)} of {name(choice.moduleId)}
                {choice.strings > 1 ? `, ${choice.strings} strings` : ''}
                <div className="soft small">
                  {name(choice.driveId)}
                  {choice.gear ? `, gear ${choice.gear}` : ''}; {name(choice.chargerId)}
                  {unmet.length > 0 &&
                    `; misses ${unmet
                      .map((id) => job.brief.find((line) => line.id === id))
                      .flatMap((line) => (line ? [BRIEF_NAME[line.kind].toLowerCase()] : []))
                      .join(', ')}`}
                </div>
              </>
            )),
            figures('Wishes', ({ score }) => `${Math.round(score * 100)} %`),
            figures('Range', ({ objectives }) => formatQuantity(objectives.rangeKm, 'distance', set)),
            figures('Parts', ({ objectives }) => formatQuantity(objectives.priceCents, 'money', set)),
            figures('Off the aim', ({ objectives }) => formatQuantity(objectives.shift, 'share', set)),
            figures('Days', ({ objectives }) => objectives.leadDays),
          ]}
        />
      </div>
    </Panel>
  );
}
