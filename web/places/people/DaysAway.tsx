import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import type { PersonRow } from '../../../contract/people.ts';
import { type NewAbsence, workPlanAddress } from '../../../contract/workPlan.ts';
import { dayAndYear, dayOf } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { useWorkshop } from '../../data/session.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useSend } from '../../widgets/useSend.ts';
import { AwayFromFile } from './AwayFromFile.tsx';

const START: NewAbsence = { from: '', to: '', why: '' };

/** Whole days a person is not there, from today on, and some more: the plan reckons without them. */
export function DaysAway({ row }: { row: PersonRow }) {
  const { timeZone } = useWorkshop();
  const { data } = useOfAddress(workPlanAddress.absences, {});
  const [draft, setDraft] = useState(START);
  const form = useChecked(workPlanAddress.addAbsence, { id: row.id }, draft);
  const dropping = useSend(false, { typed: false });
  const set = (change: Partial<NewAbsence>) => setDraft((now) => ({ ...now, ...change }));
  const today = dayOf(new Date(), timeZone);
  const own = (data ?? []).filter(({ personId, to }) => personId === row.id && to >= today);
  const save = async () => {
    if (await form.save()) setDraft(START);
  };
  return (
    <div className="stack">
      <h3>Days away</h3>
      {own.length === 0 && <p className="soft small">None from today on.</p>}
      {own.map(({ id, from, to, why }) => {
        const span = from === to ? dayAndYear(from) : `${dayAndYear(from)} to ${dayAndYear(to)}`;
        return (
          <div key={id} className="spread" data-away={from}>
            <span>
              {span} <span className="soft small">{why}</span>
            </span>
            <Button
              type="text"
              size="small"
              icon={<DeleteOutlined />}
              aria-label={`Take ${span} out`}
              loading={dropping.busy}
              onClick={() => void dropping.go(workPlanAddress.dropAbsence, { id })}
            />
          </div>
        );
      })}
      <EntryForm small save="Enter them" busy={form.busy} refusal={form.refusal} onSave={() => void save()}>
        <div className="fields">
          <DayInput
            shown
            label="Away from"
            value={draft.from}
            onChange={(from) => set({ from })}
            fault={form.faults.from}
          />
          <DayInput shown label="Away until" value={draft.to} onChange={(to) => set({ to })} fault={form.faults.to} />
          <TextField label="Why away" value={draft.why} onChange={(why) => set({ why })} fault={form.faults.why} />
        </div>
      </EntryForm>
      <AwayFromFile personId={row.id} />
    </div>
  );
}
