import { Button } from 'antd';
import { useState } from 'react';
import { check } from '../../../../contract/fields.ts';
import { fileAddress } from '../../../../contract/files.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { formatQuantity } from '../../../../core/quantity/format.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { REWORK_NAME } from '../../../../wording/work.ts';
import { useDraft } from '../../../data/draft.ts';
import { useOutbox } from '../../../data/outbox/outbox.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { FilesOf } from '../../../files/FilesOf.tsx';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useAct } from '../../../widgets/useAct.ts';
import { PutRight } from './PutRight.tsx';

/** Faults to put right: noted in a line, put right with one press. */
export function Snags({ job }: { job: JobSheet }) {
  const [text, setText] = useDraft<string>(`snag ${job.id}`);
  const may = useMay(job, 'snag');
  const workshop = useWorkshop();
  const set = useUnitSet();
  const { data: files } = useOfAddress(fileAddress.ofJob, { number: job.number });
  const { acts } = useOutbox();
  const noting = useAct(true);
  const [fault, setFault] = useState<string | null>(null);
  const add = async () => {
    const { problems } = check(stageAddress.noteSnag.body!, { text: text ?? '' });
    setFault(problems.text ?? null);
    if (problems.text) return;
    const says = `snag: ${(text ?? '').trim()}`;
    if (await noting.act({ act: 'snag', number: job.number, text: (text ?? '').trim() }, says)) setText(null);
  };
  const told = acts.flatMap(({ seq, act, refused }) =>
    act.act === 'snag' && act.number === job.number && refused === null ? [{ seq, text: act.text }] : [],
  );
  const open = job.snags.filter((snag) => !snag.closedAt).length;
  return (
    <Panel title="Snags" aside={`${open} open`}>
      {job.snags.map((snag) => (
        <div className="step" key={snag.id}>
          <StateMark mark={snag.closedAt ? 'done' : 'open'} />
          <div className="stack">
            {snag.text}
            <div className="soft small">
              {snag.by}, {dayAndTime(snag.at, workshop.timeZone)}
              {snag.closedAt &&
                `; put right by ${snag.closedBy}${snag.closedHow && `: ${snag.closedHow}`}${snag.cause ? ` (${REWORK_NAME[snag.cause].toLowerCase()})` : ''}${snag.costHours ? `, ${snag.costHours} h` : ''}${snag.costCents ? `, ${formatQuantity(snag.costCents, 'money', set)}` : ''}`}
              <NoteLesson job={job} about="snag" aboutId={snag.id} aboutText={snag.text} />
            </div>
            {files && <FilesOf about="snag" of={snag.id} list={files} name={snag.text} />}
          </div>
          {may && !snag.closedAt && <PutRight id={snag.id} text={snag.text} />}
        </div>
      ))}
      {told.map((one) => (
        <div className="step" key={one.seq}>
          <StateMark mark="waiting" />
          <div>
            {one.text}
            <div className="soft small">waits to be sent</div>
          </div>
        </div>
      ))}
      {may && (
        <EntryForm className="step beside" onSave={() => void add()}>
          <TextField
            label="A fault to put right"
            value={text ?? ''}
            onChange={setText}
            fault={fault ?? noting.why ?? undefined}
          />
          <Button htmlType="submit" loading={noting.busy}>
            Note snag
          </Button>
        </EntryForm>
      )}
    </Panel>
  );
}
