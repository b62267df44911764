/** A load on the low-voltage side with how much of the time it runs in three cases, 0..1. */
export interface LvLoad {
  readonly name: string;
  readonly watts: number;
  readonly day: number;
  readonly nightWet: number;
  readonly worst: number;
}

/** What an old light vehicle carries with its conversion; common practice. */
export const USUAL_LV_LOADS: readonly LvLoad[] = [
  { name: 'Controller, BMS, contactors', watts: 70, day: 1, nightWet: 1, worst: 1 },
  { name: 'Drive coolant pump', watts: 45, day: 0.7, nightWet: 0.7, worst: 1 },
  { name: 'Radiator fan', watts: 120, day: 0.2, nightWet: 0.1, worst: 1 },
  { name: 'Head, tail and dash lamps', watts: 150, day: 0, nightWet: 1, worst: 1 },
  { name: 'Brake and turn lamps', watts: 84, day: 0.15, nightWet: 0.15, worst: 0.3 },
  { name: 'Wipers and washer', watts: 60, day: 0, nightWet: 0.8, worst: 1 },
  { name: 'Cabin blower', watts: 90, day: 0.3, nightWet: 0.8, worst: 1 },
  { name: 'Heated rear window', watts: 110, day: 0, nightWet: 0.4, worst: 1 },
  { name: 'Radio and sockets', watts: 40, day: 0.5, nightWet: 0.5, worst: 1 },
];

const LV_CASES = ['day', 'nightWet', 'worst'] as const;
export type LvCase = (typeof LV_CASES)[number];

/** Sum of a case, W. */
export const lvWatts = (loads: readonly LvLoad[], which: LvCase): number =>
  loads.reduce((sum, load) => sum + load.watts * load[which], 0);

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
