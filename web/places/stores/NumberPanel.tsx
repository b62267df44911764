import { CloseOutlined, QrcodeOutlined } from '@ant-design/icons';
import { Button, Timeline } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { type GradingRow, type NumberEvent, type NumberSheet, numbersAddress } from '../../../contract/numbers.ts';
import { hasRole } from '../../../contract/rights.ts';
import { formatQuantity } from '../../../core/quantity/format.ts';
import type { UnitSet } from '../../../core/quantity/units.ts';
import { dayAndYear, dayText } from '../../../wording/dates.ts';
import { MOVE_KIND_NAME, ORIGIN_NAME, placeSays } from '../../../wording/stores.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useUnitSet } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { RefurbishingOf } from './RefurbishingOf.tsx';

const gradingText = (grading: GradingRow, set: UnitSet): string =>
  [
    formatQuantity(grading.capacityAh, 'charge', set, { digits: 1 }),
    grading.resistanceOhm !== null && `${Number((grading.resistanceOhm * 1000).toFixed(2))}\u202fmΩ`,
    grading.temperatureC !== null && formatQuantity(grading.temperatureC, 'temperature', set),
  ]
    .filter(Boolean)
    .join(', ');

interface Told {
  readonly title: string;
  readonly detail: string;
}

function tell(event: NumberEvent, set: UnitSet): Told {
  if (event.what === 'graded')
    return { title: 'Graded', detail: `${gradingText(event.grading, set)}; ${event.grading.method}` };
  if (event.what !== 'moved')
    return { title: `${event.what === 'packed' ? 'Into' : 'Out of'} pack ${event.pack}`, detail: '' };
  const to =
    event.to.kind === 'vehicle' ? `${MOVE_KIND_NAME[event.kind]}: ${placeSays(event.to)}` : MOVE_KIND_NAME[event.kind];
  // What a donor, a count or the beginning brought came from no place of the house.
  const from = event.from.kind === 'count' ? '' : placeSays(event.from);
  const way =
    event.to.kind === 'vehicle' ? from && `from ${from}` : [from, placeSays(event.to)].filter(Boolean).join(' → ');
  return { title: to, detail: [way, event.note].filter(Boolean).join('; ') };
}

/** A number's whole life, the newest last, as on the sheet that goes with it. */
export function NumberPanel({ id }: { id: string }) {
  const { data, error } = useOfAddress(numbersAddress.one, { id });
  const set = useUnitSet();
  const { role } = usePerson();
  const [noting, setNoting] = useState(false);
  if (error) return <Panel title="Not found">{error.message}</Panel>;
  if (!data) return <Panel title="One moment …">{null}</Panel>;
  const last = data.events.length - 1;
  return (
    <Panel
      title={`${data.component}, ${data.serial}`}
      aside={
        <Link to="/stores/numbers" aria-label={`Close ${data.serial}`}>
          <CloseOutlined />
        </Link>
      }
    >
      <div className="in stack" data-life={data.serial}>
        <p className="soft">
          {data.graded && `${gradingText(data.graded, set)}, graded ${dayText(data.graded.day)} · `}
          now{' '}
          {data.place.jobNumber ? (
            <Link className="in-text" to={`/jobs/${data.place.jobNumber}/parts`}>
              {placeSays(data.place)}
            </Link>
          ) : (
            placeSays(data.place)
          )}
          {data.pack && `, pack ${data.pack}`}
          {data.forJob && data.place.kind === 'bin' && `, held for ${data.forJob}`}
          {data.beingRefurbished && ', being refurbished'}
        </p>
        <p className="soft small">
          {[
            data.batch && `batch ${data.batch}`,
            `${ORIGIN_NAME[data.origin]} ${data.originNote}`.trim(),
            data.warrantyUntil && `warranty until ${dayAndYear(data.warrantyUntil)}`,
            data.note,
          ]
            .filter(Boolean)
            .join(' · ')}
        </p>
        {noting ? (
          <NoteForm sheet={data} done={() => setNoting(false)} />
        ) : (
          <div className="row">
            {hasRole(role, numbersAddress.change.may) && (
              <Button size="small" onClick={() => setNoting(true)}>
                Batch, warranty, note
              </Button>
            )}
            <Button
              size="small"
              icon={<QrcodeOutlined />}
              href={fileUrl(numbersAddress.label, { id })}
              aria-label={`Label of ${data.serial}`}
            >
              Label
            </Button>
          </div>
        )}
        <RefurbishingOf sheet={data} />
        <Timeline
          items={data.events.map((event, at) => {
            const { title, detail } = tell(event, set);
            return {
              color: at === last ? 'var(--primary)' : 'var(--mint)',
              content: (
                <div className="spread">
                  <span>
                    <span className="strong">{title}</span>
                    {detail && <div className="soft small">{detail}</div>}
                  </span>
                  <span className="soft small" style={{ whiteSpace: 'nowrap' }}>
                    {dayText(event.what === 'graded' ? event.grading.day : event.at.slice(0, 10))}
                  </span>
                </div>
              ),
            };
          })}
        />
      </div>
    </Panel>
  );
}

function NoteForm({ sheet, done }: { sheet: NumberSheet; done: () => void }) {
  const [batch, setBatch] = useState(sheet.batch);
  const [warrantyUntil, setWarranty] = useState(sheet.warrantyUntil ?? '');
  const [note, setNote] = useState(sheet.note);
  const body = { batch, warrantyUntil: warrantyUntil || null, note, version: sheet.version };
  const form = useChecked(numbersAddress.change, { id: sheet.id }, body);
  return (
    <EntryForm
      small
      save="Keep it so"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button size="small" type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      <TextField label="Batch" value={batch} onChange={setBatch} fault={form.faults.batch} />
      <DayInput
        shown
        label="Warranty until"
        value={warrantyUntil}
        onChange={setWarranty}
        fault={form.faults.warrantyUntil}
      />
      <TextField label="Note" value={note} onChange={setNote} fault={form.faults.note} />
      <Conflict
        of={numbersAddress.change}
        params={{ id: sheet.id }}
        sending={form.sending}
        theirs={(now: NumberSheet) => ({
          ...{ batch: now.batch, warrantyUntil: now.warrantyUntil, note: now.note, version: now.version },
        })}
        done={done}
      />
    </EntryForm>
  );
}
