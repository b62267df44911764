import { Checkbox, Drawer, Select } from 'antd';
import { useState } from 'react';
import type { Sent } from '../../../contract/address.ts';
import { componentAddress, type NewComponent } from '../../../contract/components.ts';
import { columnsOf } from '../../../core/component/cells.ts';
import { KIND_NAME, KINDS } from '../../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import { VEHICLE_FUNCTIONS } from '../../../core/fit/functions.ts';
import { FUNCTION_NAME } from '../../../wording/fit.ts';
import { useDraft } from '../../data/draft.ts';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { SheetField } from './SheetField.tsx';
import { blankSheet, columnKey, type SheetDraft, sheetOf } from './sheetDraft.ts';

type Common = Omit<Sent<NewComponent>, 'kind' | 'sheet'>;
const BLANK: Common = {
  name: '',
  supplier: '',
  massKg: null,
  lengthMm: null,
  widthMm: null,
  heightMm: null,
  priceCents: null,
  leadDays: null,
  covers: [],
  highVoltage: false,
};
const MEASURES = [
  ['massKg', 'Mass', 'mass'],
  ['lengthMm', 'Length', 'length'],
  ['widthMm', 'Width', 'length'],
  ['heightMm', 'Height', 'length'],
  ['priceCents', 'Price', 'money'],
  ['leadDays', 'Days to get', 'count'],
] as const;

/** A component is taken into the library: what stands on each, then the sheet of its kind, from its descriptor. */
export function AddComponent({ kind, onClose }: { kind: ComponentKind; onClose: () => void }) {
  const [draft, setDraft] = useDraft<{ common: Common; sheet: SheetDraft }>(`component ${kind}`);
  const { common, sheet } = draft ?? { common: BLANK, sheet: blankSheet(kind) };
  const [fresh, setFresh] = useState(0);
  const set = (change: Partial<Common>) => setDraft({ common: { ...common, ...change }, sheet });
  const form = useChecked(componentAddress.add, {}, { kind, ...common, sheet: sheetOf(kind, sheet) });
  const save = async () => {
    if (!(await form.save())) return;
    setDraft(null);
    onClose();
  };
  return (
    <Drawer open title={`Add: ${KIND_NAME[kind].toLowerCase()}`} onClose={onClose} size={560}>
      <EntryForm
        key={fresh}
        save="Take it into the library"
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void save()}
      >
        <div className="fields">
          <TextField label="Name" value={common.name} onChange={(name) => set({ name })} fault={form.faults.name} />
          <TextField
            label="Supplier"
            value={common.supplier}
            onChange={(supplier) => set({ supplier })}
            fault={form.faults.supplier}
          />
          {MEASURES.map(([field, label, quantity]) => (
            <QuantityInput
              key={field}
              label={label}
              kind={quantity}
              value={common[field]}
              onChange={(value) => set({ [field]: value })}
              fault={form.faults[field]}
              mayBeEmpty
            />
          ))}
        </div>
        <Labelled label="Functions of the vehicle it covers" id="covers" fault={form.faults.covers}>
          <Select
            id="covers"
            mode="multiple"
            value={[...common.covers]}
            options={VEHICLE_FUNCTIONS.map((value) => ({ value, label: FUNCTION_NAME[value] }))}
            onChange={(covers) => set({ covers })}
          />
        </Labelled>
        <Checkbox checked={common.highVoltage} onChange={(event) => set({ highVoltage: event.target.checked })}>
          Live parts inside
        </Checkbox>
        <h3>Its sheet</h3>
        <div className="fields">
          {columnsOf(KINDS[kind]).map((column) => {
            const key = columnKey(column);
            const wide = column.field.type === 'rows' || column.field.type === 'grid' || column.field.type === 'series';
            return (
              <div key={key} style={wide ? { gridColumn: '1 / -1' } : undefined}>
                <SheetField
                  column={column}
                  value={sheet[key]}
                  onChange={(value) => setDraft({ common, sheet: { ...sheet, [key]: value } })}
                  fault={(path) => form.faults[`sheet.${key}${path ? `.${path}` : ''}`]}
                />
                {column.field.meaning && <div className="soft small">{column.field.meaning}</div>}
              </div>
            );
          })}
        </div>
        {draft && (
          <button
            type="button"
            className="link"
            onClick={() => {
              setDraft(null);
              form.clear();
              setFresh(fresh + 1);
            }}
          >
            Clear the form
          </button>
        )}
      </EntryForm>
    </Drawer>
  );
}
