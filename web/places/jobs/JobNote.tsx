import type { JobSheet } from '../../../contract/job.ts';
import { type JobAction, jobRefusal } from '../../../core/job/states.ts';
import { refusalSentence } from '../../../wording/job.ts';
import type { StepId } from '../../app/steps.ts';

/** What people come to a step for: when the job's state does not allow it, the step says so before anybody tries. */
const COME_FOR: Record<StepId, JobAction> = {
  brief: 'brief',
  vehicle: 'weigh',
  size: 'design',
  match: 'kit',
  price: 'offer',
  parts: 'parts',
  plan: 'move',
  build: 'clockOn',
  prove: 'sign',
};

/** Why this step is only to be looked at; nothing where it is open. */
export function JobNote({ job, step }: { job: Pick<JobSheet, 'number' | 'state'>; step: StepId }) {
  const refusal = jobRefusal(job.state, COME_FOR[step]);
  if (!refusal) return null;
  return (
    <p className="note" style={{ marginBottom: 10 }}>
      {refusalSentence(job.number, refusal, COME_FOR[step])}
    </p>
  );
}
