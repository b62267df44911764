import { Button, Checkbox } from 'antd';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import { approvalAddress } from '../../../contract/approvals.ts';
import { clientAddress } from '../../../contract/clients.ts';
import { orderAddress } from '../../../contract/orders.ts';
import { fitKit } from '../../../core/fit/fitKit.ts';
import { USUAL_USE } from '../../../core/job/usualUse.ts';
import { ORDER_KINDS, type OrderFitter, type OrderKind } from '../../../core/order/order.ts';
import { dayNumber, formatDay } from '../../../core/quantity/format.ts';
import { newestOnly } from '../../../core/vehicle/revisions.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import { RULE_NAME, VERDICT_NAME } from '../../../wording/fit.ts';
import { ORDER_KIND_NAME } from '../../../wording/orders.ts';
import { useLibraryWithVariants, useOfAddress } from '../../data/resources.ts';
import { Choice } from '../../widgets/Choice.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { SafetyNote } from '../../widgets/SafetyNote.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { VERDICT_MARK } from '../../widgets/verdictMark.ts';
import { useKitWork } from '../kits/useKitWork.ts';

/** Takes an order: who, which released kit with what, onto which model, who fits it, and when it is promised. */
export function NewOrder({ done }: { done: () => void }) {
  const navigate = useNavigate();
  const { shelves } = useLibraryWithVariants();
  const { data: clients } = useOfAddress(clientAddress.list, {});
  const { data: approvals } = useOfAddress(approvalAddress.list, {});
  const work = useKitWork();
  const [draft, setDraft] = useState({
    ...{ clientId: null as string | null, clientName: '', clientContact: '' },
    ...{ revisionId: '', variantId: '', options: [] as string[] },
    ...{ kind: 'sent' as OrderKind, who: '', vehicle: '', promisedOn: '', comesOn: '', note: '' },
  });
  const set = (part: Partial<typeof draft>) => setDraft((now) => ({ ...now, ...part }));
  const { who, comesOn, ...rest } = draft;
  const fitter: OrderFitter = who === '' || who === 'client' ? 'client' : 'partner';
  const body = {
    ...rest,
    fitter,
    partnerId: fitter === 'partner' ? who : null,
    comesOn: draft.kind === 'sentThenHere' && comesOn ? comesOn : null,
  };
  const form = useChecked(orderAddress.add, {}, body);
  const kits = (shelves?.data.kits ?? []).filter(({ state }) => state === 'released');
  const revision = kits.find(({ id }) => id === draft.revisionId);
  const variants = newestOnly(shelves?.data.variants ?? []).filter(
    ({ modelName }) => !revision || modelName === revision.modelName,
  );
  const variant = variants.find(({ id }) => id === draft.variantId);
  const shops = (approvals ?? []).filter((one) => one.kitId === revision?.kitId && one.endedOn === null);
  const fit = useMemo(() => {
    if (!shelves || !revision || !variant) return null;
    const { verdict, findings } = fitKit({
      ...{ revision, options: draft.options, library: shelves.components, vehicle: vehicleState(variant, {}, null) },
      ...{ use: USUAL_USE, work, cover: {}, brief: [] },
    });
    const rules = findings
      .filter((one) => one.verdict === verdict && verdict !== 'fits')
      .map(({ rule }) => RULE_NAME[rule]);
    return { verdict, rules: [...new Set(rules)] };
  }, [shelves, revision, variant, draft.options, work]);
  const save = async () => {
    const made = await form.save();
    if (made) navigate(`/kits/orders/${made.number}`);
  };
  return (
    <Panel title="A new order" aside="a kit that goes out, no vehicle in the house">
      <div className="in">
        <EntryForm
          save="Take the order"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void save()}
          beside={
            <Button type="text" onClick={done}>
              Not now
            </Button>
          }
        >
          <div className="fields">
            <Choice
              label="For whom"
              mayBeEmpty
              placeholder="somebody new"
              value={draft.clientId}
              options={(clients ?? [])
                .filter(({ removed }) => !removed)
                .map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(clientId) => set({ clientId })}
              fault={form.faults.clientId}
            />
            {draft.clientId === null && (
              <>
                <TextField
                  label="Name of the client"
                  value={draft.clientName}
                  onChange={(clientName) => set({ clientName })}
                  fault={form.faults.clientName}
                />
                <TextField
                  label="How to reach them"
                  value={draft.clientContact}
                  onChange={(clientContact) => set({ clientContact })}
                  fault={form.faults.clientContact}
                />
              </>
            )}
            <Choice
              label="Which kit"
              value={draft.revisionId || null}
              options={kits.map(({ id, kitName, revision: letter }) => ({ value: id, label: `${kitName} ${letter}` }))}
              onChange={(revisionId) => set({ revisionId: revisionId ?? '', variantId: '', options: [], who: '' })}
              fault={form.faults.revisionId}
            />
            <Choice
              label="Model of their vehicle"
              value={draft.variantId || null}
              options={variants.map(({ id, modelName, name }) => ({ value: id, label: `${modelName} ${name}` }))}
              onChange={(variantId) => set({ variantId: variantId ?? '' })}
              fault={form.faults.variantId}
            />
            <TextField
              label="Their vehicle"
              value={draft.vehicle}
              onChange={(vehicle) => set({ vehicle })}
              fault={form.faults.vehicle}
            />
            <Choice
              label="Where the vehicle is"
              value={draft.kind}
              options={ORDER_KINDS.map((value) => ({ value, label: ORDER_KIND_NAME[value] }))}
              onChange={(kind) => set({ kind: kind ?? 'sent' })}
              fault={form.faults.kind}
            />
            <Choice
              label="Who fits it"
              value={who || 'client'}
              options={[
                { value: 'client', label: 'the client' },
                ...shops.map(({ client, validUntil }) => ({
                  value: client.id,
                  label: `${client.name}, approved until ${formatDay(dayNumber(validUntil))}`,
                })),
              ]}
              onChange={(next) => set({ who: next ?? '' })}
              fault={form.faults.fitter ?? form.faults.partnerId}
            />
            <DayInput
              shown
              label="Promised for"
              value={draft.promisedOn}
              onChange={(promisedOn) => set({ promisedOn })}
              fault={form.faults.promisedOn}
            />
            {draft.kind === 'sentThenHere' && (
              <DayInput
                shown
                label="Vehicle comes on"
                value={comesOn}
                onChange={(next) => set({ comesOn: next })}
                fault={form.faults.comesOn}
              />
            )}
            <TextField label="Note" value={draft.note} onChange={(note) => set({ note })} fault={form.faults.note} />
          </div>
          {revision && revision.options.length > 0 && (
            <Checkbox.Group
              value={draft.options}
              options={revision.options.map(({ id, name }) => ({ value: id, label: name }))}
              onChange={(options) => set({ options })}
            />
          )}
          {form.faults.options && <div className="fault">{form.faults.options}</div>}
          {fit && (
            <p className="row" data-order-fit={fit.verdict}>
              <StateMark mark={VERDICT_MARK[fit.verdict]} label={VERDICT_NAME[fit.verdict]} />
              On this model, as the library has it: {VERDICT_NAME[fit.verdict]}
              {fit.rules.length > 0 && ` (${fit.rules.slice(0, 4).join(', ').toLowerCase()})`}.
            </p>
          )}
          <SafetyNote about="fitter" />
        </EntryForm>
      </div>
    </Panel>
  );
}
