import { useState } from 'react';
import { useNavigate } from 'react-router';
import { invitationAddress } from '../../../contract/people.ts';
import { useLinked } from '../../data/linked.ts';
import { begin } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Where an invitation leads: a password of one's own, and in. */
export default function InvitationPage() {
  const { token, data: invited, error } = useLinked(invitationAddress.look);
  const navigate = useNavigate();
  const [password, setPassword] = useState('');
  const form = useChecked(invitationAddress.take, { token }, { password });
  const take = async () => {
    if (await begin(form.save)) navigate('/', { replace: true });
  };
  return (
    <main className="page narrow">
      {error && (
        <div className="stack">
          <h1>This link leads nowhere any more</h1>
          <p>{error.message}</p>
          <p>
            <a href="/">To the sign-in page</a>
          </p>
        </div>
      )}
      {invited && (
        <EntryForm save="Choose it and come in" busy={form.busy} refusal={form.refusal} onSave={() => void take()}>
          <h1>Welcome, {invited.name}</h1>
          <p className="soft">
            {invited.workshop} keeps its work in Dajo. You sign in as <strong>{invited.signIn}</strong>; choose your
            password.
          </p>
          <TextField
            label="Password, ten characters or more"
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="new-password"
            fault={form.faults.password}
          />
        </EntryForm>
      )}
    </main>
  );
}
