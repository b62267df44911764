import { LOG_FINDINGS } from '../../../../core/logs/findings.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { useOpenJob } from '../openJob.ts';

/** What the logs of this vehicle showed beside what its figures had predicted, newest first. */
export function KeptFindings() {
  const { job } = useOpenJob('job');
  const set = useUnitSet();
  const workshop = useWorkshop();
  const { findings } = job.vehicle;
  if (findings.length === 0) return null;
  return (
    <DataTable
      label="Predicted against measured, as kept"
      rows={findings}
      rowKey={({ id }) => id}
      columns={({ words, figures }) => [
        words('Figure', ({ figure }) => LOG_FINDINGS[figure].name),
        figures('Predicted', ({ figure, predicted }) =>
          predicted === null ? '–' : formatQuantity(predicted, LOG_FINDINGS[figure].kind, set),
        ),
        figures('Measured', ({ figure, measured }) => (
          <span className="strong">{formatQuantity(measured, LOG_FINDINGS[figure].kind, set)}</span>
        )),
        figures('Off by', ({ predicted, measured }) =>
          predicted ? formatQuantity(measured / predicted - 1, 'share', set, { signed: true }) : '–',
        ),
        words('Log', ({ log, by, at }) => (
          <span className="soft small">
            {log}, {by}, {dayAndTime(at, workshop.timeZone)}
          </span>
        )),
      ]}
    />
  );
}
