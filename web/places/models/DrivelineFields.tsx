import type {
  Displaced,
  DrivelinePart,
  Instrument,
  LuggagePlace,
  MovingPart,
  Opening,
  PassThrough,
  RemovedItem,
  Variant,
} from '../../../core/vehicle/variant.ts';
import { AFTER_NAME, INSTRUMENT_DRIVE_NAME } from '../../../wording/variants.ts';
import { QuantityInput } from '../../widgets/QuantityInput.tsx';
import { type RowField, RowsEditor } from '../../widgets/RowsEditor.tsx';
import { TextField } from '../../widgets/TextField.tsx';
import { DriveModeFields } from './DriveModeFields.tsx';
import { type EditorPart, faultsBelow } from './editorPart.ts';

const PART: readonly RowField<DrivelinePart>[] = [
  { key: 'part', label: 'Part', type: 'text' },
  { key: 'limitNm', label: 'Good for', type: 'torque' },
  { key: 'after', label: 'Where', type: AFTER_NAME },
  { key: 'axle', label: 'Axle, where torque divides', type: { front: 'front', rear: 'rear' }, optional: true },
  { key: 'lasts', label: 'For how long', type: { moment: 'a moment', good: 'good' }, optional: true },
  { key: 'powerOnlyW', label: 'Known by power alone', type: 'shaftPower', optional: true },
  { key: 'oneOfTwo', label: 'One of two', type: 'flag', optional: true },
];
const REMOVED: readonly RowField<RemovedItem>[] = [
  { key: 'name', label: 'What comes out', type: 'text' },
  { key: 'massKg', label: 'Mass', type: 'mass', digits: 1 },
  { key: 'xMm', label: 'Behind the front axle', type: 'length' },
  { key: 'yMm', label: 'Right of the middle', type: 'length', optional: true },
];
const PASS: readonly RowField<PassThrough>[] = [
  { key: 'name', label: 'Name of the pass', type: 'text' },
  { key: 'diameterMm', label: 'Diameter', type: 'length' },
  { key: 'from', label: 'From', type: 'text' },
  { key: 'to', label: 'To', type: 'text' },
  { key: 'usedFor', label: 'What went through', type: 'text' },
];
const OPENING: readonly RowField<Opening>[] = [
  { key: 'name', label: 'Name of the opening', type: 'text' },
  { key: 'diameterMm', label: 'Diameter', type: 'length' },
  { key: 'xMm', label: 'Behind the front axle', type: 'length' },
  { key: 'yMm', label: 'Right of the middle', type: 'length' },
  { key: 'zMm', label: 'Above the ground', type: 'length' },
  { key: 'usedFor', label: 'What it was for', type: 'text' },
];
const INSTRUMENT: readonly RowField<Instrument>[] = [
  { key: 'name', label: 'Name of the instrument', type: 'text' },
  { key: 'drivenBy', label: 'Driven by', type: INSTRUMENT_DRIVE_NAME },
  { key: 'from', label: 'From', type: 'text' },
];
const RATIO = [
  ['finalDrive', 'Final drive'],
  ['transfer', 'Transfer case, 1 for none'],
  ['hub', 'Hub reduction, 1 for none'],
] as const;
const FIT = [
  ['spline', 'Input spline'],
  ['shaftSpline', 'Half-shaft spline or flange'],
  ['boltPattern', 'Bolt pattern'],
] as const;

