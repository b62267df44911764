import { ReloadOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import type { JobSheet } from '../../../../contract/job.ts';
import type { StageRow, StepRow } from '../../../../contract/stages.ts';
import { stageAddress } from '../../../../contract/stages.ts';
import { readingLiftedBy } from '../../../../core/practice/blocks.ts';
import { crosswise } from '../../../../core/toolbox/tool.ts';
import { clock } from '../../../../wording/dates.ts';
import { limitText } from '../../../../wording/work.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { NoteLesson } from '../../../learning/NoteLesson.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { amount } from '../../../widgets/FigureValue.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useAct } from '../../../widgets/useAct.ts';
import { useSend } from '../../../widgets/useSend.ts';
import { useToolChoice } from './useToolChoice.ts';

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
  const reader = useAct(true);
  const [value, setValue] = useState<number | null>(null);
  const [again, setAgain] = useState(false);
  const [unreadable, setUnreadable] = useState<string | null>(null);
  const [reason, setReason] = useState('');
  const [noTool, setNoTool] = useState(false);
  const person = usePerson();
  const { toolId, setToolId, tools } = useToolChoice(step.tool);
  const { reading, limit } = step;
  const lifted = readingLiftedBy(limit?.kind ?? null);
  const out = reading !== null && reading.verdict !== 'within';
  const stopped = out && !reading.reason;
  const open = useMay(job, 'reading') && stage.state !== 'done';
  const asks = open && (reading === null || stopped || again);
  const take = async (taken: number | null) => {
    if (unreadable || taken === null) return;
    if (step.tool && !toolId) {
      setNoTool(true);
      return;
    }
    setNoTool(false);
    const says = `${step.text}${limit ? `: ${amount(taken, limit.kind, set)}` : ''}`;
    // The field is free for the next value at once: whoever measures again does not wait for the answer to the first.
    setAgain(false);
    setValue(null);
    if (!(await reader.act({ act: 'read', stepId: step.id, value: taken, toolId: step.tool ? toolId : null }, says)))
      setValue((typed) => typed ?? taken);
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
        {sending.problem && !sending.faults.reason && <div className="fault">{sending.problem.detail}</div>}
        {reader.why && <div className="fault">{reader.why}</div>}
        {step.bolts && asks && (
          <div className="small" data-bolts={step.bolts}>
            In turn: {crosswise(step.bolts).join(' ')}, in passes of a third, two thirds and all of it, then once round.
          </div>
        )}
        {step.tool && asks && (
          <div style={{ maxWidth: 330 }}>
            <Choice
              label={`With which ${step.tool}: ${step.text}`}
              hideLabel
              placeholder={`which ${step.tool}`}
              value={toolId}
              options={tools}
              onChange={(id) => {
                setToolId(id);
                setNoTool(false);
              }}
              fault={noTool ? `Say with which ${step.tool}.` : undefined}
            />
          </div>
        )}
        {step.second && reading && (
          <div className={reading.secondBy ? 'small' : 'small wait'}>
            {reading.secondBy ? (
              `Second signature: ${reading.secondBy}.`
            ) : (
              <>
                Wants a second signature.{' '}
                {open && reading.by !== person.initials && (
                  <Button size="small" onClick={() => void sending.go(stageAddress.second, { id: step.id })}>
                    I have looked: sign
                  </Button>
                )}
              </>
            )}
          </div>
        )}
        {stopped && lifted === 'nobody' && (
          <div className="fault">Nobody lets insulation stand: find the fault, mend it, measure again.</div>
        )}
        {stopped && mayDecide && lifted !== 'nobody' && (
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
            {reading.tool && <div className="small">{reading.tool}</div>}
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
              mayBeEmpty
              onEnter={() => void take(value)}
            />
            <Button onClick={() => void take(value)} aria-label={`Enter ${step.text}`}>
              Enter
            </Button>
          </>
        )}
        {asks && !limit && (
          <Button onClick={() => void take(1)} aria-label={`Done: ${step.text}`}>
            Done
          </Button>
        )}
      </div>
    </div>
  );
}
