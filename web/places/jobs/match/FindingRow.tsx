import { Button, Popover } from 'antd';
import { useState } from 'react';
import { jobAddress } from '../../../../contract/jobChange.ts';
import type { Finding } from '../../../../core/fit/finding.ts';
import { LIKELY_ERROR, WORTH_MEASURING } from '../../../../core/vehicle/vehicleFigures.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { VEHICLE_FIGURE_NAME } from '../../../../wording/figures.ts';
import { findingSentence, marginText, nextAction, RULE_NAME, sources, VERDICT_NAME } from '../../../../wording/fit.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { VERDICT_MARK } from '../../../widgets/verdictMark.ts';
import { useOpenJob } from '../openJob.ts';

function DecisionForm({ finding, done }: { finding: Finding; done: () => void }) {
  const { job } = useOpenJob('job');
  const [reason, setReason] = useState('');
  const decision = finding.verdict === 'afterWork' ? 'accepted' : 'overridden';
  const { rule, subject } = finding;
  const form = useChecked(jobAddress.decide, { number: job.number }, { rule, subject, decision, reason });
  const save = async () => {
    if (await form.save()) done();
  };
  return (
    <EntryForm
      style={{ width: 250 }}
      save={decision === 'accepted' ? 'Accept the work' : 'Override'}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void save()}
    >
      <TextField
        label={decision === 'accepted' ? 'Why the work is accepted' : 'Why it is taken all the same'}
        value={reason}
        onChange={setReason}
        fault={form.faults.reason}
      />
    </EntryForm>
  );
}

/** A verdict: what was compared, both figures, margin, where they came from, and what to do next. */
export function FindingRow({ finding }: { finding: Finding }) {
  const set = useUnitSet();
  const { job } = useOpenJob('job');
  const workshop = useWorkshop();
  const manager = useMay(job, 'decide');
  const [open, setOpen] = useState(false);
  const decided = job.decisions.findLast((d) => d.rule === finding.rule && d.subject === finding.subject);
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
            {decided.decision === 'accepted' ? 'Accepted' : 'Overridden'} by {decided.by},{' '}
            {dayAndTime(decided.at, workshop.timeZone)}: {decided.reason}
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
        {manager && finding.verdict !== 'fits' && !decided && (
          <div>
            <Popover
              trigger="click"
              open={open}
              onOpenChange={setOpen}
              content={<DecisionForm finding={finding} done={() => setOpen(false)} />}
              destroyOnHidden
            >
              <Button size="small" aria-label={`Decide on ${RULE_NAME[finding.rule]}, ${finding.subject}`}>
                Decide
              </Button>
            </Popover>
          </div>
        )}
      </div>
    </div>
  );
}
