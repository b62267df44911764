import { DeleteOutlined } from '@ant-design/icons';
import { Button } from 'antd';
import { useState } from 'react';
import {
  conditionAddress,
  DASH_KINDS,
  type DashBody,
  type DashKind,
  type DashRow,
} from '../../../../contract/condition.ts';
import type { JobSheet } from '../../../../contract/job.ts';
import { formatNumber } from '../../../../core/quantity/format.ts';
import { DASH_POINTS, dashVerdict } from '../../../../core/vehicle/condition.ts';
import { DASH_NAME } from '../../../../wording/condition.ts';
import { useMay } from '../../../data/useMay.ts';
import { Choice } from '../../../widgets/Choice.tsx';
import { DataTable } from '../../../widgets/DataTable.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { Panel } from '../../../widgets/Panel.tsx';
import { QuantityInput } from '../../../widgets/QuantityInput.tsx';
import { StateMark } from '../../../widgets/StateMark.tsx';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';
import { useSend } from '../../../widgets/useSend.ts';

type Job = Pick<JobSheet, 'number' | 'state'>;
const START: DashBody = {
  ...{ kind: 'dial', name: '', signal: '', driver: '', face: '', unit: '', points: [], tolerance: 0.05 },
};

/** Every dial, lamp, lever and switch of the old dash: its signal, its driver, its face, and whether a dial is proved. */
export function DashPanel({ job, lines }: { job: Job; lines: readonly DashRow[] }) {
  const may = useMay(job, 'register');
  const dropping = useSend(false, { typed: false });
  const [open, setOpen] = useState<DashRow | 'new' | null>(null);
  const dials = lines.filter(({ kind }) => kind === 'dial');
  const proved = dials.filter(({ points, tolerance }) => dashVerdict(points, tolerance)?.proved).length;
  return (
    <Panel
      title="Dash sheet"
      aside={
        <span className="row">
          {dials.length > 0 && `${proved} of ${dials.length} dials proved`}
          {may && (
            <Button size="small" onClick={() => setOpen('new')}>
              Add a line
            </Button>
          )}
        </span>
      }
    >
      <div className="in stack">
        {open && (
          <DashForm
            key={open === 'new' ? 'new' : `${open.id} ${open.version}`}
            job={job}
            row={open === 'new' ? null : open}
            done={() => setOpen(null)}
          />
        )}
        <DataTable
          label="Dash sheet"
          rows={lines}
          least={640}
          rowKey={({ id }) => id}
          rowMark={({ name }) => ({ 'data-dash': name, className: '' })}
          empty="Nothing is on it yet: which dials are used again, for what, and what drives them."
          columns={({ words, actions }) => [
            words('What', (row) => (
              <>
                <span className="strong">{row.name}</span>{' '}
                <span className="soft small">{DASH_NAME[row.kind].toLowerCase()}</span>
              </>
            )),
            words('Shows', (row) =>
              [row.signal, row.driver && `by ${row.driver}`, row.face && `face ${row.face}`].filter(Boolean).join(', '),
            ),
            words('Calibrated', (row) => <Proved row={row} />),
            actions('What can be done', (row) =>
              may ? (
                <span className="row" style={{ justifyContent: 'flex-end', flexWrap: 'nowrap' }}>
                  <Button size="small" onClick={() => setOpen(row)} aria-label={`Change ${row.name}`}>
                    Change
                  </Button>
                  <Button
                    size="small"
                    type="text"
                    icon={<DeleteOutlined />}
                    aria-label={`Take ${row.name} off`}
                    loading={dropping.busy}
                    onClick={() => void dropping.go(conditionAddress.dropDash, { id: row.id })}
                  />
                </span>
              ) : null,
            ),
          ]}
        />
      </div>
    </Panel>
  );
}

