import { Alert, Button } from 'antd';
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { BriefLineBody } from '../../../contract/brief.ts';
import { check } from '../../../contract/fields.ts';
import { jobAddress, type NewJob as NewJobBody, newJobSchema } from '../../../contract/jobChange.ts';
import { vehicleState } from '../../../core/vehicle/state.ts';
import { useDraft } from '../../data/draft.ts';
import { useLibrary } from '../../data/resources.ts';
import { lengthsOf } from '../../drawing/outline.ts';
import { VehiclePlan } from '../../drawing/VehiclePlan.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { Sheet } from '../../widgets/Sheet.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useSend } from '../../widgets/useSend.ts';
import { LineEditor } from './brief/LineEditor.tsx';
import { lineToStart } from './brief/lineToStart.ts';

const BLANK: NewJobBody = {
  clientName: '',
  clientContact: '',
  title: '',
  variantId: '',
  builtYear: 0,
  chassisNumber: '',
  registration: '',
  colour: '',
  brief: [],
};

/** Client, vehicle from the library, and the first lines of the brief; kept as a draft until it is saved. */
export default function NewJob() {
  const { shelves } = useLibrary();
  const navigate = useNavigate();
  const sending = useSend(true);
  const [draft, setDraft] = useDraft<NewJobBody>('new job');
  const body = draft ?? BLANK;
  const set = (change: Partial<NewJobBody>) => setDraft({ ...body, ...change });
  const [sent, setSent] = useState<NewJobBody>(body);
  const [tried, faults] = useFaults(body, sending.faults, sending.problem !== null, sent);
  const variant = shelves?.variants.get(body.variantId);
  const plan = useMemo(() => (variant ? vehicleState(variant, {}, null) : null), [variant]);
  const setLine = (at: number, line: BriefLineBody | null) =>
    set({ brief: body.brief.flatMap((old, i) => (i === at ? (line ? [line] : []) : [old])) });

  const save = async () => {
    setSent(body);
    const made = await sending.go(jobAddress.open, {}, body);
    if (!made) return;
    setDraft(null);
    navigate(`/jobs/${made.number}/brief`);
  };
  const say = (field: string) => (tried ? faults[field] : undefined);
  const span = plan ? lengthsOf(plan) : null;
  return (
    <div className="page stack" style={{ maxWidth: 1000 }}>
      <h1>New job</h1>
      {sending.problem && !sending.problem.fields && <Alert type="error" message={sending.problem.detail} />}
      <Sheet title="Client">
        <div className="in fields">
          <TextField
            label="Client"
            value={body.clientName}
            onChange={(clientName) => set({ clientName })}
            fault={say('clientName')}
          />
          <TextField
            label="Contact"
            value={body.clientContact}
            onChange={(clientContact) => set({ clientContact })}
            fault={say('clientContact')}
          />
        </div>
      </Sheet>
      <Sheet
        title="Vehicle"
        aside={variant ? `built ${variant.yearFrom} to ${variant.yearTo}` : 'models and variants from the library'}
      >
        <div className="in fields">
          <TextField label="What it is" value={body.title} onChange={(title) => set({ title })} fault={say('title')} />
          <Choice
            label="Model and variant"
            value={body.variantId || null}
            options={(shelves?.data.variants ?? []).map((v) => ({
              value: v.id,
              label: `${v.makerName} ${v.modelName} ${v.name}`,
            }))}
            onChange={(variantId) => set({ variantId: variantId ?? '' })}
            fault={say('variantId')}
          />
          <QuantityInput
            label="Year built"
            kind="count"
            value={body.builtYear || null}
            onChange={(year) => set({ builtYear: year ?? 0 })}
            fault={say('builtYear')}
          />
          <TextField
            label="Chassis number"
            value={body.chassisNumber}
            onChange={(chassisNumber) => set({ chassisNumber })}
            fault={say('chassisNumber')}
          />
          <TextField
            label="Registration"
            value={body.registration}
            onChange={(registration) => set({ registration })}
            fault={say('registration')}
          />
          <TextField label="Colour" value={body.colour} onChange={(colour) => set({ colour })} fault={say('colour')} />
        </div>
        {plan && span && (
          <div className="in">
            <VehiclePlan vehicle={plan} parts={[]} perMm={0.06} title={`${plan.variant.modelName} from above`} />
            <p className="soft small">
              {Math.round(span.rearX - span.frontX)} mm long, {span.width} mm wide, gross mass{' '}
              {plan.figures.grossMass.value} kg by its plate
            </p>
          </div>
        )}
      </Sheet>
      <Sheet title="Brief" aside="firm lines decide, wishes weigh">
        <div className="in stack">
          {body.brief.map((line, i) => (
            <LineEditor
              key={i}
              line={line}
              onChange={(next) => setLine(i, next)}
              onDrop={() => setLine(i, null)}
              faults={
                tried
                  ? Object.fromEntries(
                      Object.entries(faults).flatMap(([path, text]) =>
                        path.startsWith(`brief.${i}.`) ? [[path.slice(`brief.${i}.`.length), text]] : [],
                      ),
                    )
                  : {}
              }
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
      </Sheet>
      <div className="row">
        <Button type="primary" loading={sending.busy} onClick={() => void save()}>
          Open the job
        </Button>
        <Button onClick={() => navigate('/jobs')}>Keep as draft</Button>
        {draft && (
          <Button type="text" onClick={() => setDraft(null)}>
            Clear the form
          </Button>
        )}
      </div>
    </div>
  );
}

/** Sentences at the fields: what the schema says now, and what only the server knew when it was last asked. */
function useFaults(
  body: NewJobBody,
  fromServer: Readonly<Record<string, string>>,
  tried: boolean,
  sent: NewJobBody,
): [boolean, Readonly<Record<string, string>>] {
  return useMemo(() => {
    if (!tried) return [false, {}];
    const { problems } = check(newJobSchema, body);
    const serverOnly = Object.fromEntries(
      // What the server said of a field holds until that field is changed.
      Object.entries(fromServer).filter(([field]) => !(field in problems) && at(body, field) === at(sent, field)),
    );
    return [true, { ...serverOnly, ...problems }];
  }, [body, fromServer, tried, sent]);
}

/** What a body holds at a path of a fault ("brief.0.amount"). */
const at = (body: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((inner, key) => (inner as Record<string, unknown> | undefined)?.[key], body);
