import { Button, Segmented } from 'antd';
import { useState } from 'react';
import { conditionAddress, type InspectionRow } from '../../../../contract/condition.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import {
  failedInspections,
  type InspectionKind,
  newestInspections,
  POINTS_OF,
} from '../../../../core/vehicle/condition.ts';
import { INSPECTION_NAME, POINT_NAME } from '../../../../wording/condition.ts';
import { dayAndTime } from '../../../../wording/dates.ts';
import { useWorkshop } from '../../../data/session.tsx';
import { useMay } from '../../../data/useMay.ts';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Labelled } from '../../../widgets/Labelled.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

type Job = Pick<JobSheet, 'number' | 'state'>;
type Points = Readonly<Record<string, 'good' | 'failed' | null>>;

/** Each connector and box as it was last looked at; what failed holds live work up. */
export function InspectionPanel({ job, looks }: { job: Job; looks: readonly InspectionRow[] }) {
  const { timeZone } = useWorkshop();
  const may = useMay(job, 'register');
  const [open, setOpen] = useState<{ kind: InspectionKind; what: string } | null>(null);
  const rows = newestInspections(looks).toSorted((a, b) => a.what.localeCompare(b.what));
  const failed = failedInspections(looks).length;
  return (
    <Panel
      title="Arrival inspection"
      aside={
        <span className="row">
          {rows.length > 0 && (failed > 0 ? <span className="stop">{failed} failed</span> : 'all good')}
          {may && (
            <Button size="small" onClick={() => setOpen({ kind: 'connector', what: '' })}>
              Look at one
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {open && <InspectionForm key={`${open.kind} ${open.what}`} job={job} begin={open} done={() => setOpen(null)} />}
        <DataTable
          label="Arrival inspection"
          rows={rows}
          rowKey={({ id }) => id}
          rowMark={({ what }) => ({ 'data-inspected': what, className: '' })}
          empty="Nothing has been looked at. A vehicle that comes with somebody else's work is looked over connector by connector, box by box."
          columns={({ words, actions }) => [
            words('What', (row) => (
              <span className="row" style={{ flexWrap: 'nowrap' }}>
                <StateMark mark={Object.values(row.points).includes('failed') ? 'stop' : 'pass'} />
                <span>
                  <span className="strong">{row.what}</span>{' '}
                  <span className="soft small">{INSPECTION_NAME[row.kind].toLowerCase()}</span>
                </span>
              </span>
            )),
            words('Found', (row) => (
              <>
                {Object.entries(row.points)
                  .filter(([, verdict]) => verdict !== null)
                  .map(([key, verdict]) => (
                    <span key={key} className={verdict === 'failed' ? 'stop' : ''}>
                      {POINT_NAME[key]} {verdict}
                      {' · '}
                    </span>
                  ))}
                <span className="soft">{row.note}</span>
              </>
            )),
            words('By', (row) => `${row.by}, ${dayAndTime(row.at, timeZone)}`),
            actions('What can be done', (row) =>
              may ? (
                <Button size="small" onClick={() => setOpen({ kind: row.kind, what: row.what })}>
                  Look again
                </Button>
              ) : null,
            ),
          ]}
        />
      </div>
    </Panel>
  );
}

const VERDICTS = [
  { value: 'none', label: '–' },
  { value: 'good', label: 'good' },
  { value: 'failed', label: 'failed' },
] as const;

function InspectionForm({
  job,
  begin,
  done,
}: {
  job: Job;
  begin: { kind: InspectionKind; what: string };
  done: () => void;
}) {
  const [kind, setKind] = useState(begin.kind);
  const [what, setWhat] = useState(begin.what);
  const [points, setPoints] = useState<Points>({});
  const [note, setNote] = useState('');
  const own = Object.fromEntries(POINTS_OF[kind].map((key) => [key, points[key] ?? null]));
  const form = useChecked(conditionAddress.inspect, { number: job.number }, { kind, what, points: own, note });
  return (
    <EntryForm
      className="stack lesson"
      save="Looked at"
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        <Labelled label="What it is">
          <Segmented
            value={kind}
            options={(['connector', 'box'] as const).map((value) => ({ value, label: INSPECTION_NAME[value] }))}
            onChange={setKind}
          />
        </Labelled>
        <TextField label="Which" value={what} onChange={setWhat} fault={form.faults.what} />
        {POINTS_OF[kind].map((key) => (
          <Labelled key={key} label={POINT_NAME[key] ?? key}>
            <Segmented
              aria-label={POINT_NAME[key] ?? key}
              value={points[key] ?? 'none'}
              options={[...VERDICTS]}
              onChange={(value) =>
                setPoints((now) => ({ ...now, [key]: value === 'none' ? null : (value as 'good' | 'failed') }))
              }
            />
          </Labelled>
        ))}
        <TextField label="Note" value={note} onChange={setNote} fault={form.faults.note} />
      </div>
      {form.faults.points && <div className="fault">{form.faults.points}</div>}
    </EntryForm>
  );
}
