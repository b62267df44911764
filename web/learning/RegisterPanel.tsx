import { DownloadOutlined } from '@ant-design/icons';
import { Button, Popover } from 'antd';
import { useState } from 'react';
import { type FileList, fileAddress } from '../../contract/files.ts';
import type { JobSheet } from '../../contract/job.ts';
import { type RegisterRow, registerAddress } from '../../contract/register.ts';
import {
  intoMetal,
  PART_GOES,
  type PartGoes,
  REGISTER_KINDS,
  type RegisterKind,
  standsInTheWay,
} from '../../core/vehicle/register.ts';
import { dayAndTime } from '../../wording/dates.ts';
import { PART_GOES_NAME, REGISTER_KIND_NAME } from '../../wording/kits.ts';
import { fileUrl } from '../data/client.ts';
import { useOfAddress } from '../data/resources.ts';
import { useWorkshop } from '../data/session.tsx';
import { useMay } from '../data/useMay.ts';
import { FilesOf } from '../files/FilesOf.tsx';
import { Choice } from '../widgets/Choice.tsx';
import { Conflict } from '../widgets/Conflict.tsx';
import { EntryForm } from '../widgets/EntryForm.tsx';
import { Panel } from '../widgets/Panel.tsx';
import { StateMark } from '../widgets/StateMark.tsx';
import { TextField } from '../widgets/TextField.tsx';
import { useChecked } from '../widgets/useChecked.ts';

/** Everything changed on the vehicle that is not the kit itself, how each is undone, and whether it can go back. */
export function RegisterPanel({ job }: { job: JobSheet }) {
  const may = useMay(job, 'register');
  const { data: files } = useOfAddress(fileAddress.ofJob, { number: job.number });
  const [adding, setAdding] = useState(false);
  const standing = job.register.filter(({ undoneAt }) => undoneAt === null);
  const inTheWay = standing.filter(standsInTheWay).length;
  const metal = intoMetal(job.register);
  const firm = job.brief.some(({ kind, firm: isFirm }) => kind === 'reversible' && isFirm);
  return (
    <Panel
      title="Register of changes"
      aside={
        <span className="row">
          {job.register.length > 0 && (
            <Button
              size="small"
              icon={<DownloadOutlined />}
              href={fileUrl(registerAddress.wayBack, { id: job.vehicle.id })}
              download
            >
              Way-back sheet
            </Button>
          )}
          {may && (
            <Button size="small" type="primary" onClick={() => setAdding(!adding)}>
              Enter a change
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        <p className={inTheWay > 0 ? 'stop small' : 'small'} data-reversible={inTheWay === 0}>
          {job.register.length === 0
            ? 'Nothing is entered: holes, cuts, welds, brackets left behind, parts taken out or moved.'
            : inTheWay === 0
              ? 'By this register the vehicle can be put back as it was.'
              : `${inTheWay} ${inTheWay === 1 ? 'entry stands' : 'entries stand'} in the way of putting it back as it was.`}
          {firm && metal > 0 && ' The client asked, firm, that nothing is drilled or cut.'}
        </p>
        {adding && <NewEntry job={job} firm={firm} done={() => setAdding(false)} />}
      </div>
      {[...job.register].reverse().map((entry) => (
        <Entry key={entry.id} entry={entry} may={may} files={files} />
      ))}
    </Panel>
  );
}

function Entry({ entry, may, files }: { entry: RegisterRow; may: boolean; files: FileList | undefined }) {
  const { timeZone } = useWorkshop();
  const [open, setOpen] = useState(false);
  const stands = standsInTheWay(entry);
  return (
    <div className="step" data-register={entry.kind}>
      <StateMark
        mark={entry.undoneAt ? 'done' : stands ? 'stop' : 'open'}
        label={entry.undoneAt ? 'undone' : stands ? 'in the way' : 'can be undone'}
      />
      <div>
        <span className="strong">{REGISTER_KIND_NAME[entry.kind]}:</span> {entry.what}, {entry.place}
        {entry.goes && <span className={stands ? 'stop' : ''}>, {PART_GOES_NAME[entry.goes]}</span>}
        <div className="small">
          {entry.undoneAt ? `Undone by ${entry.undoneBy}: ${entry.undoneHow}` : `Undone by: ${entry.undo}`}
        </div>
        <div className="soft small">
          {entry.jobNumber}, {entry.by}, {dayAndTime(entry.at, timeZone)}
          {entry.agreedBy && `; agreed by ${entry.agreedBy}`}
        </div>
        {files && <FilesOf about="register" of={entry.id} list={files} name={entry.what} />}
      </div>
      {may && !entry.undoneAt && (
        <Popover
          trigger="click"
          open={open}
          onOpenChange={setOpen}
          destroyOnHidden
          content={<Undo entry={entry} done={() => setOpen(false)} />}
        >
          <Button size="small" aria-label={`Undone: ${entry.what}`}>
            Undone …
          </Button>
        </Popover>
      )}
    </div>
  );
}

function Undo({ entry, done }: { entry: RegisterRow; done: () => void }) {
  const [how, setHow] = useState('');
  const form = useChecked(registerAddress.undone, { id: entry.id }, { how, version: entry.version });
  return (
    <EntryForm
      small
      save="It is undone"
      style={{ width: 260 }}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <TextField label="How" value={how} onChange={setHow} fault={form.faults.how} />
      <Conflict
        of={registerAddress.undone}
        params={{ id: entry.id }}
        sending={form.sending}
        theirs={(now: RegisterRow) => ({ how: now.undoneHow ?? '', version: now.version })}
        done={done}
      />
    </EntryForm>
  );
}

const KINDS = REGISTER_KINDS.map((value) => ({ value, label: REGISTER_KIND_NAME[value] }));
const GOES = PART_GOES.map((value) => ({ value, label: PART_GOES_NAME[value] }));

function NewEntry({ job, firm, done }: { job: JobSheet; firm: boolean; done: () => void }) {
  const [kind, setKind] = useState<RegisterKind>('partOut');
  const [goes, setGoes] = useState<PartGoes | null>('shelf');
  const [draft, setDraft] = useState({ what: '', place: '', agreedBy: '', undo: '' });
  const body = { ...draft, kind, goes: kind === 'partOut' ? goes : null };
  const form = useChecked(registerAddress.note, { number: job.number }, body);
  const field = (name: keyof typeof draft, label: string) => (
    <TextField
      label={label}
      value={draft[name]}
      onChange={(text) => setDraft((now) => ({ ...now, [name]: text }))}
      fault={form.faults[name]}
    />
  );
  return (
    <EntryForm
      save="Enter it"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
      beside={
        <Button type="text" onClick={done}>
          Not now
        </Button>
      }
    >
      {firm && ['hole', 'cut', 'weld', 'narrowing'].includes(kind) && (
        <p className="note stop">
          The brief says, firm: nothing drilled, nothing cut. Ask the client before you do it.
        </p>
      )}
      <div className="fields">
        <Choice label="What was done" value={kind} options={KINDS} onChange={(next) => next && setKind(next)} />
        {kind === 'partOut' && (
          <Choice label="Where the part is" value={goes} options={GOES} onChange={setGoes} fault={form.faults.goes} />
        )}
        {field('what', 'What')}
        {field('place', 'Where on the vehicle')}
        {field('undo', 'How it is undone')}
        {field('agreedBy', 'Agreed by')}
      </div>
    </EntryForm>
  );
}
