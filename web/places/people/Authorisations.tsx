import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type Authorisation, type NewAuthorisation, type PersonRow, peopleAddress } from '../../../contract/people.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { dayOf } from '../../../wording/dates.ts';
import { useWorkshop } from '../../data/session.tsx';
import { FilesOf } from '../../files/FilesOf.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** High-voltage authorisations of a person: those there are, and another one. */
export function Authorisations({ row }: { row: PersonRow }) {
  const { timeZone } = useWorkshop();
  const today = dayOf(new Date(), timeZone);
  const start = { validFrom: today, validUntil: '', givenBy: '', paper: '' };
  const [draft, setDraft] = useState<NewAuthorisation>(start);
  const form = useChecked(peopleAddress.authorise, { id: row.id }, draft);
  const set = (change: Partial<NewAuthorisation>) => setDraft((now) => ({ ...now, ...change }));
  const save = async () => {
    if (await form.save()) setDraft(start);
  };
  return (
    <div className="stack">
      <h3>High-voltage authorisation</h3>
      {row.authorisations.length === 0 && <p className="soft small">None: {row.name} does no live work alone.</p>}
      {row.authorisations.map((one) => (
        <div key={one.id} data-authorisation>
          <div className="spread">
            <span>
              {one.validFrom ? `${formatDay(dayNumber(one.validFrom), 0)} to ` : 'until '}
              {formatDay(dayNumber(one.validUntil), 0)}
              <span className="soft small">
                {' '}
                {[one.givenBy && `by ${one.givenBy}`, one.paper].filter(Boolean).join(', ')}
                {one.endedOn && `; ended ${formatDay(dayNumber(one.endedOn), 0)}: ${one.endedWhy}`}
              </span>
            </span>
            {!one.endedOn && one.validUntil >= today && <End one={one} />}
          </div>
          <FilesOf about="authorisation" of={one.id} name={`the authorisation until ${one.validUntil}`} />
        </div>
      ))}
      <EntryForm small save="Authorise" busy={form.busy} refusal={form.refusal} onSave={() => void save()}>
        <div className="fields">
          <DayInput
            label="First day"
            shown
            value={draft.validFrom}
            onChange={(validFrom) => set({ validFrom })}
            fault={form.faults.validFrom}
          />
          <DayInput
            label="Last day"
            shown
            value={draft.validUntil}
            onChange={(validUntil) => set({ validUntil })}
            fault={form.faults.validUntil}
          />
          <TextField
            label="Given by"
            value={draft.givenBy}
            onChange={(givenBy) => set({ givenBy })}
            fault={form.faults.givenBy}
          />
          <TextField
            label="Its paper"
            value={draft.paper}
            onChange={(paper) => set({ paper })}
            fault={form.faults.paper}
          />
        </div>
      </EntryForm>
    </div>
  );
}

function End({ one }: { one: Authorisation }) {
  const [why, setWhy] = useState('');
  const form = useChecked(peopleAddress.endAuthorisation, { id: one.id }, { why });
  return (
    <Popover
      trigger="click"
      title="End it today"
      destroyOnHidden
      content={
        <EntryForm small save="End it" busy={form.busy} refusal={form.refusal} onSave={() => void form.save()}>
          <TextField label="Reason" value={why} onChange={setWhy} fault={form.faults.why} />
        </EntryForm>
      }
    >
      <Button size="small">End it</Button>
    </Popover>
  );
}
