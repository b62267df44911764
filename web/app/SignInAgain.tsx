import { Modal } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { onSignInNeeded, Refused } from '../data/client.ts';
import { signIn, useSession } from '../data/session.tsx';
import { EntryForm } from '../widgets/EntryForm.tsx';
import { TextField } from '../widgets/TextField.tsx';

/** When the session has run out: sign in again over the open page, and what was being sent is sent. */
export function SignInAgain() {
  const { person } = useSession();
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [fault, setFault] = useState<string>();
  const waiting = useRef<(() => void)[]>([]);
  useEffect(() => {
    onSignInNeeded(
      () =>
        new Promise((done) => {
          waiting.current.push(done);
          setOpen(true);
        }),
    );
  }, []);
  const go = async () => {
    try {
      await signIn(name || (person?.name.split(' ')[0]?.toLowerCase() ?? ''), password);
      setOpen(false);
      setPassword('');
      setFault(undefined);
      for (const done of waiting.current.splice(0)) done();
    } catch (error) {
      if (!(error instanceof Refused)) throw error;
      setFault(error.message);
    }
  };
  return (
    <Modal open={open} title="Sign in again" footer={null} closable={false} maskClosable={false}>
      <EntryForm save="Sign in" onSave={() => void go()}>
        <p>Your session has run out. What you typed is kept and is sent when you are back.</p>
        <TextField label="Name" value={name} onChange={setName} autoComplete="username" />
        <TextField
          label="Password"
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="current-password"
          fault={fault}
        />
      </EntryForm>
    </Modal>
  );
}
