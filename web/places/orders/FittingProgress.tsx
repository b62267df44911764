import { useState } from 'react';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import { type FitterStage, type FitterStep, fitterHours, fitterStages } from '../../../core/order/fitting.ts';
import { formatHours, formatQuantity } from '../../../core/quantity/format.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { limitText } from '../../../wording/work.ts';
import { usePerson, useUnitSet, useWorkshop } from '../../data/session.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** What the fitter has done and read, stage by stage, and what waits for a decision here. */
export function FittingProgress({ order }: { order: OrderSheet }) {
  const stages = fitterStages(order.stages, order.fittedBy, order.done, order.readings);
  const hours = fitterHours(stages);
  const own = stages.filter(({ by }) => by === 'fitter');
  return (
    <>
      <p className="in soft small">
        {own.filter(({ state }) => state === 'done').length} of {own.length} stages of the fitter done;{' '}
        {formatHours(hours.taken)} of {formatHours(hours.planned)} said.
        {own.length < stages.length && ` ${stages.length - own.length} are done here.`}
      </p>
      {stages.map((stage) => (
        <Stage key={stage.stage.key} order={order} at={stage} />
      ))}
    </>
  );
}

function Stage({ order, at }: { order: OrderSheet; at: FitterStage }) {
  const { timeZone } = useWorkshop();
  const { stage, by, state, done, steps, outside } = at;
  const read = steps.filter(({ reading }) => reading !== null);
  return (
    <div className="revision" data-fitting={stage.key} data-state={state}>
      <StateMark
        mark={state === 'done' ? 'pass' : outside.length > 0 ? 'stop' : by === 'here' ? 'waiting' : 'open'}
        label={state}
      />
      <div>
        {stage.name}{' '}
        <span className="soft small">
          {done
            ? `${done.by}, ${dayAndTime(done.at, timeZone)}${done.hours === null ? '' : `, ${formatHours(done.hours)}`}`
            : by === 'here'
              ? 'done here'
              : formatHours(stage.hours)}
        </span>
        {read.map((step) => (
          <Reading key={step.step} step={step} open={order.state === 'sent'} />
        ))}
      </div>
    </div>
  );
}

function Reading({ step, open }: { step: FitterStep; open: boolean }) {
  const set = useUnitSet();
  const { role } = usePerson();
  const [why, setWhy] = useState('');
  const reading = step.reading!;
  const limit = step.limit!;
  const form = useChecked(orderAddress.allow, { id: reading.id }, { why });
  const off = step.verdict !== 'within';
  return (
    <div className="small">
      {step.text}:{' '}
      <span className={off && reading.allowedWhy === null ? 'stop strong' : ''}>
        {formatQuantity(reading.value, limit.kind, set)}
      </span>{' '}
      <span className="soft">
        of {limitText(limit, limit.kind, set)}, {reading.by}
        {reading.instrument && `, ${reading.instrument}`}
      </span>
      {reading.allowedWhy && (
        <div className="wait">
          may stand: {reading.allowedWhy} ({reading.allowedBy})
        </div>
      )}
      {off && reading.allowedWhy === null && open && hasRole(role, orderAddress.allow.may) && (
        <EntryForm
          small
          save="Let it stand"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save()}
          className="draft-bar"
        >
          <TextField label={`Why ${step.text} may stand`} value={why} onChange={setWhy} fault={form.faults.why} />
        </EntryForm>
      )}
    </div>
  );
}
