import { Progress } from 'antd';
import { USUAL_SPREAD } from '../../../core/plan/sure.ts';
import { USUAL_RUNS } from '../../../core/plan/surePlan.ts';
import { dayText } from '../../../wording/dates.ts';
import type { PlanNames } from '../../../wording/workPlan.ts';
import type { Sureness } from './useSure.ts';

/** A chance under this is told in red; common practice. */
const POOR = 0.5;

/** How sure a job's day is: its promise, the day of an even chance and of nine in ten, and what moves it most. */
export function HowSure({ sure, number, names }: { sure: Sureness; number: string; names: PlanNames }) {
  const job = sure.jobs.get(number);
  const drives = job?.drives && names.stage(job.drives.stageId);
  return (
    <div data-sure={number}>
      <h3>How sure that is</h3>
      {!job ? (
        <Progress percent={Math.round(sure.share * 100)} size="small" aria-label="Runs through the plan" />
      ) : (
        <>
          <p>
            {job.kept !== null && (
              <>
                promise kept:{' '}
                <strong className={job.kept < POOR ? 'stop' : ''}>{`${Math.round(job.kept * 100)} %`}</strong>
                {'; '}
              </>
            )}
            {`even chance ${dayText(job.half)}, nine in ten ${dayText(job.nineInTen)}`}
          </p>
          <p className="soft small">
            {drives && `${drives.name}${drives.job === number ? '' : ` of ${drives.job}`} moves it most. `}
            {`${USUAL_RUNS} runs: stages as finished vehicles took them where that was adopted, else ${USUAL_SPREAD.least} to ${USUAL_SPREAD.most} times as planned; parts as late as their suppliers have been.`}
          </p>
        </>
      )}
    </div>
  );
}
