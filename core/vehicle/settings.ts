import type { QuantityKind } from '../quantity/kinds.ts';

/** What is set in each unit, in base units; how a maker calls it differs. Common practice. */
export const SETTINGS = {
  controller: {
    maxTorqueNm: 'torque',
    maxBatteryA: 'current',
    regenPowerW: 'electricPower',
    emptyV: 'voltage',
    creepTorqueNm: 'torque',
    rampS: 'duration',
  },
  charger: { endV: 'voltage', maxDcA: 'current', maxAcA: 'current' },
  management: {
    cellMaxV: 'voltage',
    cellMinV: 'voltage',
    maxChargeA: 'current',
    maxDischargeA: 'current',
    hottestC: 'temperature',
    coldestChargeC: 'temperature',
  },
} as const satisfies Record<string, Record<string, QuantityKind>>;

export type SettingUnit = keyof typeof SETTINGS;

/** The kind of quantity a setting is; null for one nobody knows here. */
export const settingKind = (unit: SettingUnit, key: string): QuantityKind | null =>
  (SETTINGS[unit] as Readonly<Record<string, QuantityKind>>)[key] ?? null;
