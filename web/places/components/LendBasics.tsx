import { Button } from 'antd';
import { componentAddress } from '../../../contract/components.ts';
import { useSend } from '../../widgets/useSend.ts';

/** Typical cables, fuses and precharge resistors, for a workshop that has none of its own yet. */
export function LendBasics() {
  const sending = useSend(false, { typed: false });
  return (
    <div className="note row" style={{ marginBottom: 10 }}>
      <span>Typical cables, HV fuses and precharge resistors ship with Dajo, by tables, not priced.</span>
      <Button size="small" loading={sending.busy} onClick={() => void sending.go(componentAddress.basics, {})}>
        Lend me the basics
      </Button>
    </div>
  );
}
