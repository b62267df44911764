import { BulbOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import type { JobSheet } from '../../contract/job.ts';
import { lessonAddress } from '../../contract/lessons.ts';
import type { LessonAbout } from '../../core/kit/lessons.ts';
import { useMay } from '../data/useMay.ts';
import { EntryForm } from '../widgets/EntryForm.tsx';
import { QuantityInput } from '../widgets/QuantityInput.tsx';
import { TextField } from '../widgets/TextField.tsx';
import { useChecked } from '../widgets/useChecked.ts';

interface Props {
  readonly job: Pick<JobSheet, 'number' | 'state'>;
  readonly about: LessonAbout;
  readonly aboutId: string;
  /** What it is about, in words people know. */
  readonly aboutText: string;
}

/** What to do otherwise next time, noted where it was learnt; it waits at the kit of the job. */
export function NoteLesson({ job, about, aboutId, aboutText }: Props) {
  const may = useMay(job, 'lesson');
  const [open, setOpen] = useState(false);
  if (!may) return null;
  return (
    <Popover
      trigger="click"
      open={open}
      onOpenChange={setOpen}
      title="What to change next time"
      destroyOnHidden
      content={
        <LessonForm job={job} about={about} aboutId={aboutId} aboutText={aboutText} done={() => setOpen(false)} />
      }
    >
      <Button size="small" type="text" icon={<BulbOutlined />} aria-label={`Note a lesson: ${aboutText}`}>
        Lesson
      </Button>
    </Popover>
  );
}

function LessonForm({ job, about, aboutId, aboutText, done }: Props & { done: () => void }) {
  const [text, setText] = useState('');
  const [costHours, setHours] = useState<number | null>(null);
  const [cents, setCents] = useState<number | null>(null);
  const costCents = cents === null ? null : Math.round(cents);
  const form = useChecked(
    lessonAddress.note,
    { number: job.number },
    { about, aboutId, aboutText: aboutText.slice(0, 200), text, costHours, costCents },
  );
  return (
    <div style={{ width: 300 }}>
      <EntryForm
        small
        save="Note the lesson"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void form.save().then((saved) => saved && done())}
      >
        <TextField
          label="What to change in the kit or the work"
          value={text}
          onChange={setText}
          fault={form.faults.text}
        />
        <div className="fields pair">
          <QuantityInput
            label="Hours it cost"
            kind="hours"
            mayBeEmpty
            value={costHours}
            onChange={setHours}
            fault={form.faults.costHours}
          />
          <QuantityInput
            label="Money it cost"
            kind="money"
            mayBeEmpty
            value={cents}
            onChange={setCents}
            fault={form.faults.costCents}
          />
        </div>
      </EntryForm>
    </div>
  );
}
