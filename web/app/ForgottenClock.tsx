import { Button } from 'antd';
import { useState } from 'react';
import { hoursAddress } from '../../contract/hours.ts';
import { clock, dayOf, weekdayAndDay } from '../../wording/dates.ts';
import { localInstant } from '../../wording/zoneDays.ts';
import { useOfAddress } from '../data/resources.ts';
import { useWorkshop } from '../data/session.tsx';
import { StateMark } from '../widgets/StateMark.tsx';
import { TimeInput } from '../widgets/TimeInput.tsx';
import { useSend } from '../widgets/useSend.ts';

/** Asks the next morning whoever's clock has run through the night when they stopped: nobody else knows. */
export function ForgottenClock() {
  const { data } = useOfAddress(hoursAddress.mine, {});
  const { timeZone, dayEndH } = useWorkshop();
  const sending = useSend(true);
  const [at, setAt] = useState(dayEndH);
  const open = data?.forgotten ? data.open : null;
  if (!open) return null;
  const day = dayOf(open.from, timeZone);
  const save = () => {
    const time = `${String(Math.floor(at)).padStart(2, '0')}:${String(Math.round((at % 1) * 60)).padStart(2, '0')}`;
    const to = new Date(localInstant(day, time, timeZone)).toISOString();
    void sending.go(hoursAddress.forgotten, {}, { entryId: open.id, to });
  };
  return (
    <form
      className="outbox row"
      aria-label="When did you stop?"
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <span>
        <StateMark mark="waiting" /> Your clock on <strong>{open.stage}</strong> of {open.jobNumber} has run since{' '}
        {weekdayAndDay(open.from, timeZone)}, {clock(open.from, timeZone)}. When did you stop that day?
      </span>
      <TimeInput label="Stopped at" hideLabel value={at} onChange={setAt} fault={sending.faults.to} />
      <Button htmlType="submit" type="primary" size="small" loading={sending.busy}>
        Stopped then
      </Button>
      {sending.problem && !sending.problem.fields && <span className="stop">{sending.problem.detail}</span>}
    </form>
  );
}
