import { Button } from 'antd';
import { fileAddress } from '../../../../contract/files.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { useDraft } from '../../../data/draft.ts';
import { useOfAddress } from '../../../data/resources.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { FilesOf } from '../../../files/FilesOf.tsx';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useSend } from '../../../widgets/useSend.ts';

/** Faults to put right: noted in a line, put right with one press. */
export function Snags({ job }: { job: JobSheet }) {
  const [text, setText] = useDraft<string>(`snag ${job.id}`);
  const sending = useSend(true);
  const may = useMay(job, 'snag');
  const workshop = useWorkshop();
  const { data: files } = useOfAddress(fileAddress.ofJob, { number: job.number });
  const form = useChecked(stageAddress.noteSnag, { number: job.number }, { text: text ?? '' });
  const add = async () => {
    if (await form.save()) setText(null);
  };
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
              {snag.closedAt && `; put right by ${snag.closedBy}`}
              <NoteLesson job={job} about="snag" aboutId={snag.id} aboutText={snag.text} />
            </div>
            {files && <FilesOf about="snag" of={snag.id} list={files} name={snag.text} />}
          </div>
          {may && !snag.closedAt && (
            <Button
              size="small"
              onClick={() => void sending.go(stageAddress.closeSnag, { id: snag.id })}
              aria-label={`Put right: ${snag.text}`}
            >
              Put right
            </Button>
          )}
        </div>
      ))}
      {may && (
        <EntryForm className="step beside" onSave={() => void add()}>
          <TextField
            label="A fault to put right"
            value={text ?? ''}
            onChange={setText}
            fault={form.faults.text ?? form.refusal ?? undefined}
          />
          <Button htmlType="submit" loading={form.busy}>
            Note snag
          </Button>
        </EntryForm>
      )}
    </Panel>
  );
}
