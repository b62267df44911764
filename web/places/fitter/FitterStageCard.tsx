import { Button } from 'antd';
import { useState } from 'react';
import { fitterAddress } from '../../../contract/fitting.ts';
import { doneProblems, type FitterStage, type FitterStep } from '../../../core/order/fitting.ts';
import { formatHours, formatQuantity } from '../../../core/quantity/format.ts';
import { DIFFICULTY_NAME, difficultyOf } from '../../../wording/difficulty.ts';
import { DONE_SENTENCE } from '../../../wording/orders.ts';
import { limitText } from '../../../wording/work.ts';
import { useUnitSet } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

interface Props {
  readonly token: string;
  readonly at: FitterStage;
  readonly name: string;
  readonly workshop: string;
  readonly locked: boolean;
  readonly open: boolean;
  readonly onOpen: () => void;
}

/** One stage: how long and how hard, its steps with what is to be read, and done. */
export function FitterStageCard({ token, at, name, workshop, locked, open, onOpen }: Props) {
  const { stage, by, state, steps, waitsFor, done } = at;
  const said = done
    ? `done by ${done.by}`
    : by === 'here'
      ? `done at ${workshop}`
      : `${formatHours(stage.hours)}, ${DIFFICULTY_NAME[difficultyOf(stage)]}${stage.people > 1 ? `, ${stage.people} people` : ''}`;
  return (
    <section className="fitter-stage" data-stage={stage.key} data-state={state}>
      <button type="button" className="fitter-head" aria-expanded={open} onClick={onOpen}>
        <StateMark
          mark={state === 'done' ? 'pass' : by === 'here' || state === 'waits' ? 'waiting' : 'open'}
          label={
            state === 'done' ? 'done' : by === 'here' ? 'done at the workshop' : state === 'waits' ? 'waits' : 'ready'
          }
        />
        <span>
          <span className="strong">{stage.name}</span>
          <span className="soft small">{said}</span>
        </span>
      </button>
      {open && (
        <div className="in stack">
          {state === 'waits' && by === 'fitter' && <p className="wait small">After {waitsFor.join(', ')}.</p>}
          {stage.note && <p className="small">{stage.note}</p>}
          {stage.needs && <p className="soft small">Needs {stage.needs}.</p>}
          <ol className="fitter-steps">
            {steps.map((step) => (
              <li key={step.step}>
                {step.text}
                {step.note && <div className="soft small">{step.note}</div>}
                {step.limit && (
                  <ReadStep
                    key={step.reading?.id ?? 'none'}
                    {...{ token, step, name }}
                    stageKey={stage.key}
                    locked={locked || by === 'here' || state === 'done'}
                  />
                )}
              </li>
            ))}
          </ol>
          {by === 'fitter' && state !== 'done' && !locked && <DoneForm token={token} at={at} name={name} />}
        </div>
      )}
    </section>
  );
}

function ReadStep({
  token,
  step,
  stageKey,
  name,
  locked,
}: {
  token: string;
  step: FitterStep;
  stageKey: string;
  name: string;
  locked: boolean;
}) {
  const set = useUnitSet();
  const limit = step.limit!;
  const [value, setValue] = useState<number | null>(null);
  const [instrument, setInstrument] = useState(step.reading?.instrument ?? '');
  const form = useChecked(fitterAddress.reading, { token }, { stageKey, step: step.step, value, instrument, by: name });
  const off = step.verdict !== null && step.verdict !== 'within';
  return (
    <div className="fitter-reading">
      <div className="small">
        wanted {limitText(limit, limit.kind, set)}
        {step.reading && (
          <>
            , read{' '}
            <strong className={off && step.reading.allowedWhy === null ? 'stop' : ''}>
              {formatQuantity(step.reading.value, limit.kind, set)}
            </strong>{' '}
            by {step.reading.by}
          </>
        )}
        {off &&
          (step.reading?.allowedWhy ? (
            <div className="wait">The workshop lets it stand: {step.reading.allowedWhy}.</div>
          ) : (
            <div className="stop">Outside its limits: measure again, or ask below.</div>
          ))}
      </div>
      {!locked && (
        <EntryForm
          save={step.reading ? 'Read again' : 'Keep the reading'}
          busy={form.busy}
          refusal={form.refusal ?? (form.faults.by ? 'Type your name at the top first.' : null)}
          onSave={() => void form.save()}
        >
          <div className="fitter-pair">
            <QuantityInput
              label={`Reading: ${step.text}`}
              kind={limit.kind}
              value={value}
              onChange={setValue}
              fault={form.faults.value}
              mayBeEmpty
            />
            <TextField
              label="With which instrument"
              value={instrument}
              onChange={setInstrument}
              fault={form.faults.instrument}
            />
          </div>
        </EntryForm>
      )}
    </div>
  );
}

function DoneForm({ token, at, name }: { token: string; at: FitterStage; name: string }) {
  const [hours, setHours] = useState<number | null>(null);
  const form = useChecked(fitterAddress.done, { token }, { stageKey: at.stage.key, hours, by: name });
  const [problem] = doneProblems(at);
  if (problem) return <p className="soft small">{DONE_SENTENCE[problem]}</p>;
  return (
    <EntryForm
      busy={form.busy}
      refusal={form.refusal ?? (form.faults.by ? 'Type your name at the top first.' : null)}
      onSave={() => void form.save()}
    >
      <QuantityInput
        label="Hours it took, if you like"
        kind="hours"
        value={hours}
        onChange={setHours}
        fault={form.faults.hours}
        mayBeEmpty
      />
      <Button type="primary" htmlType="submit" block size="large" loading={form.busy}>
        {at.stage.name} is done
      </Button>
    </EntryForm>
  );
}
