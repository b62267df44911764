import { Link } from 'react-router';
import { type DoneJob, daysLate } from '../../../core/shop/shopFigures.ts';
import { dayAndYear } from '../../../wording/dates.ts';
import { DataTable } from '../../widgets/DataTable.tsx';
import { Panel } from '../../widgets/Panel.tsx';

/** The jobs behind the charts, the newest first. */
export function JobsDone({ done }: { done: readonly DoneJob[] }) {
  return (
    <Panel title="Handed over in this time" aside="the numbers behind the charts">
      <div className="in">
        <DataTable
          label="Jobs handed over"
          rows={done.toReversed()}
          least={720}
          rowKey={({ number }) => number}
          rowMark={({ number }) => ({ 'data-done': number, className: '' })}
          empty="Nothing was handed over in this time."
          columns={({ words, figures }) => [
            words('Job', ({ number, title }) => (
              <Link className="in-text" to={`/jobs/${number}/build`}>
                {number} {title}
              </Link>
            )),
            words('Handed over', ({ doneOn }) => dayAndYear(doneOn)),
            words('Promised', (job) => {
              const late = daysLate(job);
              return job.promised === null ? (
                <span className="soft">no day</span>
              ) : (
                <>
                  {dayAndYear(job.promised)}{' '}
                  {late !== null && late > 0 && <span className="wait">{late} days late</span>}
                </>
              );
            }),
            figures('Days', ({ days }) => days),
            figures('Planned', ({ plannedHours }) => `${plannedHours.toFixed(0)} h`),
            figures('Taken', ({ tookHours }) => `${tookHours.toFixed(0)} h`),
            figures('Rework', ({ reworkHours }) => (reworkHours > 0 ? `${reworkHours.toFixed(1)} h` : '')),
          ]}
        />
      </div>
    </Panel>
  );
}
