import { App, Radio } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { approvalAddress } from '../../../contract/approvals.ts';
import { vehiclesAddress } from '../../../contract/clients.ts';
import { type OrderSheet, orderAddress } from '../../../contract/orders.ts';
import { hasRole } from '../../../contract/rights.ts';
import type { OrderFitter } from '../../../core/order/order.ts';
import { dayText } from '../../../wording/dates.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Fold } from '../../widgets/Fold.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { CancelOrder } from './CancelOrder.tsx';

type Draft = ReturnType<typeof termsOf>;
const termsOf = (order: OrderSheet) => ({
  ...{ who: order.partner?.id ?? 'client', vehicle: order.vehicle, promisedOn: order.promisedOn },
  ...{ comesOn: order.comesOn ?? '', note: order.note, fittedBy: order.fittedBy, jobNumber: order.jobNumber },
  ...{ loanTool: order.loanTool, loanDue: order.loanDue ?? '', loanBack: order.loanBack ?? '' },
});

/** What was agreed: for when, who fits it and which stages, the tool that goes along, the job the vehicle comes to. */
export function OrderTerms({ order }: { order: OrderSheet }) {
  const { role } = usePerson();
  const { message } = App.useApp();
  const may = hasRole(role, orderAddress.change.may) && order.state !== 'cancelled';
  const { data: approvals } = useOfAddress(approvalAddress.list, {});
  const { data: vehicles } = useOfAddress(vehiclesAddress.list, order.kind === 'sentThenHere' ? {} : null);
  const [draft, setDraft] = useState<Draft>(() => termsOf(order));
  const set = (part: Partial<Draft>) => setDraft((now) => ({ ...now, ...part }));
  const { who, ...rest } = draft;
  const body = {
    ...rest,
    fitter: (who === 'client' ? 'client' : 'partner') as OrderFitter,
    partnerId: who === 'client' ? null : who,
    comesOn: draft.comesOn || null,
    loanDue: draft.loanDue || null,
    loanBack: draft.loanBack || null,
    version: order.version,
  };
  const form = useChecked(orderAddress.change, { order: order.number }, body);
  const shops = (approvals ?? []).filter(
    (one) => one.kitId === order.kitId && (one.endedOn === null || one.client.id === order.partner?.id),
  );
  const jobs = (vehicles ?? [])
    .filter(({ clientId }) => clientId === order.client.id)
    .flatMap(({ jobs: all }) => all.map(({ number }) => number));
  return (
    <Panel title="What was agreed" aside={`by ${order.by}, ${dayText(order.orderedAt.slice(0, 10))}`}>
      <div className="in">
        <EntryForm
          small
          {...(may ? { save: 'Save' } : {})}
          disabled={!may}
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save().then((saved) => saved && message.success('Saved.'))}
          beside={order.state === 'ordered' && may && <CancelOrder order={order} />}
        >
          <DayInput
            shown
            label="Promised for"
            value={draft.promisedOn}
            onChange={(promisedOn) => set({ promisedOn })}
            fault={form.faults.promisedOn}
          />
          <Choice
            label="Who fits it"
            value={who}
            disabled={!may}
            options={[
              { value: 'client', label: 'the client' },
              ...[...new Map(shops.map(({ client }) => [client.id, client.name]))].map(([value, label]) => ({
                value,
                label,
              })),
            ]}
            onChange={(next) => set({ who: next ?? 'client' })}
            fault={form.faults.fitter ?? form.faults.partnerId}
          />
          <TextField
            label="Their vehicle"
            value={draft.vehicle}
            onChange={(vehicle) => set({ vehicle })}
            fault={form.faults.vehicle}
          />
          {order.kind === 'sentThenHere' && (
            <>
              <DayInput
                shown
                label="Vehicle comes on"
                value={draft.comesOn}
                onChange={(comesOn) => set({ comesOn })}
                fault={form.faults.comesOn}
              />
              <Choice
                label="Job it comes to"
                mayBeEmpty
                placeholder="none opened yet"
                disabled={!may}
                value={draft.jobNumber}
                options={jobs.map((value) => ({ value, label: value }))}
                onChange={(jobNumber) => set({ jobNumber })}
                fault={form.faults.jobNumber}
              />
              {order.jobNumber ? (
                <Link to={`/jobs/${order.jobNumber}/brief`}>To {order.jobNumber}</Link>
              ) : (
                may && <Link to="/jobs/new">Open the job for high voltage and software</Link>
              )}
              <Fold title={`Who does which stage: ${here(draft.fittedBy)} here`}>
                {order.stages.map(({ key, name }) => (
                  <div key={key} className="spread small">
                    {name}
                    <Radio.Group
                      size="small"
                      aria-label={`Who does ${name}`}
                      value={draft.fittedBy[key] ?? 'fitter'}
                      options={[
                        { value: 'fitter', label: 'fitter' },
                        { value: 'here', label: 'here' },
                      ]}
                      onChange={(event) => set({ fittedBy: { ...draft.fittedBy, [key]: event.target.value } })}
                    />
                  </div>
                ))}
              </Fold>
            </>
          )}
          <Choice
            label="Crimp tool on loan"
            mayBeEmpty
            placeholder="not decided"
            disabled={!may}
            value={draft.loanTool === null ? null : draft.loanTool === '' ? 'none' : 'goes'}
            options={[
              { value: 'none', label: 'none goes along' },
              { value: 'goes', label: 'goes along' },
            ]}
            onChange={(next) =>
              set({ loanTool: next === null ? null : next === 'none' ? '' : order.loanTool || 'Crimp tool' })
            }
          />
          {draft.loanTool && (
            <>
              <TextField
                label="Which tool"
                value={draft.loanTool}
                onChange={(loanTool) => set({ loanTool })}
                fault={form.faults.loanTool}
              />
              <DayInput
                shown
                label="Due back"
                value={draft.loanDue}
                onChange={(loanDue) => set({ loanDue })}
                fault={form.faults.loanDue}
              />
              {order.state !== 'ordered' && (
                <DayInput
                  shown
                  label="Came back"
                  value={draft.loanBack}
                  onChange={(loanBack) => set({ loanBack })}
                  fault={form.faults.loanBack}
                />
              )}
            </>
          )}
          <TextField label="Note" value={draft.note} onChange={(note) => set({ note })} fault={form.faults.note} />
        </EntryForm>
      </div>
      <Conflict
        of={orderAddress.change}
        params={{ order: order.number }}
        sending={form.sending}
        theirs={(now: OrderSheet) => {
          const { who: own, ...terms } = termsOf(now);
          return {
            ...terms,
            fitter: (own === 'client' ? 'client' : 'partner') as OrderFitter,
            partnerId: own === 'client' ? null : own,
            ...{ comesOn: now.comesOn, loanDue: now.loanDue, loanBack: now.loanBack, version: now.version },
          };
        }}
        done={() => setDraft(termsOf(order))}
      />
    </Panel>
  );
}

const here = (fittedBy: OrderSheet['fittedBy']) => Object.values(fittedBy).filter((by) => by === 'here').length;
