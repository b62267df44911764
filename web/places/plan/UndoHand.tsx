import { UndoOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { type PlanHandDone, type WorkPlanSheet, workPlanAddress } from '../../../contract/workPlan.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { changeText } from '../../../wording/workPlan.ts';
import { useWorkshop } from '../../data/session.tsx';
import { useSend } from '../../widgets/useSend.ts';

/** What was last done to the plan by hand, and back. */
export function UndoHand({ sheet: { facts, planId }, hand }: { sheet: WorkPlanSheet; hand: PlanHandDone }) {
  const { timeZone } = useWorkshop();
  const sending = useSend(true, { typed: false });
  const stale = sending.problem?.type === '/problems/stale';
  return (
    <div data-last-hand={hand.id}>
      <div className="row" style={{ flexWrap: 'nowrap' }}>
        <span className="small" style={{ flex: 1 }}>
          {hand.changes.map((change) => changeText(change, facts)).join('; ')}
          <span className="soft">{` (${hand.by}, ${dayAndTime(hand.at, timeZone)})`}</span>
        </span>
        <Button
          size="small"
          icon={<UndoOutlined />}
          loading={sending.busy}
          disabled={sending.busy}
          onClick={() => void sending.go(workPlanAddress.undo, {}, { handId: hand.id, planId })}
        >
          Undo
        </Button>
      </div>
      {sending.problem && (
        <p className={stale ? 'note wait' : 'fault'}>
          {stale ? 'The plan has moved meanwhile: press it again if it still holds.' : sending.problem.detail}
        </p>
      )}
    </div>
  );
}
