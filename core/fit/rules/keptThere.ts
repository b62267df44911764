import { componentAs, type DriveSheet } from '../../component/sheets.ts';
import type { Variant } from '../../vehicle/variant.ts';
import { coverOf } from '../cover.ts';
import type { Finding, FitRule } from '../finding.ts';
import type { VehicleFunction } from '../functions.ts';

interface Kept {
  /** What stays in its place: on this vehicle, gone with the engine, or to be looked for. */
  readonly state: 'there' | 'gone' | 'look';
  readonly what: string;
}

const cooled = ({ cooling }: Variant): Kept =>
  cooling === 'radiator'
    ? { state: 'there', what: 'radiator and its loop' }
    : { state: 'gone', what: 'air-cooled: there is no radiator and no loop' };
const geared = ({ gearbox }: Variant, output: DriveSheet['output'] | null): Kept =>
  output !== null && output !== 'gearboxInput'
    ? { state: 'gone', what: 'the drive takes the place of the gearbox' }
    : gearbox.ratios.length > 0
      ? { state: 'there', what: `gearbox with ${gearbox.ratios.length} gears` }
      : { state: 'gone', what: 'no gearbox stays on this vehicle' };

/** What "kept from the vehicle" rests on, function by function; of the others the sheet of a model says nothing. */
const KEPT: Partial<Record<VehicleFunction, (variant: Variant, output: DriveSheet['output'] | null) => Kept>> = {
  coolDrive: cooled,
  coolBattery: cooled,
  moveCoolant: cooled,
  couple: geared,
  direction: geared,
  feedLv: () => ({ state: 'gone', what: 'the alternator goes with the engine' }),
  keepLv: ({ systemVoltage }) => ({ state: 'there', what: `${systemVoltage} V battery` }),
  heatCabin: () => ({ state: 'look', what: 'a heater that works without the engine' }),
  demist: () => ({ state: 'look', what: 'a demister that works without the engine' }),
  show: ({ instruments = [] }) =>
    instruments.length > 0
      ? { state: 'there', what: `${instruments.length} dials` }
      : { state: 'look', what: 'dials that work without the engine' },
};
const VERDICT = { there: 'fits', gone: 'doesNotFit', look: 'measureFirst' } as const;

/** What a kit or a job says is kept from the vehicle must be on this vehicle, and work once the engine is out. */
export const keptThere: FitRule = {
  id: 'keptThere',
  judge: ({ vehicle, parts, cover, library }): Finding[] => {
    const output = parts.map(({ component }) => componentAs(component, 'drive')?.sheet.output).find(Boolean) ?? null;
    return coverOf(parts, cover, library).flatMap((line): Finding[] => {
      const kept = line.by === 'kept' ? KEPT[line.function as VehicleFunction]?.(vehicle.variant, output) : undefined;
      if (!kept) return [];
      return [
        {
          rule: 'keptThere',
          subject: kept.what,
          verdict: VERDICT[kept.state],
          left: { value: line.what || 'kept from the vehicle', kind: null, source: 'design' },
          right: { value: kept.state === 'look' ? null : kept.what, kind: null, source: 'library' },
          margin: null,
          unmeasured: [],
          work: null,
        },
      ];
    });
  },
};