function Proved({ row }: { row: DashRow }) {
  if (row.kind !== 'dial') return null;
  const verdict = dashVerdict(row.points, row.tolerance);
  if (!verdict)
    return (
      <span className="soft">
        {row.points.length} of {DASH_POINTS} points
      </span>
    );
  const off = Number.isFinite(verdict.worst) ? `${formatNumber(verdict.worst * 100, 1)} % off at most` : 'no scale';
  return (
    <span className={verdict.proved ? '' : 'stop'}>
      <StateMark mark={verdict.proved ? 'pass' : 'stop'} /> {off}
      {verdict.worst <= row.tolerance && !verdict.proved && ', and the needle turns back'}
    </span>
  );
}

function DashForm({ job, row, done }: { job: Job; row: DashRow | null; done: () => void }) {
  const [draft, setDraft] = useState<DashBody>(() => {
    if (!row) return START;
    const { id: _, by: __, version: ___, ...body } = row;
    return body;
  });
  const [points, setPoints] = useState<readonly { signal: number | null; shown: number | null }[]>(
    Array.from({ length: DASH_POINTS }, (_, i) => row?.points[i] ?? { signal: null, shown: null }),
  );
  const set = (change: Partial<DashBody>) => setDraft((now) => ({ ...now, ...change }));
  const given = points.flatMap(({ signal, shown }) => (signal === null || shown === null ? [] : [{ signal, shown }]));
  const body = { ...draft, points: draft.kind === 'dial' ? given : [] };
  const add = useChecked(conditionAddress.addDash, { number: job.number }, body);
  const change = useChecked(
    conditionAddress.changeDash,
    { id: row?.id ?? '' },
    { ...body, version: row?.version ?? 1 },
  );
  const form = row ? change : add;
  const point = (i: number, part: Partial<{ signal: number | null; shown: number | null }>) =>
    setPoints(points.map((one, k) => (k === i ? { ...one, ...part } : one)));
  return (
    <EntryForm
      className="stack lesson"
      save={row ? 'Save' : 'Add it'}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        <Choice<DashKind>
          label="Kind"
          value={draft.kind}
          options={DASH_KINDS.map((value) => ({ value, label: DASH_NAME[value] }))}
          onChange={(kind) => kind && set({ kind })}
        />
        <TextField label="What it is" value={draft.name} onChange={(name) => set({ name })} fault={form.faults.name} />
        <TextField
          label="Signal"
          value={draft.signal}
          onChange={(signal) => set({ signal })}
          fault={form.faults.signal}
        />
        <TextField
          label="Driven by"
          value={draft.driver}
          onChange={(driver) => set({ driver })}
          fault={form.faults.driver}
        />
        <TextField label="Face" value={draft.face} onChange={(face) => set({ face })} fault={form.faults.face} />
        {draft.kind === 'dial' && (
          <>
            <TextField label="Unit" value={draft.unit} onChange={(unit) => set({ unit })} fault={form.faults.unit} />
            <QuantityInput
              label="May be off by"
              kind="share"
              value={draft.tolerance}
              onChange={(tolerance) => tolerance !== null && set({ tolerance })}
              fault={form.faults.tolerance}
            />
          </>
        )}
      </div>
      {draft.kind === 'dial' && (
        <div className="stack">
          <h3>Five points: what the signal said, and what the dial showed</h3>
          {points.map(({ signal, shown }, i) => (
            <div key={i} className="row">
              <QuantityInput
                label={`Signal ${i + 1}`}
                kind="count"
                mayBeEmpty
                width={130}
                value={signal}
                onChange={(value) => point(i, { signal: value })}
              />
              <QuantityInput
                label={`Shown ${i + 1}`}
                kind="count"
                mayBeEmpty
                width={130}
                value={shown}
                onChange={(value) => point(i, { shown: value })}
              />
            </div>
          ))}
        </div>
      )}
      {form.problem?.type === '/problems/stale' && (
        <p className="fault">Somebody has changed this line meanwhile. Leave the form and look again.</p>
      )}
    </EntryForm>
  );
}
