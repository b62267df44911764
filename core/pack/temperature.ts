import type { ModuleSheet } from '../component/sheets.ts';

/** What a module does at a temperature against what its sheet states. */
export interface AtTemperature {
  readonly temperatureC: number;
  /** Resistance, as a multiple of the sheet's. */
  readonly resistance: number;
  /** Energy it gives down to its lowest voltage, as a share of the sheet's. */
  readonly energy: number;
  /** Charging rate it stands, as a share of the sheet's. */
  readonly charge: number;
}

/** Temperature at which sheets are taken to speak, °C. */
export const SHEET_C = 20;

/**
 * Lithium cells against temperature where no sheet says; common practice. At and below freezing charging plates
 * lithium on the anode: hardly any is allowed, and none in hard frost.
 */
export const USUAL_BY_TEMPERATURE: Readonly<Record<ModuleSheet['chemistry'], readonly AtTemperature[]>> = {
  NMC: [
    { temperatureC: -30, resistance: 7.5, energy: 0.65, charge: 0 },
    { temperatureC: -20, resistance: 4.5, energy: 0.8, charge: 0 },
    { temperatureC: -10, resistance: 2.8, energy: 0.89, charge: 0.05 },
    { temperatureC: 0, resistance: 1.9, energy: 0.95, charge: 0.25 },
    { temperatureC: 10, resistance: 1.35, energy: 0.98, charge: 0.65 },
    { temperatureC: 20, resistance: 1, energy: 1, charge: 1 },
    { temperatureC: 40, resistance: 0.85, energy: 1, charge: 1 },
  ],
  LFP: [
    { temperatureC: -30, resistance: 10, energy: 0.45, charge: 0 },
    { temperatureC: -20, resistance: 6, energy: 0.62, charge: 0 },
    { temperatureC: -10, resistance: 3.6, energy: 0.78, charge: 0 },
    { temperatureC: 0, resistance: 2.2, energy: 0.9, charge: 0.1 },
    { temperatureC: 10, resistance: 1.45, energy: 0.96, charge: 0.5 },
    { temperatureC: 20, resistance: 1, energy: 1, charge: 1 },
    { temperatureC: 40, resistance: 0.85, energy: 1, charge: 1 },
  ],
};

/** Where the usual curves end, °C: outside them the end is taken, and said. */
export const COLDEST_C = -30;
export const HOTTEST_C = 40;

/** A module at a temperature: by its sheet's own rows where it has them, else as usual for its chemistry; straight lines between, the ends beyond. */
export function moduleAt(sheet: Pick<ModuleSheet, 'chemistry' | 'byTemperature'>, temperatureC: number): AtTemperature {
  const rows = sheet.byTemperature ? inOrder(sheet.byTemperature) : USUAL_BY_TEMPERATURE[sheet.chemistry];
  const above = rows.findIndex((row) => row.temperatureC >= temperatureC);
  if (above < 0) return { ...rows.at(-1)!, temperatureC };
  const high = rows[above]!;
  const low = rows[above - 1];
  if (!low) return { ...high, temperatureC };
  const share = (temperatureC - low.temperatureC) / (high.temperatureC - low.temperatureC);
  const between = (key: 'resistance' | 'energy' | 'charge') => low[key] + share * (high[key] - low[key]);
  return {
    temperatureC,
    resistance: between('resistance'),
    energy: between('energy'),
    charge: between('charge'),
  };
}

const ordered = new WeakMap<readonly AtTemperature[], readonly AtTemperature[]>();

function inOrder(rows: readonly AtTemperature[]): readonly AtTemperature[] {
  const known = ordered.get(rows);
  if (known) return known;
  const made = [...rows].sort((a, b) => a.temperatureC - b.temperatureC);
  ordered.set(rows, made);
  return made;
}
