import type { SheetByKind } from '../component/sheets.ts';

type HeaterSheet = SheetByKind['heater'];

/** Whether a heater is a plain resistance: its sheet then names the voltage its power is stated at. */
export const isPlain = (sheet: Pick<HeaterSheet, 'ratedV'>): sheet is { ratedV: number } => sheet.ratedV !== undefined;

/**
 * Power a heater draws at a voltage, W: a regulated one its own, a plain resistance P·(V/Vrated)², since R = Vrated²/P
 * stays (Ohm; trade §5.11).
 */
export const heaterPower = (sheet: Pick<HeaterSheet, 'powerW' | 'ratedV'>, volts: number): number =>
  isPlain(sheet) ? sheet.powerW * (volts / sheet.ratedV) ** 2 : sheet.powerW;

/** Most current a heater draws from a pack, A: regulated at the empty pack (I = P/V), plain at the full one (I = V/R). */
export const heaterAmps = (
  sheet: Pick<HeaterSheet, 'powerW' | 'ratedV'>,
  { emptyV, fullV }: { readonly emptyV: number; readonly fullV: number },
): number => (isPlain(sheet) ? heaterPower(sheet, fullV) / fullV : sheet.powerW / emptyV);
