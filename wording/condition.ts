import type { DashKind, UnitSetUp } from '../contract/condition.ts';
import type { InspectionKind } from '../core/vehicle/condition.ts';

export const INSPECTION_NAME: Readonly<Record<InspectionKind, string>> = { connector: 'Connector', box: 'Box' };
export const POINT_NAME: Readonly<Record<string, string>> = {
  ...{ pin: 'Pins', wire: 'Wire', crimp: 'Crimp', seal: 'Seal', torque: 'Torque' },
};
export const UNIT_SET_NAME: Readonly<Record<UnitSetUp, string>> = {
  controller: 'Controller',
  charger: 'Charger',
  management: 'Battery management',
};
export const DASH_NAME: Readonly<Record<DashKind, string>> = {
  dial: 'Dial',
  lamp: 'Lamp',
  lever: 'Lever',
  switch: 'Switch',
};
export const SETTING_NAME: Readonly<Record<string, string>> = {
  maxTorqueNm: 'Most torque',
  maxBatteryA: 'Most battery current',
  regenPowerW: 'Regeneration, most',
  emptyV: 'Stops driving at',
  creepTorqueNm: 'Creep',
  rampS: 'Pedal to full in',
  endV: 'Charges up to',
  maxDcA: 'Most charging current',
  maxAcA: 'Most from the mains',
  cellMaxV: 'Cell, most',
  cellMinV: 'Cell, least',
  maxChargeA: 'Charging, most',
  maxDischargeA: 'Discharging, most',
  hottestC: 'Hottest',
  coldestChargeC: 'Coldest to charge at',
};
