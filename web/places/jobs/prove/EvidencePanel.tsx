import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type EvidenceBody, jobAddress } from '../../../../contract/jobChange.ts';
import { REGIONS } from '../../../../contract/workshop.ts';
import type { Evidence, EvidenceEntry } from '../../../../core/practice/evidence.ts';
import { dayOf, dayText } from '../../../../wording/dates.ts';
import { REGION_NAME } from '../../../../wording/workshop.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { Conflict } from '../../../widgets/Conflict.tsx';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { useOpenJob } from '../openJob.ts';
import { evidenceOfJob } from './evidenceOfJob.ts';

/** Papers that the region wants before the vehicle is handed over; the workshop keeps the list. */
export function EvidencePanel() {
  const { job } = useOpenJob('job');
  const workshop = useWorkshop();
  const may = useMay(job, 'evidence');
  const sending = useSend();
  const wanted = evidenceOfJob(job, workshop);
  const stray = Object.keys(job.evidence).filter((key) => !wanted.some((one) => one.key === key));
  const there = wanted.filter(({ key }) => job.evidence[key]).length;
  return (
    <Panel
      title="Papers its region wants"
      aside={wanted.length > 0 ? `${there} of ${wanted.length} there` : 'none on the workshop’s list'}
    >
      <div className="in stack">
        <div className="fields">
          <Choice
            label="It will be registered in"
            disabled={!may}
            value={job.region ?? workshop.region}
            options={REGIONS.map((one) => ({ value: one, label: REGION_NAME[one] }))}
            onChange={(region) =>
              region &&
              void sending.go(
                jobAddress.region,
                { number: job.number },
                { region: region === workshop.region ? null : region, version: job.version },
              )
            }
            fault={sending.problem?.detail}
          />
        </div>
        {wanted.length === 0 && (
          <p className="soft small">
            What {REGION_NAME[job.region ?? workshop.region]} wants to see stands on the workshop’s page, under How it
            does things. Local rules decide; Dajo never says that a vehicle is legal.
          </p>
        )}
        {[...wanted, ...stray.map((key): Evidence => ({ key, what: `${key}, no longer wanted`, giver: '' }))].map(
          (paper) => (
            <PaperRow key={paper.key} paper={paper} entry={job.evidence[paper.key] ?? null} may={may} />
          ),
        )}
      </div>
    </Panel>
  );
}

function PaperRow({ paper, entry, may }: { paper: Evidence; entry: EvidenceEntry | null; may: boolean }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="spread" data-paper={paper.key}>
      <span className="row">
        <StateMark mark={entry ? 'pass' : 'open'} label={entry ? 'there' : 'missing'} />
        <span>
          {paper.what}
          {paper.giver && <span className="soft">, from {paper.giver}</span>}
        </span>
      </span>
      <span className="row">
        {entry && (
          <span className="soft small">
            {dayText(entry.on)}
            {entry.mark && `, ${entry.mark}`}, entered by {entry.by}
          </span>
        )}
        {may && (
          <Popover
            trigger="click"
            open={open}
            onOpenChange={setOpen}
            title={paper.what}
            destroyOnHidden
            content={<PaperForm paper={paper} entry={entry} done={() => setOpen(false)} />}
          >
            <Button size="small" aria-label={`${entry ? 'Change' : 'Enter'} ${paper.what}`}>
              {entry ? 'Change' : 'Enter'}
            </Button>
          </Popover>
        )}
      </span>
    </div>
  );
}

function PaperForm({ paper, entry, done }: { paper: Evidence; entry: EvidenceEntry | null; done: () => void }) {
  const { job } = useOpenJob('job');
  const { timeZone } = useWorkshop();
  // As it was when this was opened: somebody else may enter it meanwhile.
  const [was] = useState(entry);
  const [on, setOn] = useState(entry?.on ?? dayOf(new Date(), timeZone));
  const [mark, setMark] = useState(entry?.mark ?? '');
  const body: EvidenceBody = { key: paper.key, given: { on, mark }, was };
  const form = useChecked(jobAddress.evidence, { number: job.number }, body);
  const back = useSend();
  return (
    <EntryForm
      small
      save="Enter"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <DayInput label="Given on" shown value={on} onChange={setOn} fault={form.faults['given.on']} />
      <TextField label="Number, or where it lies" value={mark} onChange={setMark} fault={form.faults['given.mark']} />
      {entry && (
        <Button
          type="text"
          size="small"
          onClick={() =>
            void back
              .go(jobAddress.evidence, { number: job.number }, { ...body, given: null })
              .then((ok) => ok && done())
          }
        >
          Take back
        </Button>
      )}
      <Conflict
        of={jobAddress.evidence}
        params={{ number: job.number }}
        sending={form.sending}
        theirs={(now: EvidenceEntry | null) => ({
          key: paper.key,
          given: now && { on: now.on, mark: now.mark },
          was: now,
        })}
        done={done}
      />
    </EntryForm>
  );
}
