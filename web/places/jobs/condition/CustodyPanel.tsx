import { AutoComplete, Button, Checkbox } from 'antd';
import { useId, useState } from 'react';
import { type CustodyRow, conditionAddress } from '../../../../contract/condition.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { localInstant } from '../../../../wording/zoneDays.ts';
import { useFloor } from '../../../data/resources.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { faultOf, Labelled } from '../../../widgets/Labelled.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { TimeInput } from '../../../widgets/TimeInput.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

type Job = Pick<JobSheet, 'number' | 'state'>;

/** Who has the vehicle, since when, with which list; and who has had it. */
export function CustodyPanel({ job, custody }: { job: Job; custody: readonly CustodyRow[] }) {
  const { timeZone } = useWorkshop();
  const may = useMay(job, 'register');
  const [handing, setHanding] = useState(false);
  const out = custody.find(({ backAt }) => backAt === null);
  const late = out?.dueBack && Date.parse(out.dueBack) < Date.now();
  return (
    <Panel
      title="Who has the vehicle"
      aside={
        may &&
        !out && (
          <Button size="small" onClick={() => setHanding(true)}>
            Hand it to somebody
          </Button>
        )
      }
    >
      <div className="in stack">
        {!out && !handing && <p className="soft">It is here.</p>}
        {handing && <HandOut job={job} done={() => setHanding(false)} />}
        {out && (
          <div className={late ? 'note stop stack' : 'note wait stack'} data-custody={out.holder}>
            <span>
              <StateMark mark={late ? 'stop' : 'waiting'} /> <strong>{out.holder}</strong> has it since{' '}
              {dayAndTime(out.from, timeZone)}
              {out.what && `, for ${out.what}`}
              {out.dueBack ? `; due back ${dayAndTime(out.dueBack, timeZone)}` : '; nobody has said until when'}. Handed
              over by {out.by}.
            </span>
            {may ? (
              <Back key={out.id} row={out} />
            ) : (
              <span className="small">{out.list.map(({ what }) => what).join(', ')}</span>
            )}
          </div>
        )}
        {custody
          .filter(({ backAt }) => backAt !== null)
          .map((row) => (
            <p key={row.id} className="small">
              {row.holder}
              {row.what && `, ${row.what}`}: {dayAndTime(row.from, timeZone)} to {dayAndTime(row.backAt!, timeZone)},
              back with {row.backBy}.{' '}
              {row.list.some(({ back }) => !back) && (
                <span className="wait">
                  Without{' '}
                  {row.list
                    .filter(({ back }) => !back)
                    .map(({ what }) => what)
                    .join(', ')}
                  : {row.backNote}
                </span>
              )}
            </p>
          ))}
      </div>
    </Panel>
  );
}

function HandOut({ job, done }: { job: Job; done: () => void }) {
  const { timeZone, dayEndH } = useWorkshop();
  const [holder, setHolder] = useState('');
  const holderId = useId();
  // Under the name of a firm of the Floor, the plan knows that it is there.
  const firms = useFloor().data?.places.flatMap(({ kind, name }) => (kind === 'outside' ? [name] : [])) ?? [];
  const [what, setWhat] = useState('');
  const [day, setDay] = useState('');
  const [hour, setHour] = useState(dayEndH);
  const [list, setList] = useState('keys, registration papers');
  const time = `${String(Math.floor(hour)).padStart(2, '0')}:${String(Math.round((hour % 1) * 60)).padStart(2, '0')}`;
  const form = useChecked(
    conditionAddress.handOut,
    { number: job.number },
    {
      ...{ holder, what, dueBack: day ? new Date(localInstant(day, time, timeZone)).toISOString() : null },
      list: list
        .split(',')
        .map((one) => one.trim())
        .filter(Boolean),
    },
  );
  return (
    <EntryForm
      className="stack lesson"
      save="Handed over"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        <Labelled label="To whom" id={holderId} fault={form.faults.holder}>
          <AutoComplete
            id={holderId}
            value={holder}
            options={firms.map((value) => ({ value }))}
            onChange={setHolder}
            {...faultOf(holderId, form.faults.holder)}
          />
        </Labelled>
        <TextField label="What for" value={what} onChange={setWhat} fault={form.faults.what} />
        <DayInput shown label="Due back" value={day} onChange={setDay} fault={form.faults.dueBack} />
        <TimeInput label="At" value={hour} onChange={setHour} />
      </div>
      <TextField label="What goes along, apart by commas" value={list} onChange={setList} fault={form.faults.list} />
    </EntryForm>
  );
}

function Back({ row }: { row: CustodyRow }) {
  const [back, setBack] = useState(row.list.map(() => true));
  const [note, setNote] = useState('');
  const form = useChecked(conditionAddress.back, { id: row.id }, { back, note });
  return (
    <EntryForm small save="It is back" busy={form.busy} refusal={form.refusal} onSave={() => void form.save()}>
      <div className="row" style={{ flexWrap: 'wrap' }}>
        {row.list.map(({ what }, i) => (
          <Checkbox
            key={i}
            checked={back[i] ?? false}
            onChange={({ target }) => setBack(back.map((one, k) => (k === i ? target.checked : one)))}
          >
            {what}
          </Checkbox>
        ))}
      </div>
      {back.includes(false) && (
        <TextField label="What became of the rest" value={note} onChange={setNote} fault={form.faults.note} />
      )}
    </EntryForm>
  );
}
