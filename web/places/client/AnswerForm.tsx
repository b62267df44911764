import { Button } from 'antd';
import { useState } from 'react';
import type { clientPageAddress } from '../../../contract/clientPage.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Props {
  readonly address: typeof clientPageAddress.offer | typeof clientPageAddress.change;
  readonly token: string;
  readonly id: string;
  readonly totalCents: number;
  readonly name: string;
  readonly accept: string;
  /** What accepting means. */
  readonly says: string;
}

/** Accepted with the name typed at the top, or declined with a word. */
export function AnswerForm({ address, token, id, totalCents, name, accept, says }: Props) {
  const [declining, setDeclining] = useState(false);
  const [why, setWhy] = useState('');
  const form = useChecked(
    address as typeof clientPageAddress.offer,
    { token, id },
    { accepted: !declining, by: name, why: declining ? why : '', totalCents },
  );
  return (
    <EntryForm
      busy={form.busy}
      refusal={form.refusal ?? (form.faults.by ? 'Type your name at the top first.' : null)}
      onSave={() => void form.save()}
    >
      {declining ? (
        <>
          <TextField label="What should be otherwise" value={why} onChange={setWhy} fault={form.faults.why} />
          <div className="row">
            <Button type="primary" htmlType="submit" size="large" loading={form.busy}>
              Decline it
            </Button>
            <Button size="large" onClick={() => setDeclining(false)}>
              Not yet
            </Button>
          </div>
        </>
      ) : (
        <>
          <p className="soft small">{says} Your name, the time and the address of your connection are kept with it.</p>
          <Button type="primary" htmlType="submit" block size="large" loading={form.busy}>
            {accept}
          </Button>
          <Button block size="large" onClick={() => setDeclining(true)}>
            Decline …
          </Button>
        </>
      )}
    </EntryForm>
  );
}
