/** The subjects under which figures are shown, in the order a person reads them. */
export const FIGURE_GROUP_NAME = {
  pack: 'Pack',
  road: 'On the road',
  driveline: 'Driveline',
  range: 'Range and use',
  weight: 'Weight',
  charge: 'Charging',
  money: 'Money a year',
  precharge: 'Precharge',
  cable: 'HV cable',
  fuses: 'HV fuses',
  lowVoltage: 'Low voltage',
  cooling: 'Cooling',
  cabin: 'Cabin heat',
  runs: 'Runs',
  price: 'Price',
} as const;
export type FigureGroup = keyof typeof FIGURE_GROUP_NAME;
