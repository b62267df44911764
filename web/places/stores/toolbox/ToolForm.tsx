import { AutoComplete, Checkbox } from 'antd';
import { useId, useState } from 'react';
import { type ToolBody, type ToolRow, toolAddress } from '../../../../contract/tools.ts';
import { DayInput } from '../../../widgets/DayInput.tsx';
import { EntryForm } from '../../../widgets/EntryForm.tsx';
import { faultOf, Labelled } from '../../../widgets/Labelled.tsx';
import { useToolKinds } from '../../../widgets/stages/useToolKinds.ts';
import { TextField } from '../../../widgets/TextField.tsx';
import { useChecked } from '../../../widgets/useChecked.ts';

const START: ToolBody = {
  ...{ kind: '', name: '', number: '', calibrated: true, calibratedUntil: null, paper: '', kept: '' },
};

/** A tool as it is entered, or what is known of one put right: a new calibration, another place. */
export function ToolForm({ row, done }: { row: ToolRow | null; done: () => void }) {
  const kindId = useId();
  const kinds = useToolKinds();
  const [draft, setDraft] = useState<ToolBody>(
    row
      ? {
          ...{ kind: row.kind, name: row.name, number: row.number, calibrated: row.calibrated },
          ...{ calibratedUntil: row.calibratedUntil, paper: row.paper, kept: row.kept },
        }
      : START,
  );
  const set = (change: Partial<ToolBody>) => setDraft((now) => ({ ...now, ...change }));
  const add = useChecked(toolAddress.add, {}, draft);
  const change = useChecked(toolAddress.change, { id: row?.id ?? '' }, { ...draft, version: row?.version ?? 1 });
  const form = row ? change : add;
  const { faults } = form;
  return (
    <EntryForm
      className="stack lesson"
      save={row ? 'Save' : 'Enter it'}
      busy={form.busy}
      refusal={form.refusal}
      onSave={() => void form.save().then((saved) => saved && done())}
    >
      <div className="fields">
        <Labelled label="What it is" id={kindId} fault={faults.kind}>
          <AutoComplete
            id={kindId}
            value={draft.kind}
            options={kinds.map((value) => ({ value }))}
            onChange={(kind) => set({ kind })}
            placeholder="torque wrench"
            {...faultOf(kindId, faults.kind)}
          />
        </Labelled>
        <TextField label="Name" value={draft.name} onChange={(name) => set({ name })} fault={faults.name} />
        <TextField
          label="Its number"
          value={draft.number}
          onChange={(number) => set({ number })}
          fault={faults.number}
        />
        <TextField label="Kept in" value={draft.kept} onChange={(kept) => set({ kept })} fault={faults.kept} />
        <Labelled label="Calibration">
          <Checkbox
            checked={draft.calibrated}
            onChange={({ target }) =>
              set({ calibrated: target.checked, ...(!target.checked && { calibratedUntil: null, paper: '' }) })
            }
          >
            what it shows must be believed
          </Checkbox>
        </Labelled>
        {draft.calibrated && (
          <>
            <DayInput
              shown
              label="Calibration holds until"
              value={draft.calibratedUntil ?? ''}
              onChange={(day) => set({ calibratedUntil: day || null })}
              fault={faults.calibratedUntil}
            />
            <TextField
              label="Certificate"
              value={draft.paper}
              onChange={(paper) => set({ paper })}
              fault={faults.paper}
            />
          </>
        )}
      </div>
      {form.problem?.type === '/problems/stale' && (
        <p className="fault">Somebody has changed it meanwhile. What is there now is shown once you leave this form.</p>
      )}
    </EntryForm>
  );
}
