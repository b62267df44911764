import type { VehicleUse } from '../figures/slots.ts';

/** What a new job starts from until somebody asks the client: a mild day, the level, an ordinary socket. */
export const USUAL_USE: VehicleUse = {
  round: null,
  constantKmh: 60,
  payloadKg: 150,
  ambientC: 15,
  altitudeM: 0,
  headwindMs: 0,
  auxiliaryW: 250,
  heaterW: 0,
  supply: { volts: 230, amps: 16, phases: 1 },
};

/** Has nobody said yet how fast and over what it is driven? Then nothing is refused for it: it is asked first. */
export const isUsualUse = ({ round, constantKmh }: VehicleUse): boolean =>
  round === USUAL_USE.round && constantKmh === USUAL_USE.constantKmh;
