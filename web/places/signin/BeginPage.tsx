import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { sessionAddress } from '../../../contract/session.ts';
import { type Beginning, USUAL_SETTINGS } from '../../../contract/workshop.ts';
import { begin, chooseHouse, useSession } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { WorkingDays } from '../../widgets/WorkingDays.tsx';
import { WorkshopFields } from '../../widgets/WorkshopFields.tsx';

const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Begins a workshop: what it is, and its first manager. */
export default function BeginPage() {
  const { asksWord, houses } = useSession();
  const { region, currency, taxShare, unitSet, workingDays } = USUAL_SETTINGS;
  const [draft, setDraft] = useState<Beginning>({
    name: '',
    timeZone: HERE,
    region,
    currency,
    taxShare,
    unitSet,
    workingDays,
    person: { name: '', signIn: '', password: '' },
    lend: true,
    word: '',
  });
  const set = (change: Partial<Beginning>) => setDraft((now) => ({ ...now, ...change }));
  const person = (change: Partial<Beginning['person']>) => set({ person: { ...draft.person, ...change } });
  const form = useChecked(sessionAddress.begin, {}, draft);
  const { faults } = form;
  return (
    <main className="page narrow" data-begin>
      <h1>Begin your workshop</h1>
      <p className="soft">Everything here can be changed later. You become its first manager.</p>
      <EntryForm onSave={() => void begin(form.save)} refusal={form.refusal}>
        <h2 style={{ marginTop: 12 }}>The workshop</h2>
        <WorkshopFields value={draft} onChange={set} faults={faults} />
        <WorkingDays
          value={draft.workingDays}
          onChange={(days) => set({ workingDays: days })}
          fault={faults.workingDays}
        />
        <h2 style={{ marginTop: 8 }}>You</h2>
        <div className="fields">
          <TextField
            label="Your name"
            value={draft.person.name}
            onChange={(name) => person({ name })}
            fault={faults['person.name']}
            autoComplete="name"
          />
          <TextField
            label="Name to sign in with"
            value={draft.person.signIn}
            onChange={(signIn) => person({ signIn })}
            fault={faults['person.signIn']}
            autoComplete="username"
          />
          <TextField
            label="Password (10 or more)"
            type="password"
            value={draft.person.password}
            onChange={(password) => person({ password })}
            fault={faults['person.password']}
            autoComplete="new-password"
          />
          {asksWord && (
            <TextField
              label="Word that the start has printed"
              value={draft.word}
              onChange={(word) => set({ word })}
              fault={faults.word}
            />
          )}
        </div>
        <Checkbox checked={draft.lend} onChange={(event) => set({ lend: event.target.checked })}>
          Lend me the basics: typical cables, fuses, precharge resistors and lists of stages, marked as library, not
          priced
        </Checkbox>
        <div className="row">
          <Button type="primary" htmlType="submit" loading={form.busy}>
            Begin
          </Button>
          {houses && (
            <Button type="link" onClick={() => chooseHouse('sample')}>
              Look round the sample first
            </Button>
          )}
        </div>
      </EntryForm>
    </main>
  );
}
