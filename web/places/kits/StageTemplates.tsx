import { DeleteOutlined, PlusOutlined } from '@ant-design/icons';
import { Button, Popconfirm } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { hasRole } from '../../../contract/rights.ts';
import { type StageTemplateRow, stageTemplateAddress } from '../../../contract/stageTemplates.ts';
import type { StageTemplate } from '../../../core/kit/kit.ts';
import { useOfAddress } from '../../data/resources.ts';
import { usePerson } from '../../data/session.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { LendBasics } from '../../widgets/LendBasics.tsx';
import { Panel } from '../../widgets/Panel.tsx';
import { StagesEditor } from '../../widgets/stages/StagesEditor.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { useSend } from '../../widgets/useSend.ts';

/** The workshop's lists of stages, from which kits and jobs are begun. */
export default function StageTemplates() {
  const { role } = usePerson();
  const may = hasRole(role, stageTemplateAddress.change.may);
  const { data, error } = useOfAddress(stageTemplateAddress.list, {});
  const [chosen, setChosen] = useState<string | null>(null);
  const rows = data ?? [];
  const shown = chosen === 'new' ? null : (rows.find(({ id }) => id === chosen) ?? rows[0] ?? null);
  return (
    <div className="page stack">
      <div className="spread">
        <h1>Lists of stages</h1>
        <span className="row">
          <Link to="/kits">Kits</Link>
          {may && (
            <Button type="primary" icon={<PlusOutlined />} onClick={() => setChosen('new')}>
              New list
            </Button>
          )}
        </span>
      </div>
      {error && <p className="stop">{error.message}</p>}
      {data && may && !rows.some(({ lent }) => lent) && <LendBasics first={['stages']} />}
      <div className="row" role="group" aria-label="Lists of stages">
        {rows.map((row) => (
          <Button key={row.id} type={shown?.id === row.id ? 'primary' : 'default'} onClick={() => setChosen(row.id)}>
            {row.name}
            {row.lent ? ' (library)' : ''}
          </Button>
        ))}
      </div>
      {data && rows.length === 0 && chosen !== 'new' && (
        <p className="soft">None yet: begin one, or let Dajo lend you the trade’s usual ones.</p>
      )}
      {chosen === 'new' ? (
        <Editor key="new" row={null} may={may} done={setChosen} />
      ) : (
        shown && <Editor key={`${shown.id} ${shown.version}`} row={shown} may={may} done={setChosen} />
      )}
    </div>
  );
}

function Editor({ row, may, done }: { row: StageTemplateRow | null; may: boolean; done: (id: string | null) => void }) {
  const [name, setName] = useState(row?.name ?? '');
  const [stages, setStages] = useState<readonly StageTemplate[]>(row?.stages ?? []);
  const fresh = useChecked(stageTemplateAddress.add, {}, { name, stages });
  const change = useChecked(
    stageTemplateAddress.change,
    { id: row?.id ?? '' },
    { name, stages, version: row?.version ?? 1 },
  );
  const drop = useSend(false, { typed: false });
  const form = row ? change : fresh;
  const save = async () => {
    if (row) await change.save();
    else {
      const made = await fresh.save();
      if (made) done(made.id);
    }
  };
  const faults = Object.fromEntries(
    Object.entries(form.faults).flatMap(([path, sentence]) =>
      path.startsWith('stages.') ? [[path.slice('stages.'.length), sentence]] : [],
    ),
  );
  return (
    <Panel
      title={row ? row.name : 'A new list'}
      aside={row?.lent ? 'lent by Dajo; common practice until you change it' : undefined}
    >
      <div className="in stack">
        {may && (
          <div className="draft-bar">
            <TextField label="Name of the list" value={name} onChange={setName} fault={form.faults.name} />
            <div className="row">
              <Button type="primary" loading={form.busy} onClick={() => void save()}>
                Save
              </Button>
              {row && (
                <Popconfirm
                  title="Drop this list?"
                  description="Kits and jobs begun from it keep their stages."
                  okText="Drop it"
                  cancelText="Keep it"
                  onConfirm={() =>
                    void drop
                      .go(stageTemplateAddress.drop, { id: row.id }, { version: row.version })
                      .then((ok) => ok && done(null))
                  }
                >
                  <Button icon={<DeleteOutlined />}>Drop the list</Button>
                </Popconfirm>
              )}
            </div>
          </div>
        )}
        {form.refusal && <p className="fault">{form.refusal}</p>}
        {Object.keys(faults).length > 0 && <p className="fault">Not saved: {Object.values(faults)[0]}</p>}
        <StagesEditor stages={stages} onChange={setStages} faults={faults} disabled={!may} />
      </div>
      {row && (
        <Conflict
          of={stageTemplateAddress.change}
          params={{ id: row.id }}
          sending={change.sending}
          theirs={(now: StageTemplateRow) => ({ name: now.name, stages: now.stages, version: now.version })}
          done={() => {
            setName(row.name);
            setStages(row.stages);
          }}
        />
      )}
    </Panel>
  );
}