/** Gears, what each part stands and the ways to drive; or what comes out and the passes. */
export function DrivelineFields({ variant, set, faults, part }: EditorPart & { part: 'driveline' | 'out' }) {
  const { gearbox } = variant;
  const setGearbox = (change: Partial<typeof gearbox>) => set({ gearbox: { ...gearbox, ...change } });
  if (part === 'out')
    return (
      <div className="stack">
        <RowsEditor
          what="thing that comes out"
          rows={variant.removed}
          fields={REMOVED}
          start={() => ({ name: '', massKg: 10, xMm: 0 })}
          onChange={(removed) => set({ removed })}
          faults={faultsBelow(faults, 'removed')}
        />
        <h3>Passes through the body</h3>
        <RowsEditor
          what="pass"
          rows={variant.passThroughs}
          fields={PASS}
          start={() => ({ name: '', diameterMm: 40, from: '', to: '', usedFor: '' })}
          onChange={(passThroughs) => set({ passThroughs })}
          faults={faultsBelow(faults, 'passThroughs')}
        />
        <h3>Openings for an inlet or a lead</h3>
        <RowsEditor
          what="opening"
          rows={variant.openings ?? []}
          fields={OPENING}
          start={() => ({
            name: '',
            diameterMm: 60,
            xMm: variant.figures.wheelbase.value,
            yMm: 0,
            zMm: 700,
            usedFor: '',
          })}
          onChange={(openings) => set({ openings })}
          faults={faultsBelow(faults, 'openings')}
        />
        <h3>What moves with the suspension</h3>
        <RowsEditor
          what="moving part"
          rows={variant.moving ?? []}
          fields={MOVING}
          start={() => ({
            ...{ name: '', xMm: variant.figures.wheelbase.value, yMm: 0, zMm: 350 },
            ...{ lengthMm: 60, widthMm: 60, heightMm: 300, droopMm: 80, bumpMm: 60 },
          })}
          onChange={(moving) => set({ moving })}
          faults={faultsBelow(faults, 'moving')}
        />
        <h3>Where luggage goes</h3>
        <RowsEditor
          what="luggage place"
          rows={variant.luggage ?? []}
          fields={luggageFields(variant)}
          start={() => ({ name: '', litres: 100 })}
          onChange={(luggage) => set({ luggage })}
          faults={faultsBelow(faults, 'luggage')}
        />
        <h3>What stands in the bays today</h3>
        <RowsEditor
          what="original"
          rows={variant.displaced ?? []}
          fields={displacedFields(variant)}
          start={() => ({ name: '', bay: variant.bays[0]?.key ?? '' })}
          onChange={(displaced) => set({ displaced })}
          faults={faultsBelow(faults, 'displaced')}
        />
        <h3>Instruments, and what moves them</h3>
        <RowsEditor
          what="instrument"
          rows={variant.instruments ?? []}
          fields={INSTRUMENT}
          start={() => ({ name: '', drivenBy: 'cable' as const, from: 'gearbox' })}
          onChange={(instruments) => set({ instruments })}
          faults={faultsBelow(faults, 'instruments')}
        />
      </div>
    );
  return (
    <div className="stack">
      <RowsEditor
        what="gear"
        inline
        rows={gearbox.ratios.map((ratio) => ({ ratio }))}
        fields={[{ key: 'ratio', label: 'Gear', type: 'ratio' }]}
        start={() => ({ ratio: Number(((gearbox.ratios.at(-1) ?? 5) * 0.65).toFixed(2)) })}
        onChange={(rows) => setGearbox({ ratios: rows.map(({ ratio }) => ratio) })}
        faults={Object.fromEntries(
          Object.entries(faultsBelow(faults, 'gearbox.ratios')).map(([at, text]) => [`${at}.ratio`, text]),
        )}
      />
      <div className="fields">
        {RATIO.map(([field, label]) => (
          <QuantityInput
            key={field}
            label={label}
            kind="ratio"
            value={gearbox[field]}
            onChange={(value) => value !== null && setGearbox({ [field]: value })}
            fault={faults[`gearbox.${field}`]}
          />
        ))}
        <QuantityInput
          label="Low ratio of the transfer case"
          kind="ratio"
          mayBeEmpty
          value={gearbox.transferLow ?? null}
          onChange={(value) => {
            const { transferLow: _, ...rest } = gearbox;
            set({ gearbox: value === null ? rest : { ...rest, transferLow: value } });
          }}
          fault={faults['gearbox.transferLow']}
        />
        {FIT.map(([field, label]) => (
          <TextField
            key={field}
            label={label}
            value={gearbox[field]}
            onChange={(value) => setGearbox({ [field]: value })}
            fault={faults[`gearbox.${field}`]}
          />
        ))}
      </div>
      <h3>What each part is good for</h3>
      <RowsEditor
        what="part"
        rows={variant.driveline}
        fields={PART}
        start={() => ({ part: '', limitNm: 500, after: 'final' as const })}
        onChange={(driveline) => set({ driveline })}
        faults={faultsBelow(faults, 'driveline')}
      />
      <DriveModeFields variant={variant} set={set} faults={faults} />
    </div>
  );
}

const MOVING: readonly RowField<MovingPart>[] = [
  { key: 'name', label: 'What moves', type: 'text' },
  { key: 'xMm', label: 'Aft', type: 'length' },
  { key: 'yMm', label: 'To the right', type: 'length' },
  { key: 'zMm', label: 'Up, at rest', type: 'length' },
  { key: 'lengthMm', label: 'Length', type: 'length' },
  { key: 'widthMm', label: 'Width', type: 'length' },
  { key: 'heightMm', label: 'Height', type: 'length' },
  { key: 'droopMm', label: 'Down at full droop', type: 'length' },
  { key: 'bumpMm', label: 'Up at full bump', type: 'length' },
];

/** Fields of an original that stands in a bay. */
const displacedFields = ({ bays }: Pick<Variant, 'bays'>): readonly RowField<Displaced>[] => [
  { key: 'name', label: 'What stands there', type: 'text' },
  { key: 'bay', label: 'In the bay', type: Object.fromEntries(bays.map(({ key, name }) => [key, name])) },
  { key: 'spareWheel', label: 'Spare wheel', type: 'flag', optional: true },
];

/** Fields of a luggage place; its bay is one of the vehicle's. */
const luggageFields = ({ bays }: Pick<Variant, 'bays'>): readonly RowField<LuggagePlace>[] => [
  { key: 'name', label: 'Luggage goes', type: 'text' },
  { key: 'litres', label: 'Room', type: 'volume' },
  {
    key: 'bay',
    label: 'A box in this bay takes from it',
    type: Object.fromEntries(bays.map(({ key, name }) => [key, name])),
    optional: true,
  },
];
