import { Drawer } from 'antd';
import { useState } from 'react';
import { workPlanAddress } from '../../../contract/workPlan.ts';
import { type PlanFacts, PRIORITIES, type Priority } from '../../../core/plan/facts.ts';
import { PLAN_CHANGES, type PlanChange } from '../../../core/plan/planChange.ts';
import { changeText, PLAN_CHANGE_NAME, PRIORITY_NAME } from '../../../wording/workPlan.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';

/** Thinks of something that is otherwise, to be kept beside the plan. */
export function NewWhatIf({ facts, onClose }: { facts: PlanFacts; onClose: () => void }) {
  const [kind, setKind] = useState<PlanChange['kind']>('partLate');
  const [job, setJob] = useState<string | null>(null);
  const [componentId, setPart] = useState<string | null>(null);
  const [days, setDays] = useState<number | null>(7);
  const [personId, setPerson] = useState<string | null>(null);
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [priority, setPriority] = useState<Priority>('rush');
  const [stageId, setStage] = useState<string | null>(null);
  const [placeId, setPlace] = useState<string | null>(null);
  const [firmId, setFirm] = useState<string | null>(null);
  const [tool, setTool] = useState<string | null>(null);
  const [hours, setHours] = useState<number | null>(1);
  const [typed, setTyped] = useState<string | null>(null);
  const change = {
    partLate: { kind, job: job ?? '', componentId: componentId ?? '', days },
    away: { kind, personId: personId ?? '', from, to },
    priority: { kind, job: job ?? '', priority },
    hold: { kind, stageId: stageId ?? '', day: from || null },
    firm: { kind, stageId: stageId ?? '', firmId, days },
    lift: { kind, placeId: placeId ?? '' },
    person: { kind, like: personId ?? '' },
    tool: { kind, tool: tool ?? '' },
    overtime: { kind, hours },
  }[kind] as PlanChange;
  const name = typed ?? nameOf(change, facts);
  const form = useChecked(workPlanAddress.addScenario, {}, { name, changes: [change] });
  const fault = (field: string) => form.faults[`changes.0.${field}`];
  const jobs = facts.jobs.map(({ number, title }) => ({ value: number, label: `${number} ${title}` }));
  const one = facts.jobs.find(({ number }) => number === job);
  return (
    <Drawer open title="What if …" onClose={onClose} size={420}>
      <EntryForm
        save="Keep it beside the plan"
        busy={form.busy}
        refusal={form.refusal ?? form.faults.changes ?? form.faults['changes.0'] ?? null}
        onSave={() => void form.save().then((saved) => saved && onClose())}
      >
        <Choice
          label="What is otherwise"
          value={kind}
          options={PLAN_CHANGES.map((value) => ({ value, label: PLAN_CHANGE_NAME[value] }))}
          onChange={(next) => next && setKind(next)}
        />
        {(kind === 'partLate' || kind === 'priority' || kind === 'hold' || kind === 'firm') && (
          <Choice label="Job" value={job} options={jobs} onChange={setJob} fault={fault('job')} />
        )}
        {kind === 'partLate' && (
          <>
            <Choice
              label="Part it waits for"
              value={componentId}
              options={(one?.parts ?? []).map((part) => ({ value: part.componentId, label: part.name }))}
              onChange={setPart}
              fault={fault('componentId')}
            />
            <QuantityInput
              label="Days later, below zero sooner"
              kind="count"
              value={days}
              onChange={setDays}
              fault={fault('days')}
            />
          </>
        )}
        {kind === 'priority' && (
          <Choice
            label="It is planned"
            value={priority}
            options={PRIORITIES.map((value) => ({ value, label: PRIORITY_NAME[value] }))}
            onChange={(next) => next && setPriority(next)}
          />
        )}
        {(kind === 'hold' || kind === 'firm') && (
          <Choice
            label="Stage"
            value={stageId}
            options={(one?.stages ?? [])
              .filter(({ state }) => state !== 'done')
              .map((stage) => ({ value: stage.id, label: stage.name }))}
            onChange={setStage}
            fault={fault('stageId')}
          />
        )}
        {kind === 'firm' && (
          <>
            <Choice
              label="Done by"
              value={firmId}
              options={facts.firms.map(({ id, name: label }) => ({ value: id, label }))}
              onChange={setFirm}
              fault={fault('firmId')}
            />
            <QuantityInput
              label="Days it has the vehicle"
              kind="count"
              value={days}
              onChange={setDays}
              fault={fault('days')}
            />
          </>
        )}
        {(kind === 'away' || kind === 'person') && (
          <Choice
            label={kind === 'away' ? 'Who' : 'Who can do the same as'}
            value={personId}
            options={facts.people.map((who) => ({ value: who.id, label: who.name }))}
            onChange={setPerson}
            fault={fault('personId') ?? fault('like')}
          />
        )}
        {kind === 'tool' && (
          <Choice
            label="Kind of tool"
            value={tool}
            options={kindsOf(facts).map((value) => ({ value, label: value }))}
            onChange={setTool}
            fault={fault('tool')}
          />
        )}
        {(kind === 'away' || kind === 'hold') && (
          <DayInput
            shown
            label={kind === 'away' ? 'First day' : 'Not before'}
            value={from}
            onChange={setFrom}
            fault={fault('from') ?? fault('day')}
          />
        )}
        {kind === 'away' && <DayInput shown label="Last day" value={to} onChange={setTo} fault={fault('to')} />}
        {kind === 'lift' && (
          <Choice
            label="Bay"
            value={placeId}
            options={facts.places.filter(({ lift }) => !lift).map(({ id, name: label }) => ({ value: id, label }))}
            onChange={setPlace}
            fault={fault('placeId')}
          />
        )}
        {kind === 'overtime' && (
          <QuantityInput
            label="Hours more a day"
            kind="coefficient"
            digits={1}
            value={hours}
            onChange={setHours}
            fault={fault('hours')}
          />
        )}
        <TextField label="Called" value={name} onChange={setTyped} fault={form.faults.name} />
      </EntryForm>
    </Drawer>
  );
}

/** Kinds of tools that stages hold. */
const kindsOf = ({ jobs }: PlanFacts): string[] =>
  [...new Set(jobs.flatMap(({ stages }) => stages.flatMap(({ tools }) => tools)))].sort();

/** What it is called until somebody calls it otherwise. */
function nameOf(change: PlanChange, facts: PlanFacts): string {
  const whole =
    (change.kind === 'partLate' && change.job && change.componentId) ||
    (change.kind === 'away' && change.personId && change.from && change.to) ||
    (change.kind === 'priority' && change.job) ||
    (change.kind === 'hold' && change.stageId) ||
    (change.kind === 'firm' && change.stageId && change.firmId) ||
    (change.kind === 'lift' && change.placeId) ||
    (change.kind === 'person' && change.like) ||
    (change.kind === 'tool' && change.tool) ||
    (change.kind === 'overtime' && change.hours);
  return whole ? changeText(change, facts).slice(0, 60) : '';
}
