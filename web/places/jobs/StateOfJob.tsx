import { Button, Popover, Radio } from 'antd';
import { useState } from 'react';
import { jobAddress } from '../../../contract/jobChange.ts';
import { stateMoves } from '../../../core/job/stateMoves.ts';
import type { JobState } from '../../../core/job/states.ts';
import { evidenceMissing } from '../../../core/practice/evidence.ts';
import { CHECKS } from '../../../core/prove/index.ts';
import { moveSentence } from '../../../wording/job.ts';
import { JOB_STATE_NAME } from '../../../wording/work.ts';
import { useWorkshop } from '../../data/session.tsx';
import { useMay } from '../../data/useMay.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useOpenJob } from './openJob.ts';
import { evidenceOfJob } from './prove/evidenceOfJob.ts';

/** The state of the job; a manager takes it to another one, told beforehand what stands against it. */
export function StateOfJob() {
  const { job } = useOpenJob('job');
  const may = useMay(job, 'state');
  const [open, setOpen] = useState(false);
  if (!may) return <span className="small">{JOB_STATE_NAME[job.state]}</span>;
  return (
    <Popover
      trigger="click"
      placement="bottomLeft"
      title="Take the job to"
      open={open}
      onOpenChange={setOpen}
      content={<StateForm key={`${job.state} ${job.version}`} done={() => setOpen(false)} />}
      destroyOnHidden
    >
      <Button
        type="link"
        size="small"
        style={{ padding: 0, height: 'auto' }}
        aria-label={`State of the job: ${JOB_STATE_NAME[job.state]}`}
      >
        {JOB_STATE_NAME[job.state]}
      </Button>
    </Popover>
  );
}

function StateForm({ done }: { done: () => void }) {
  const { job } = useOpenJob('job');
  const workshop = useWorkshop();
  const [state, setState] = useState<JobState | null>(null);
  const [reason, setReason] = useState('');
  const newest = new Map([...job.checks].reverse().map(({ checkId, verdict }) => [checkId, verdict]));
  const clockedOn = job.stages.flatMap((stage) => stage.onIt.map((entry) => entry.initials));
  const moves = stateMoves({
    state: job.state,
    clockedOn,
    openSnags: job.snags.filter((snag) => snag.closedAt === null).length,
    openChecks: CHECKS.filter(({ id }) => newest.get(id) !== 'passed').length,
    missingEvidence: evidenceMissing(evidenceOfJob(job, workshop), job.evidence).length,
    openStages: job.stages.filter((stage) => stage.state !== 'done').length,
  });
  const chosen = moves.find((move) => move.to === state);
  const form = useChecked(
    jobAddress.state,
    { number: job.number },
    { state: state ?? job.state, reason, version: job.version },
  );
  return (
    <div style={{ width: 280 }}>
      <EntryForm
        small
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save().then((saved) => saved && done())}
      >
        <Radio.Group
          aria-label="States it can go to"
          value={state}
          onChange={({ target }) => setState(target.value as JobState)}
          className="stack"
          style={{ gap: 4 }}
        >
          {moves.map(({ to, refusal }) => (
            <div key={to}>
              <Radio value={to} disabled={refusal !== null}>
                {JOB_STATE_NAME[to]}
              </Radio>
              {refusal && <div className="soft small">{moveSentence(job.number, refusal, clockedOn)}</div>}
            </div>
          ))}
        </Radio.Group>
        {chosen && (
          <TextField
            label={chosen.reason ? 'Reason' : 'Reason, if there is one'}
            value={reason}
            onChange={setReason}
            fault={form.faults.reason}
          />
        )}
        <Button type="primary" size="small" htmlType="submit" disabled={!chosen} loading={form.busy}>
          Take it there
        </Button>
      </EntryForm>
    </div>
  );
}
