import { useState } from 'react';
import { Link } from 'react-router';
import type { BriefLineBody } from '../../../../contract/brief.ts';
import { briefAddress } from '../../../../contract/brief.ts';
import { usePerson } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { FilesOf } from '../../../files/FilesOf.tsx';
import { Choice } from '../../../widgets/Choice.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useOpenJob } from '../openJob.ts';
import { LineEditor } from './LineEditor.tsx';
import { lineToStart } from './lineToStart.ts';
import { StoredLine } from './StoredLine.tsx';
import { UsePanel } from './UsePanel.tsx';

/** What the client wants, line by line, and how the vehicle will be used. */
export default function BriefStep() {
  const { job } = useOpenJob('job');
  const [fresh, setFresh] = useState<BriefLineBody | null>(null);
  const person = usePerson();
  const may = useMay(job, 'brief');
  return (
    <div className="stack">
      <Panel
        title="Brief"
        aside={
          <>
            <Link className="in-text" to={`/clients/${job.client.id}`}>
              {job.client.name}
            </Link>
            {job.client.contact && `, ${job.client.contact}`}
          </>
        }
      >
        <fieldset className="in stack" disabled={!may} style={{ border: 0, margin: 0, minWidth: 0 }}>
          <legend className="hidden-label">Lines of the brief</legend>
          {job.brief.map((line) => (
            <StoredLine key={line.id} line={line} />
          ))}
          {fresh && <FreshLine line={fresh} onChange={setFresh} />}
          {may && !fresh && (
            <div style={{ width: 260 }}>
              <Choice
                label="Add a line"
                hideLabel
                value={null}
                options={lineToStart.options}
                onChange={(kind) => kind && setFresh(lineToStart.of(kind))}
                placeholder="Add a line to the brief"
              />
            </div>
          )}
          {person.role !== 'manager' && <p className="soft small">The brief is changed by a manager.</p>}
        </fieldset>
      </Panel>
      <UsePanel />
      <Panel title="Papers of the job" aside="letters, sketches, agreements">
        <div className="in">
          <FilesOf about="job" of={job.id} name={job.title} />
        </div>
      </Panel>
    </div>
  );
}

/** A line that is being added; null drops it. */
function FreshLine({ line, onChange }: { line: BriefLineBody; onChange: (line: BriefLineBody | null) => void }) {
  const { job } = useOpenJob('job');
  const form = useChecked(briefAddress.add, { number: job.number }, line);
  const add = async () => {
    if (await form.save()) onChange(null);
  };
  return (
    <EntryForm small save="Add line" busy={form.busy} refusal={form.refusal} onSave={() => void add()}>
      <LineEditor line={line} onChange={onChange} onDrop={() => onChange(null)} faults={form.faults} />
    </EntryForm>
  );
}
