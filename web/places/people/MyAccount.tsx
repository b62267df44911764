import { App, Button, Drawer } from 'antd';
import { useState } from 'react';
import { peopleAddress } from '../../../contract/people.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useSend } from '../../widgets/useSend.ts';
import { MyCalendars } from './MyCalendars.tsx';

/** One's own password, and where one is signed in. */
export default function MyAccount({ onClose }: { onClose: () => void }) {
  const { name, role } = usePerson();
  const { timeZone } = useWorkshop();
  const { message } = App.useApp();
  const { data: sessions, mutate } = useOfAddress(peopleAddress.sessions, {});
  const [draft, setDraft] = useState({ now: '', next: '' });
  const form = useChecked(peopleAddress.password, {}, draft);
  const other = useSend(false, { typed: false });
  const elsewhere = (sessions ?? []).filter((one) => !one.here);
  const save = async () => {
    if (!(await form.save())) return;
    setDraft({ now: '', next: '' });
    void message.success('Your new password counts from now on. Other places are signed out.');
    void mutate();
  };
  const signOutElsewhere = async () => {
    await other.go(peopleAddress.signOutElsewhere, {});
    void mutate();
  };
  return (
    <Drawer open title={name} onClose={onClose} size={480}>
      <div className="stack">
        <h3>Password</h3>
        <EntryForm save="Choose it" busy={form.busy} refusal={form.refusal} onSave={() => void save()}>
          <TextField
            label="Password until now"
            type="password"
            value={draft.now}
            onChange={(now) => setDraft((was) => ({ ...was, now }))}
            autoComplete="current-password"
            fault={form.faults.now}
          />
          <TextField
            label="New password, ten characters or more"
            type="password"
            value={draft.next}
            onChange={(next) => setDraft((was) => ({ ...was, next }))}
            autoComplete="new-password"
            fault={form.faults.next}
          />
        </EntryForm>
        {role !== 'viewer' && <MyCalendars />}
        <h3>Where you are signed in</h3>
        {(sessions ?? []).map((one) => (
          <div key={`${one.since} ${one.seen} ${one.with}`} data-session className="small">
            <span className="strong">{one.here ? 'Here' : browserOf(one.with)}</span>{' '}
            <span className="soft">
              {one.since ? `since ${dayAndTime(one.since, timeZone)}, ` : ''}last used {dayAndTime(one.seen, timeZone)}
            </span>
          </div>
        ))}
        <div>
          <Button disabled={elsewhere.length === 0} loading={other.busy} onClick={() => void signOutElsewhere()}>
            Sign out everywhere else
          </Button>
        </div>
      </div>
    </Drawer>
  );
}

/** The name by which a browser calls itself first, roughly. */
function browserOf(text: string): string {
  const system = /Android|iPhone|iPad|Windows|Macintosh|Linux/.exec(text)?.[0] ?? 'somewhere';
  return `Elsewhere, on ${system === 'Macintosh' ? 'a Mac' : system}`;
}
