import { Button } from 'antd';
import { useState } from 'react';
import { Refused } from '../../data/client.ts';
import { chooseHouse, signIn, useSession } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { TextField } from '../../widgets/TextField.tsx';

/** Name and password; in the sample workshop also its people, one click each. */
export default function SignInPage() {
  const { workshop, demoSignIns, demoPassword, houses } = useSession();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const go = async (who: string, word: string) => {
    setBusy(true);
    try {
      await signIn(who, word);
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      setFault(error.message);
      setBusy(false);
    }
  };
  return (
    <main className="signin">
      <div className="left stack">
        <h1>Dajo</h1>
        <p className="soft">{workshop?.name}</p>
        <EntryForm onSave={() => void go(name, password)}>
          <TextField label="Name" value={name} onChange={setName} autoComplete="username" />
          <TextField
            label="Password"
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="current-password"
            fault={fault}
          />
          <Button type="primary" htmlType="submit" loading={busy} block>
            Sign in
          </Button>
        </EntryForm>
        {houses && (
          <Button
            type="link"
            style={{ padding: 0 }}
            onClick={() => chooseHouse(houses.here === 'own' ? 'sample' : 'own')}
          >
            {houses.here === 'own'
              ? 'Look round the sample workshop'
              : houses.ownBegun
                ? 'Go to your own workshop'
                : 'Begin a workshop of your own'}
          </Button>
        )}
        <SafetyNote about="approval" />
      </div>
      {demoPassword && (
        <div className="right stack">
          <h2>The sample workshop</h2>
          <p className="soft">
            Everything in it is invented. Go in as one of its people; their password is <strong>{demoPassword}</strong>.
          </p>
          <div className="people-list">
            {demoSignIns.map((person) => (
              <button
                key={person.signIn}
                type="button"
                disabled={busy}
                onClick={() => void go(person.signIn, demoPassword)}
              >
                <span className="soft">{person.name.split(' ').map((part) => part[0])}</span>
                <span className="strong">{person.name}</span>
                <span className="soft">{person.note}</span>
              </button>
            ))}
          </div>
        </div>
      )}
    </main>
  );
}
