/**
 * A load on the low-voltage side with how much of the time it runs in each mode, 0..1. Designs stored before there were
 * more than three modes leave the others out: a dry night is then a wet one, a wet day a dry one, and nothing runs while
 * it charges or stands parked.
 */
export interface LvLoad {
  readonly name: string;
  readonly watts: number;
  readonly day: number;
  readonly nightWet: number;
  readonly worst: number;
  /** @default 0 */
  readonly parked?: number;
  /** @default 0 */
  readonly charging?: number;
  /** By night, dry. @default nightWet */
  readonly night?: number;
  /** By day, wet. @default day */
  readonly wet?: number;
}

/** The modes of the low-voltage side, in the order in which they are shown. */
export const LV_CASES = ['parked', 'charging', 'day', 'wet', 'night', 'nightWet', 'worst'] as const;
export type LvCase = (typeof LV_CASES)[number];

export const LV_CASE_NAME: Readonly<Record<LvCase, string>> = {
  parked: 'Parked',
  charging: 'Charging',
  day: 'Day',
  wet: 'Wet day',
  night: 'Night',
  nightWet: 'Wet night',
  worst: 'Worst',
};

/** What an old light vehicle carries with its conversion; common practice. Pumps and fans run while charging too, and contactors hold. */
export const USUAL_LV_LOADS: readonly LvLoad[] = (
  [
    ['Controller, BMS, contactors', 70, 0.02, 1, 1, 1, 1, 1, 1],
    ['Drive coolant pump', 45, 0, 0.5, 0.7, 0.7, 0.7, 0.7, 1],
    ['Radiator fan', 120, 0, 0.3, 0.2, 0.1, 0.1, 0.1, 1],
    ['Head, tail and dash lamps', 150, 0, 0, 0, 0.5, 1, 1, 1],
    ['Brake and turn lamps', 84, 0, 0, 0.15, 0.15, 0.15, 0.15, 0.3],
    ['Wipers and washer', 60, 0, 0, 0, 0.8, 0, 0.8, 1],
    ['Cabin blower', 90, 0, 0, 0.3, 0.8, 0.5, 0.8, 1],
    ['Heated rear window', 110, 0, 0, 0, 0.4, 0.1, 0.4, 1],
    ['Radio and sockets', 40, 0.05, 0, 0.5, 0.5, 0.5, 0.5, 1],
  ] as const
).map(([name, watts, parked, charging, day, wet, night, nightWet, worst]) => ({
  name,
  watts,
  parked,
  charging,
  day,
  wet,
  night,
  nightWet,
  worst,
}));

/** How much of the time a load runs in a mode. */
export const lvShare = (load: LvLoad, which: LvCase): number => {
  if (which === 'parked' || which === 'charging') return load[which] ?? 0;
  if (which === 'night') return load.night ?? load.nightWet;
  if (which === 'wet') return load.wet ?? load.day;
  return load[which];
};

/** Sum of a mode, W. */
export const lvWatts = (loads: readonly LvLoad[], which: LvCase): number =>
  loads.reduce((sum, load) => sum + load.watts * lvShare(load, which), 0);

/** Voltage of a charged system while the converter runs, by its nominal voltage: 13.8 V on 12, 27.6 on 24. */
export const runningVolts = (nominal: number): number => (nominal * 13.8) / 12;

/** The converter gives this much over the worst steady case (trade §5.12). */
export const DCDC_FACTOR = 1.25;
/** Share of the battery that may be used before old lamps and relays fail; common practice. */
const LV_BATTERY_SHARE = 0.5;

/**
 * Strings of batteries that a number of them makes at the vehicle's voltage: two of 12 V in series for 24 V. 0 where they
 * do not make one, or are of a higher voltage than the vehicle.
 */
export const lvStrings = (batteries: number, batteryV: number, systemV: number): number => {
  const inSeries = systemV / batteryV;
  return Number.isInteger(inSeries) && batteries % inSeries === 0 ? batteries / inSeries : 0;
};

/** Hours a low-voltage battery carries a load alone. Infinity without a load. */
export const lvBatteryHours = (capacityAh: number, nominal: number, watts: number): number =>
  watts > 0 ? (capacityAh * nominal * LV_BATTERY_SHARE) / watts : Number.POSITIVE_INFINITY;
