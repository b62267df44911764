import { TableOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import { hasRole } from '../../../contract/rights.ts';
import {
  SUPPLIER_NOTE_KINDS,
  type SupplierNote,
  type SupplierNoteKind,
  type SupplierSheet,
  supplierAddress,
} from '../../../contract/suppliers.ts';
import { dayAndTime } from '../../../wording/dates.ts';
import { fileUrl } from '../../data/client.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson, useWorkshop } from '../../data/session.tsx';
import { Choice } from '../../widgets/Choice.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StateMark } from '../../widgets/StateMark.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { PriceListIn } from './PriceListIn.tsx';

const NOTE_NAME: Readonly<Record<SupplierNoteKind, string>> = {
  question: 'Asked',
  promise: 'Promised',
  failure: 'Failed',
};
const ENDED_NAME: Readonly<Record<SupplierNoteKind, string>> = {
  question: 'answered',
  promise: 'kept',
  failure: 'made good',
};

/** One supplier: how to reach them, what was asked, promised and failed. */
export function SupplierPanel({ id }: { id: string }) {
  const { data, error } = useOfAddress(supplierAddress.one, { supplier: id });
  const { role } = usePerson();
  const [changing, setChanging] = useState(false);
  const [pricing, setPricing] = useState(false);
  const [noting, setNoting] = useState(false);
  if (error) return <Panel title="Not found">{error.message}</Panel>;
  if (!data) return <Panel title="One moment …">{null}</Panel>;
  const mayNote = hasRole(role, supplierAddress.note.may);
  return (
    <Panel title={data.name} aside={`${data.components} parts`}>
      <div className="in stack">
        <p className="soft">
          {data.contact || 'No contact yet'}
          {data.deskUrl &&
            ` · orders go to their desk by themselves${data.deskUrl === 'simulated' ? ' (a simulated one, that ships with Dajo)' : ''}`}
        </p>
        <div className="row">
          {hasRole(role, supplierAddress.change.may) && (
            <Button size="small" onClick={() => setChanging(!changing)}>
              Contact and desk
            </Button>
          )}
          {hasRole(role, supplierAddress.takePrices.may) && (
            <Button size="small" onClick={() => setPricing(true)}>
              Take in prices
            </Button>
          )}
          <Button
            size="small"
            icon={<TableOutlined />}
            href={fileUrl(supplierAddress.partTable, { supplier: id })}
            aria-label={`Prices of ${data.name} as CSV`}
          >
            CSV
          </Button>
          {mayNote && (
            <Button size="small" onClick={() => setNoting(!noting)}>
              Note something
            </Button>
          )}
        </div>
        {pricing && <PriceListIn supplier={data} onClose={() => setPricing(false)} />}
        {changing && <ContactForm sheet={data} done={() => setChanging(false)} />}
        {noting && <NoteForm id={id} done={() => setNoting(false)} />}
        {data.notes.length === 0 && !noting && (
          <p className="soft">Nothing noted yet: questions asked, promises made, what failed.</p>
        )}
        {data.notes.map((note) => (
          <OneNote key={note.id} note={note} may={mayNote} />
        ))}
      </div>
    </Panel>
  );
}

function ContactForm({ sheet, done }: { sheet: SupplierSheet; done: () => void }) {
  const [contact, setContact] = useState(sheet.contact);
  const [deskUrl, setDeskUrl] = useState(sheet.deskUrl);
  const params = { supplier: sheet.id };
  const form = useChecked(supplierAddress.change, params, { contact, deskUrl, version: sheet.version });
  return (
    <EntryForm
      small
      save="Keep it so"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="Contact" value={contact} onChange={setContact} fault={form.faults.contact} />
      <TextField
        label="Address of their desk, where orders go by themselves"
        value={deskUrl}
        onChange={setDeskUrl}
        fault={form.faults.deskUrl}
      />
      <Conflict
        of={supplierAddress.change}
        params={params}
        sending={form.sending}
        theirs={(now: SupplierSheet) => ({ contact: now.contact, deskUrl: now.deskUrl, version: now.version })}
        done={done}
      />
    </EntryForm>
  );
}

function NoteForm({ id, done }: { id: string; done: () => void }) {
  const [kind, setKind] = useState<SupplierNoteKind>('question');
  const [text, setText] = useState('');
  const form = useChecked(supplierAddress.note, { supplier: id }, { kind, text });
  return (
    <EntryForm
      small
      save="Note it"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <Choice
        label="What it is"
        value={kind}
        options={SUPPLIER_NOTE_KINDS.map((value) => ({ value, label: NOTE_NAME[value] }))}
        onChange={(next) => next && setKind(next)}
        fault={form.faults.kind}
      />
      <TextField label="What" value={text} onChange={setText} fault={form.faults.text} />
    </EntryForm>
  );
}

function OneNote({ note, may }: { note: SupplierNote; may: boolean }) {
  const { timeZone } = useWorkshop();
  const [ending, setEnding] = useState(false);
  const [ended, setEnded] = useState('');
  const form = useChecked(supplierAddress.endNote, { id: note.id }, { ended });
  return (
    <div className="lesson">
      <div className="spread">
        <span className="row" style={{ flexWrap: 'nowrap', alignItems: 'flex-start' }}>
          <StateMark
            mark={note.ended ? 'pass' : note.kind === 'failure' ? 'stop' : 'waiting'}
            label={note.ended ? ENDED_NAME[note.kind] : 'open'}
          />
          <span>
            <span className="strong">{NOTE_NAME[note.kind]}: </span>
            {note.text}
          </span>
        </span>
        {may && !note.ended && !ending && (
          <Button size="small" type="text" onClick={() => setEnding(true)}>
            {ENDED_NAME[note.kind].replace(/^./, (first) => first.toUpperCase())}
          </Button>
        )}
      </div>
      <div className="soft small">
        {`${dayAndTime(note.at, timeZone)}, ${note.by}`}
        {note.ended && ` · ${ENDED_NAME[note.kind]}: ${note.ended} (${note.endedBy})`}
      </div>
      {ending && (
        <EntryForm
          small
          save="Write it down"
          busy={form.busy}
          refusal={form.refusal}
          onSave={() => void form.save().then((saved) => saved && setEnding(false))}
        >
          <TextField label="How" value={ended} onChange={setEnded} fault={form.faults.ended} />
        </EntryForm>
      )}
    </div>
  );
}
