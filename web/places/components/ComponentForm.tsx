import { Checkbox, Drawer, Select } from 'antd';
import { useMemo, useState } from 'react';
import type { Sent } from '../../../contract/address.ts';
import { componentAddress, type NewComponent } from '../../../contract/components.ts';
import type { LibraryComponent } from '../../../contract/library.ts';
import { columnsOf } from '../../../core/component/cells.ts';
import { KIND_NAME, KINDS } from '../../../core/component/kinds/index.ts';
import type { ComponentKind } from '../../../core/component/sheets.ts';
import { VEHICLE_FUNCTIONS } from '../../../core/fit/functions.ts';
import { rootOf } from '../../../core/vehicle/revisions.ts';
import { FUNCTION_NAME } from '../../../wording/fit.ts';
import { useDraft } from '../../data/draft.ts';
import { useOfAddress } from '../../data/resources.ts';
import { FilesOf } from '../../files/FilesOf.tsx';
import { Conflict } from '../../widgets/Conflict.tsx';
import { DayInput } from '../../widgets/DayInput.tsx';
import { EntryForm } from '../../widgets/EntryForm.tsx';
import { Labelled } from '../../widgets/Labelled.tsx';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { useChecked } from '../../widgets/useChecked.ts';
import { SheetCurves } from './SheetCurves.tsx';
import { SheetField } from './SheetField.tsx';
import { blankSheet, columnKey, draftOf, type SheetDraft, sheetOf } from './sheetDraft.ts';

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
  partNumber: '',
  pricedOn: null,
  alternatives: [],
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

interface Props {
  readonly kind: ComponentKind;
  /** The one that is changed; null takes a new one into the library. */
  readonly stored: LibraryComponent | null;
  readonly onClose: () => void;
}

/** A component of the library: what stands on each, then the sheet of its kind, from its descriptor. */
export function ComponentForm({ kind, stored, onClose }: Props) {
  const [draft, setDraft] = useDraft<{ common: Common; sheet: SheetDraft }>(
    stored ? `component ${stored.id} ${stored.version}` : `component ${kind}`,
  );
  const start = useMemo(
    () =>
      stored
        ? { common: commonOf(stored), sheet: draftOf(kind, stored.sheet) }
        : { common: BLANK, sheet: blankSheet(kind) },
    [stored, kind],
  );
  const { common, sheet } = draft ?? start;
  const [fresh, setFresh] = useState(0);
  const { data: ofKind } = useOfAddress(componentAddress.ofKind, { kind });
  const others = (ofKind ?? []).filter((one) => one.id !== stored?.id);
  const set = (change: Partial<Common>) => setDraft({ common: { ...common, ...change }, sheet });
  const component = { kind, ...common, sheet: sheetOf(kind, sheet) };
  const adding = useChecked(componentAddress.add, {}, component);
  const changing = useChecked(
    componentAddress.change,
    { component: stored?.id ?? '' },
    { component, version: stored?.version ?? 1 },
  );
  const form = stored ? changing : adding;
  const faults = stored ? withoutPrefix(changing.faults) : adding.faults;
  const save = async () => {
    if (!(await form.save())) return;
    setDraft(null);
    onClose();
  };
  return (
    <Drawer open title={stored?.name ?? `Add: ${KIND_NAME[kind].toLowerCase()}`} onClose={onClose} size={560}>
      <EntryForm
        key={fresh}
        save={stored ? 'Save the component' : 'Take it into the library'}
        busy={form.busy}
        refusal={form.refusal}
        onSave={() => void save()}
      >
        <div className="fields">
          <TextField label="Name" value={common.name} onChange={(name) => set({ name })} fault={faults.name} />
          <TextField
            label="Supplier"
            value={common.supplier}
            onChange={(supplier) => set({ supplier })}
            fault={faults.supplier}
          />
          <TextField
            label="Part number"
            value={common.partNumber ?? ''}
            onChange={(partNumber) => set({ partNumber })}
            fault={faults.partNumber}
          />
          <DayInput
            label="Price known on"
            shown
            value={common.pricedOn ?? ''}
            onChange={(pricedOn) => set({ pricedOn: pricedOn || null })}
            fault={faults.pricedOn}
          />
          {MEASURES.map(([field, label, quantity]) => (
            <QuantityInput
              key={field}
              label={label}
              kind={quantity}
              value={common[field]}
              onChange={(value) => set({ [field]: value })}
              fault={faults[field]}
              mayBeEmpty
            />
          ))}
        </div>
        <Labelled label="Functions of the vehicle it covers" id="covers" fault={faults.covers}>
          <Select
            id="covers"
            mode="multiple"
            value={[...common.covers]}
            options={VEHICLE_FUNCTIONS.map((value) => ({ value, label: FUNCTION_NAME[value] }))}
            onChange={(covers) => set({ covers })}
          />
        </Labelled>
        <Labelled label="What does instead" id="alternatives" fault={faults.alternatives}>
          <Select
            id="alternatives"
            mode="multiple"
            optionFilterProp="label"
            value={[...(common.alternatives ?? [])]}
            options={others.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(alternatives) => set({ alternatives })}
          />
        </Labelled>
        <Checkbox checked={common.highVoltage} onChange={(event) => set({ highVoltage: event.target.checked })}>
          Live parts inside
        </Checkbox>
        <h3>Its sheet</h3>
        <SheetCurves kind={kind} sheet={component.sheet} />
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
                  fault={(path) => faults[`sheet.${key}${path ? `.${path}` : ''}`]}
                />
                {column.field.meaning && <div className="soft small">{column.field.meaning}</div>}
              </div>
            );
          })}
        </div>
        {stored && (
          <p className="soft small">
            Where designs, kits or lists stand on it, a change of its mass, size or sheet makes a new revision, and they
            keep the old one; what is in stores stays with the old one too. Name, supplier, price and days change at
            once.
          </p>
        )}
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
            {stored ? 'Drop the changes' : 'Clear the form'}
          </button>
        )}
      </EntryForm>
      {stored && (
        <>
          <h3>Datasheet, drawings, papers</h3>
          <FilesOf about="component" of={rootOf(stored.id)} name={stored.name} />
        </>
      )}
      {stored && (
        <Conflict
          of={componentAddress.change}
          params={{ component: stored.id }}
          sending={changing.sending}
          theirs={(now: LibraryComponent) => ({
            component: { kind, ...commonOf(now), sheet: now.sheet as unknown as Record<string, unknown> },
            version: now.version,
          })}
          done={() => {
            setDraft(null);
            onClose();
          }}
        />
      )}
    </Drawer>
  );
}

const commonOf = ({
  name,
  supplier,
  massKg,
  lengthMm,
  widthMm,
  heightMm,
  priceCents,
  leadDays,
  partNumber = '',
  pricedOn = null,
  alternatives = [],
  covers,
  highVoltage,
}: LibraryComponent): Common => ({
  ...{ name, supplier, massKg, lengthMm, widthMm, heightMm, priceCents, leadDays, partNumber, pricedOn, highVoltage },
  alternatives: [...alternatives],
  covers: [...covers] as unknown as Common['covers'],
});

/** The faults of a change lie below "component". */
const withoutPrefix = (faults: Readonly<Record<string, string>>): Record<string, string> =>
  Object.fromEntries(Object.entries(faults).map(([path, text]) => [path.replace(/^component\./, ''), text]));
