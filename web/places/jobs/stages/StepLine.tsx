import { ReloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import type { JobSheet } from '../../../../contract/job.ts';
import type { StageRow, StepRow } from '../../../../contract/stages.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { clock } from '../../../../wording/dates.ts';
import { limitText } from '../../../../wording/work.ts';
import { useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { amount } from '../../../widgets/FigureValue.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useSend } from '../../../widgets/useSend.ts';

/** One step: a value held against its limits, or a tick; out of limits it stops until somebody decides. */
export function StepLine({
  step,
  stage,
  job,
}: {
  step: StepRow;
  stage: StageRow;
  job: Pick<JobSheet, 'state' | 'number'>;
}) {
  const set = useUnitSet();
  const mayDecide = useMay(job, 'decideReading');
  const workshop = useWorkshop();
  const sending = useSend(true);
  const [value, setValue] = useState<number | null>(null);
  const [again, setAgain] = useState(false);
  const [unreadable, setUnreadable] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const { reading, limit } = step;
  const out = reading !== null && reading.verdict !== 'within';
  const stopped = out && !reading.reason;
  const open = useMay(job, 'reading') && stage.state !== 'done';
  const asks = open && (reading === null || stopped || again);
  const take = async (taken: number | null) => {
    if (unreadable || taken === null) return;
    if (await sending.go(stageAddress.read, { id: step.id }, { value: taken })) {
      setAgain(false);
      setValue(null);
    }
  };
  return (
    <div className={`step ${stopped ? 'stopped' : ''}`} data-step={step.text} data-verdict={reading?.verdict ?? 'open'}>
      <StateMark mark={stopped ? 'stop' : reading ? 'done' : 'open'} />
      <div>
        {step.text}
        <div className="soft small">
          {limit && limitText(limit, limit.kind, set)}
          {limit?.source && `, by ${limit.source}`}
          {limit && step.note && ', '}
          {step.note}
        </div>
        {stopped && limit && (
          <div className="small stop">
            Stopped at {amount(reading.value, limit.kind, set)}. Measure again, or a manager decides.{' '}
            <NoteLesson job={job} about="reading" aboutId={step.id} aboutText={`${stage.name}: ${step.text}`} />
          </div>
        )}
        {reading?.reason && (
          <div className="small">
            Let stand by {reading.decidedBy}: {reading.reason}
          </div>
        )}
        {sending.problem && !sending.faults.value && !sending.faults.reason && (
          <div className="fault">{sending.problem.detail}</div>
        )}
        {stopped && mayDecide && (
          <div className="row" style={{ alignItems: 'flex-start', marginTop: 4 }}>
            <TextField
              label="Reason to let it stand"
              hideLabel
              value={reason}
              onChange={setReason}
              fault={sending.faults.reason}
            />
            <Button
              size="small"
              onClick={() => void sending.go(stageAddress.decideReading, { id: step.id }, { reason })}
            >
              Let it stand
            </Button>
          </div>
        )}
      </div>
      <div className="row" style={{ justifyContent: 'flex-end', alignItems: 'flex-start' }}>
        {reading && !asks && (
          <span className="soft num">
            {limit && <strong style={{ color: 'var(--ink)' }}>{amount(reading.value, limit.kind, set)} </strong>}
            {reading.by} {clock(reading.at, workshop.timeZone)}
          </span>
        )}
        {reading && !asks && open && (
          <Button
            icon={<ReloadOutlined />}
            size="small"
            type="text"
            onClick={() => setAgain(true)}
            aria-label={`Again: ${step.text}`}
          >
            Again
          </Button>
        )}
        {asks && limit && (
          <>
            <QuantityInput
              label={step.text}
              hideLabel
              width={150}
              kind={limit.kind}
              value={value}
              onChange={setValue}
              onFault={setUnreadable}
              fault={sending.faults.value}
              mayBeEmpty
              onEnter={() => void take(value)}
            />
            <Button onClick={() => void take(value)} loading={sending.busy} aria-label={`Enter ${step.text}`}>
              Enter
            </Button>
          </>
        )}
        {asks && !limit && (
          <Button onClick={() => void take(1)} loading={sending.busy} aria-label={`Done: ${step.text}`}>
            Done
          </Button>
        )}
      </div>
    </div>
  );
}
