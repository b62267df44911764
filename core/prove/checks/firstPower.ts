import { type Check, constantLimit, figureLimit } from '../check.ts';

/** Insulation in kΩ for a pack voltage, at 100 Ω per volt (UN R100, ISO 6469-3; from memory). */
const insulationKohm = (fullV: number) => (100 * fullV) / 1000;

function insulation(id: string, pole: string): Check {
  return {
    id,
    group: 'firstPower',
    title: `Insulation, ${pole} to chassis`,
    how: `Insulation tester at a voltage above the full pack, ${pole} pole to bare chassis metal, after one minute.`,
    kind: 'insulation',
    liveHv: true,
    limit: figureLimit(
      'packVoltageFull',
      (v) => [insulationKohm(v), null],
      '100 Ω per volt of the full pack, UN R100 and ISO 6469-3, from memory',
    ),
  };
}

export const firstPower: readonly Check[] = [
  insulation('insulationPlus', 'plus'),
  insulation('insulationMinus', 'minus'),
  {
    id: 'earthBond',
    group: 'firstPower',
    title: 'Earth bond, worst enclosure',
    how: 'Four-wire, at least 0.2 A, from each high-voltage enclosure to chassis; note the worst.',
    kind: 'resistance',
    liveHv: false,
    limit: constantLimit(null, 0.1, 'under 0.1 Ω, UN R100, from memory'),
  },
  {
    id: 'precharge',
    group: 'firstPower',
    title: 'Link voltage when the main contactor closes',
    how: 'Record the link while precharging; note the voltage just before the main contactor closes.',
    kind: 'voltage',
    liveHv: true,
    limit: figureLimit('packVoltageEmpty', (v) => [0.95 * v, null], '95 % of the empty pack; common practice'),
  },
  {
    id: 'prechargeTime',
    group: 'firstPower',
    title: 'Time until the link is filled',
    how: 'From the precharge contactor closing to the main contactor closing; longer than the limit is stuck: open, find out why.',
    kind: 'duration',
    liveHv: true,
    limit: figureLimit(
      'prechargeTimeOut',
      (s) => [null, s],
      'three times the time the resistor is chosen for; common practice',
    ),
  },
  {
    id: 'lvEverythingOn',
    group: 'firstPower',
    title: 'Converter current, everything on',
    how: 'Lamps, wipers, blower, rear window, pumps and fan on at once; clamp round the converter’s low-voltage cable.',
    kind: 'current',
    liveHv: false,
    limit: figureLimit(
      'lvWorst',
      (a) => [null, 1.1 * a],
      '110 % of the worst case in the table of loads; common practice',
    ),
  },
];
