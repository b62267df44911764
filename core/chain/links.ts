/** What can hold a vehicle back, from the cells to the road, in the order in which power passes them. */
export const LINK_NAME = {
  cells: 'Modules, ten seconds',
  cellVoltage: 'Lowest voltage of the cells',
  packPower: 'Pack, the most it can ever give',
  contactorBox: 'Contactor box',
  fuse: 'Main fuse',
  cable: 'HV cable',
  inverter: 'Inverter, battery side',
  inverterVoltage: 'Inverter, lowest voltage',
  driveCurrent: 'Drive unit, battery side',
  driveVoltage: 'Drive unit, lowest voltage',
  phaseCurrent: 'Inverter, phase current',
  motorTorque: 'Motor, torque',
  motorPower: 'Motor, power',
  motorVoltage: 'Motor, power at the voltage under load',
  motorCurve: 'Motor, curve at the voltage under load',
  torqueCap: 'Torque cap',
  powerCap: 'Power cap',
  revolutions: 'Motor, highest revolutions',
  grip: 'Grip of the tyres',
} as const;
export type LinkId = keyof typeof LINK_NAME;

/** A limit on the battery side: a current, or a voltage that may not be passed downwards. `limit` null: nobody stated it. */
export interface BatteryLimit {
  readonly link: LinkId;
  /** The part it belongs to; null where it is no part. */
  readonly part: string | null;
  readonly quantity: 'batteryCurrent' | 'voltage';
  /** A or V; null where it is not known: then it holds nothing back, and is said to be unknown. */
  readonly limit: number | null;
  /** What the accessories draw passes it too: it lies between the cells and where they branch off. @default false */
  readonly whole?: boolean;
}

/** The link that decides, and the part it belongs to. */
export interface HeldBy {
  readonly link: LinkId;
  readonly part: string | null;
}
