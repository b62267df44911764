import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { BASICS, type Basic, basicsAddress } from '../../contract/basics.ts';
import { useSend } from './useSend.ts';

const NAME: Record<Basic, string> = {
  cables: 'typical HV cables',
  fuses: 'HV fuses',
  resistors: 'precharge resistors',
  stages: 'lists of stages',
};
const CHOICES = BASICS.map((value) => ({ value, label: NAME[value] }));

/** Starter catalogues that ship with Dajo, taken in by choice, for a workshop that has none of its own yet. */
export function LendBasics({ first }: { first: readonly Basic[] }) {
  const sending = useSend(false, { typed: false });
  const [what, setWhat] = useState<readonly Basic[]>(first);
  return (
    <div className="note row" style={{ marginBottom: 10 }}>
      <span>Dajo ships with starters by tables and common practice, not priced:</span>
      <Checkbox.Group options={CHOICES} value={[...what]} onChange={(next) => setWhat(next as Basic[])} />
      <Button
        size="small"
        loading={sending.busy}
        disabled={what.length === 0}
        onClick={() => void sending.go(basicsAddress.lend, {}, { what: [...what] })}
      >
        Lend me these
      </Button>
    </div>
  );
}
