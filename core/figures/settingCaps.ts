import { chargeCurrentA } from '../pack/acceptance.ts';
import type { BoxString, PackWiring } from '../pack/compose.ts';
import { COLDEST_C, moduleAt, SHEET_C } from '../pack/temperature.ts';
import type { SettingCap } from '../vehicle/condition.ts';
import { protectiveCap } from './drive/protectiveCap.ts';
import type { FigureSheet } from './evaluate.ts';
import { packStrings } from './pack/packFacts.ts';
import { packVoltageEmpty, packVoltageFull } from './pack/packVoltages.ts';
import { fullCurrent } from './road/currents.ts';
import { packTakesBack } from './road/driveLine.ts';

/**
 * What a design holds the settings of controller, charger and management unit to: the driveline's torque, the pack's
 * currents and voltages, the cells' own voltages, the coldest the cells are charged at, what the inlet and the largest supply
 * give. Of a setting without a cap the design knows no limit, and nobody may say that it is within one.
 */
export function settingCaps(sheet: FigureSheet): SettingCap[] {
  const caps: SettingCap[] = [];
  const most = (key: string, limit: number | null) => {
    if (limit !== null) caps.push({ key, most: limit, least: null });
  };
  const least = (key: string, limit: number | null) => {
    if (limit !== null) caps.push({ key, most: null, least: limit });
  };
  most('maxTorqueNm', sheet.get(protectiveCap).value);
  const full = sheet.get(fullCurrent).value;
  most('maxBatteryA', full);
  most('maxDischargeA', full);
  most('regenPowerW', sheet.get(packTakesBack).value);
  most('endV', sheet.get(packVoltageFull).value);
  least('emptyV', sheet.get(packVoltageEmpty).value);
  const boxes = sheet.get(packStrings).value;
  if (boxes) {
    const charge = mostCharge(boxes, sheet.slots.pack.wiring);
    most('maxDcA', charge);
    most('maxChargeA', charge);
    most('cellMaxV', Math.min(...boxes.map(({ sheet: module }) => module.maxV / module.cellsSeries)));
    least('cellMinV', Math.max(...boxes.map(({ sheet: module }) => module.minV / module.cellsSeries)));
    least('coldestChargeC', coldestCharge(boxes));
  }
  most('maxAcA', mostAc(sheet.slots));
  return caps;
}

/** The current the pack is charged with at most, whatever its state, at the temperature of the sheets, A. */
const mostCharge = (boxes: readonly BoxString[], wiring: PackWiring): number =>
  Math.max(...Array.from({ length: 101 }, (_, percent) => chargeCurrentA(boxes, wiring, percent / 100, SHEET_C)));

/** The warmest whole degree at which some module is not charged at all; null where none is known. */
function coldestCharge(boxes: readonly BoxString[]): number | null {
  for (let at = SHEET_C; at >= COLDEST_C; at--)
    if (boxes.some(({ sheet }) => moduleAt(sheet, at).charge <= 0)) return at;
  return null;
}

/** A phase of the mains: the least of charger, inlet and the largest supply the client has, A. */
function mostAc({ charge, use }: FigureSheet['slots']): number | null {
  if (!charge.charger) return null;
  const supply = Math.max(use.supply.amps, ...(use.otherSupplies ?? []).map(({ amps }) => amps));
  return Math.min(charge.charger.sheet.maxAmps, charge.inletAmps ?? Number.POSITIVE_INFINITY, supply);
}
