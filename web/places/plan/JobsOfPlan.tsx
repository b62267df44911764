import type { WorkPlanSheet } from '../../../contract/workPlan.ts';
import { dayText } from '../../../wording/dates.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';

/** Every job with its promise and the day it is ready by the plan, the latest against its promise first. */
export function JobsOfPlan({ sheet, onPick }: { sheet: WorkPlanSheet; onPick: (stageId: string) => void }) {
  const { facts, plan } = sheet;
  const rows = (plan?.jobs ?? [])
    .flatMap((planned) => {
      const job = facts.jobs.find(({ number }) => number === planned.number);
      return job ? [{ job, planned }] : [];
    })
    .toSorted((a, b) => b.planned.lateDays - a.planned.lateDays || (a.planned.to < b.planned.to ? -1 : 1));
  return (
    <Panel title="Who is ready when">
      <div className="in">
        <DataTable
          label="Jobs of the plan"
          className="close"
          rows={rows}
          rowKey={({ job }) => job.number}
          rowMark={({ job }) => ({ 'data-job': job.number })}
          empty="No job is agreed yet."
          columns={({ words, figures }) => [
            words('Job', ({ job, planned }) => (
              <button
                type="button"
                className="link-like"
                onClick={() => {
                  const first = plan!.stages.find((one) => one.job === planned.number);
                  if (first) onPick(first.id);
                }}
              >
                {`${job.number} ${job.title}`}
              </button>
            )),
            figures('Promised', ({ job }) => (job.promised ? dayText(job.promised) : '–'), { width: 72 }),
            figures(
              'Ready',
              ({ planned }) => (
                <span className={planned.lateDays > 0 ? 'stop strong' : ''}>{dayText(planned.to.slice(0, 10))}</span>
              ),
              { width: 64 },
            ),
          ]}
        />
      </div>
    </Panel>
  );
}
