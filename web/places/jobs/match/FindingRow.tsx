import { Button, Popover } from 'antd';
import { useState } from 'react';
import type { VerdictDecision } from '../../../../contract/job.ts';
import { jobAddress } from '../../../../contract/jobChange.ts';
import { type Finding, workOf } from '../../../../core/fit/finding.ts';
import { formatHours, formatQuantity } from '../../../../core/quantity/format.ts';
import type { UnitSet } from '../../../../core/quantity/units.ts';
import { LIKELY_ERROR, WORTH_MEASURING } from '../../../../core/vehicle/vehicleFigures.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { findingSentence, marginText, RULE_NAME, sources, VERDICT_NAME } from '../../../../wording/fit.ts';
import { nextAction } from '../../../../wording/fitNext.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { VERDICT_MARK } from '../../../widgets/verdictMark.ts';
import { useOpenJob } from '../openJob.ts';

/** Going against a rule: a manager says why, and it stays in sight up to the sign-off sheet. */
function OverrideForm({ finding, done }: { finding: Finding; done: () => void }) {
  const { job } = useOpenJob('job');
  const [reason, setReason] = useState('');
  const { rule, subject } = finding;
  const form = useChecked(jobAddress.decide, { number: job.number }, { rule, subject, decision: 'overridden', reason });
  return (
    <EntryForm
      style={{ width: 250 }}
      save="Take it all the same"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Why it is taken all the same" value={reason} onChange={setReason} fault={form.faults.reason} />
    </EntryForm>
  );
}

/** What was taken into the job, in words. */
function takenIn(work: VerdictDecision['work'], set: UnitSet): string {
  if (!work) return '';
  return [
    work.hours > 0 && formatHours(work.hours),
    work.step,
    work.capNm && `cap at ${formatQuantity(work.capNm, 'torque', set)}`,
    work.parts && `${work.parts.reduce((sum, { quantity }) => sum + quantity, 0)} parts on the list`,
  ]
    .filter(Boolean)
    .join(', ');
}

/** A verdict: what was compared, both figures, margin, where they came from, and what to do next. */
export function FindingRow({ finding }: { finding: Finding }) {
  const set = useUnitSet();
  const { job } = useOpenJob('job');
  const workshop = useWorkshop();
  const manager = useMay(job, 'decide');
  const [open, setOpen] = useState(false);
  const last = job.decisions.findLast((d) => d.rule === finding.rule && d.subject === finding.subject);
  const decided = last && last.decision !== 'takenBack' ? last : null;
  const sending = useSend();
  const { rule, subject } = finding;
  const decide = (decision: VerdictDecision['decision']) =>
    void sending.go(jobAddress.decide, { number: job.number }, { rule, subject, decision, reason: '' });
  const work = workOf(finding, RULE_NAME[rule]);
  const unmeasured = finding.unmeasured.filter((id) => LIKELY_ERROR[id] > WORTH_MEASURING);
  const action = nextAction(finding, set);
  const short = finding.verdict === 'doesNotFit';
  return (
    <div className={`finding ${finding.verdict}`} data-rule={finding.rule} data-verdict={finding.verdict}>
      <StateMark mark={VERDICT_MARK[finding.verdict]} label={VERDICT_NAME[finding.verdict]} />
      <div>
        <span className="strong">{RULE_NAME[finding.rule]}</span>
        <div className="small">{finding.subject}</div>
      </div>
      <div>
        {findingSentence(finding, set)}
        <div className="soft small">
          {sources(finding)}
          {unmeasured.length > 0 &&
            `; not measured: ${unmeasured.map((id) => VEHICLE_FIGURE_NAME[id].toLowerCase()).join(', ')}`}
        </div>
        {action && <div className="small strong">{action}</div>}
        {decided && (
          <div className="small">
            <span className={decided.decision === 'overridden' ? 'wait strong' : 'strong'}>
              {decided.decision === 'accepted' ? 'Taken into the job' : 'Taken all the same'}
            </span>{' '}
            by {decided.by}, {dayAndTime(decided.at, workshop.timeZone)}
            {decided.reason && `: ${decided.reason}`}
            {decided.work && `: ${takenIn(decided.work, set)}`}
          </div>
        )}
      </div>
      <div className="num">
        <span className={short ? 'stop strong' : 'strong'}>{marginText(finding, set)}</span>
        {finding.verdict !== 'fits' && (
          <NoteLesson
            job={job}
            about="finding"
            aboutId={`${finding.rule} ${finding.subject}`}
            aboutText={`${RULE_NAME[finding.rule]}, ${finding.subject}`}
          />
        )}
        {manager && finding.verdict !== 'fits' && (
          <div className="row" style={{ justifyContent: 'flex-end' }}>
            {!decided && work && (
              <Button
                size="small"
                loading={sending.busy}
                onClick={() => decide('accepted')}
                aria-label={`Take in: ${RULE_NAME[rule]}, ${subject}`}
              >
                {finding.verdict === 'measureFirst' ? 'Put on the list' : 'Take in'}
              </Button>
            )}
            {!decided && short && (
              <Popover
                trigger="click"
                open={open}
                onOpenChange={setOpen}
                content={<OverrideForm finding={finding} done={() => setOpen(false)} />}
                destroyOnHidden
              >
                <Button size="small" aria-label={`Override: ${RULE_NAME[rule]}, ${subject}`}>
                  Override …
                </Button>
              </Popover>
            )}
            {decided && (
              <Button
                size="small"
                type="text"
                loading={sending.busy}
                onClick={() => decide('takenBack')}
                aria-label={`Take back: ${RULE_NAME[rule]}, ${subject}`}
              >
                Take back
              </Button>
            )}
          </div>
        )}
      </div>
    </div>
  );
}
