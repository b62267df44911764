import { Alert, Button } from 'antd';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import type { Sent } from '../../../contract/address.ts';
import type { BriefLineBody } from '../../../contract/brief.ts';
import { jobAddress, type NewJob as NewJobBody } from '../../../contract/jobChange.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import { useDraft } from '../../data/draft.ts';
import { useFamily, useLibrary } from '../../data/resources.ts';
import { useUnitSet } from '../../data/session.tsx';
import { lengthsOf } from '../../drawing/outline.ts';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { LineEditor } from './brief/LineEditor.tsx';
import { lineToStart } from './brief/lineToStart.ts';
import { KnownClient, KnownVehicle } from './KnownBefore.tsx';

type Draft = Sent<NewJobBody>;

const BLANK: Draft = {
  clientId: null,
  vehicleId: null,
  clientName: '',
  clientContact: '',
  title: '',
  variantId: '',
  builtYear: null,
  chassisNumber: '',
  registration: '',
  colour: '',
  brief: [],
};

/** Client, vehicle from the library, and the first lines of the brief; kept as a draft until it is saved. */
export default function NewJob() {
  const unitSet = useUnitSet();
  const { shelves } = useLibrary();
  const navigate = useNavigate();
  const [draft, setDraft] = useDraft<Draft>('new job');
  const body = draft ?? BLANK;
  const form = useChecked(jobAddress.open, {}, body);
  const { faults } = form;
  const set = (change: Partial<Draft>) => setDraft({ ...body, ...change });
  const { data: family } = useFamily(body.variantId || null);
  const variant = family?.find(({ id }) => id === body.variantId);
  const plan = useMemo(() => (variant ? vehicleState(variant, {}, null) : null), [variant]);
  const setLine = (at: number, line: BriefLineBody | null) =>
    set({ brief: body.brief.flatMap((old, i) => (i === at ? (line ? [line] : []) : [old])) });

  const save = async () => {
    const made = await form.save();
    if (!made) return;
    setDraft(null);
    navigate(`/jobs/${made.number}/brief`);
  };
  const span = plan ? lengthsOf(plan) : null;
  return (
    <EntryForm className="page stack" style={{ maxWidth: 1000 }} onSave={() => void save()}>
      <h1>New job</h1>
      {form.refusal && <Alert type="error" title={form.refusal} />}
      <KnownVehicle body={body} set={set} faults={faults} />
      {!body.vehicleId && (
        <>
          <Panel title="Client">
            <div className="in fields">
              <KnownClient body={body} set={set} faults={faults} />
              {!body.clientId && (
                <>
                  <TextField
                    label="Client"
                    value={body.clientName}
                    onChange={(clientName) => set({ clientName })}
                    fault={faults.clientName}
                  />
                  <TextField
                    label="Contact"
                    value={body.clientContact}
                    onChange={(clientContact) => set({ clientContact })}
                    fault={faults.clientContact}
                  />
                </>
              )}
            </div>
          </Panel>
          <Panel
            title="Vehicle"
            aside={variant ? `built ${variant.yearFrom} to ${variant.yearTo}` : 'models and variants from the library'}
          >
            <div className="in fields">
              <TextField
                label="What it is"
                value={body.title}
                onChange={(title) => set({ title })}
                fault={faults.title}
              />
              <Choice
                label="Model and variant"
                value={body.variantId || null}
                options={(shelves?.data.models ?? []).map((v) => ({
                  value: v.id,
                  label: `${v.makerName} ${v.modelName} ${v.name}`,
                }))}
                onChange={(variantId) => set({ variantId: variantId ?? '' })}
                fault={faults.variantId}
              />
              <QuantityInput
                label="Year built"
                kind="count"
                value={body.builtYear}
                onChange={(builtYear) => set({ builtYear })}
                fault={faults.builtYear}
              />
              <TextField
                label="Chassis number"
                value={body.chassisNumber}
                onChange={(chassisNumber) => set({ chassisNumber })}
                fault={faults.chassisNumber}
              />
              <TextField
                label="Registration"
                value={body.registration}
                onChange={(registration) => set({ registration })}
                fault={faults.registration}
              />
              <TextField
                label="Colour"
                value={body.colour}
                onChange={(colour) => set({ colour })}
                fault={faults.colour}
              />
            </div>
            {plan && span && (
              <div className="in">
                <VehiclePlan vehicle={plan} parts={[]} perMm={0.06} title={`${plan.variant.modelName} from above`} />
                <p className="soft small">
                  {formatQuantity(span.rearX - span.frontX, 'length', unitSet)} long,{' '}
                  {formatQuantity(span.width, 'length', unitSet)} wide, gross mass{' '}
                  {formatQuantity(plan.figures.grossMass.value, 'mass', unitSet)} by its plate
                </p>
              </div>
            )}
          </Panel>
        </>
      )}
      <Panel title="Brief" aside="firm lines decide, wishes weigh">
        <div className="in stack">
          {body.brief.map((line, i) => (
            <LineEditor
              key={i}
              line={line}
              onChange={(next) => setLine(i, next)}
              onDrop={() => setLine(i, null)}
              faults={Object.fromEntries(
                Object.entries(faults).flatMap(([path, text]) =>
                  path.startsWith(`brief.${i}.`) ? [[path.slice(`brief.${i}.`.length), text]] : [],
                ),
              )}
            />
          ))}
          <div className="row">
            <Choice
              label="Add a line"
              value={null}
              options={lineToStart.options}
              onChange={(kind) => kind && set({ brief: [...body.brief, lineToStart.of(kind)] })}
              placeholder="Add a line to the brief"
              hideLabel
            />
          </div>
        </div>
      </Panel>
      <div className="row">
        <Button type="primary" htmlType="submit" loading={form.busy}>
          Open the job
        </Button>
        <Button onClick={() => navigate('/jobs')}>Keep as draft</Button>
        {draft && (
          <Button type="text" onClick={() => setDraft(null)}>
            Clear the form
          </Button>
        )}
      </div>
    </EntryForm>
  );
}
