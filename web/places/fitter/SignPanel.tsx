import { Button } from 'antd';
import { useState } from 'react';
import { fitterAddress } from '../../../contract/fitting.ts';
import { type FitterStage, leftToFit } from '../../../core/order/fitting.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Props {
  readonly token: string;
  readonly stages: readonly FitterStage[];
  readonly name: string;
  readonly workshop: string;
}

/** The sheet that goes back, signed, once every stage of the fitter is done. */
export function SignPanel({ token, stages, name, workshop }: Props) {
  const [remark, setRemark] = useState('');
  const form = useChecked(fitterAddress.sign, { token }, { by: name, remark });
  const left = leftToFit(stages);
  return (
    <Panel title="Sign and send back">
      <div className="in stack">
        {left.length > 0 ? (
          <p className="soft small">Still to do: {left.join(', ')}.</p>
        ) : (
          <EntryForm
            busy={form.busy}
            refusal={form.refusal ?? (form.faults.by ? 'Type your name at the top first.' : null)}
            onSave={() => void form.save()}
          >
            <TextField label="Anything we should know" value={remark} onChange={setRemark} fault={form.faults.remark} />
            <p className="small">
              I, {name || '(your name)'}, have fitted this kit as its stages say, and every reading is my own.
            </p>
            <Button type="primary" htmlType="submit" block size="large" loading={form.busy}>
              Sign it and send it to {workshop}
            </Button>
          </EntryForm>
        )}
      </div>
    </Panel>
  );
}
