import { type DcLimits, dcHours, dcPower, USUAL_RATES } from '../../charge/dcCharge.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packEnergy } from '../pack/packEnergy.ts';
import { packFacts } from '../pack/packFacts.ts';

export const dcLimits: Entry<DcLimits> = interim({
  id: 'dcLimits',
  needs: { packEnergy },
  reads: ['charge', 'use', 'pack'],
  compute: ({ packEnergy: energyWh }, { charge, use, pack }) => {
    if (!charge.inletDc) return missing('noDcInlet');
    if (!use.dcPostW) return missing('noDcPost');
    const sheet = pack.boxes[0]?.module?.sheet;
    const rates = sheet?.rates ?? USUAL_RATES[sheet?.chemistry ?? 'NMC'];
    return interimAnswer(
      { energyWh, rates, postW: use.dcPostW, vehicleW: charge.dcMaxW },
      sheet?.rates ? 'module sheet' : 'rates of this chemistry, common practice',
    );
  },
});

/** Highest DC power on the way from 10 to 80 %. */
export const dcPowerMost = figure({
  id: 'dcPowerMost',
  name: 'Rapid charging, highest',
  group: 'charge',
  kind: 'electricPower',
  needs: { dcLimits },
  compute: ({ dcLimits: limits }) => ({
    value: Math.max(...Array.from({ length: 71 }, (_, i) => dcPower(limits, (10 + i) / 100))),
    formula: 'P = min(post, vehicle, pack energy × rate at its state of charge), highest from 10 to 80 %',
    terms: [
      { symbol: 'post', value: limits.postW, kind: 'electricPower' },
      { symbol: 'pack at half charge', value: dcPower({ ...limits, postW: 1e9 }, 0.5), kind: 'electricPower' },
      { symbol: 'pack at 80 %', value: dcPower({ ...limits, postW: 1e9 }, 0.8), kind: 'electricPower' },
    ],
    source: 'module sheet or rates usual for the chemistry at 20–25 °C, common practice',
  }),
});

export const dcTime10to80 = figure({
  id: 'dcTime10to80',
  name: 'Rapid charge, 10 to 80 %',
  group: 'charge',
  kind: 'hours',
  needs: { dcLimits },
  compute: ({ dcLimits: limits }) => ({
    value: dcHours(limits, 0.1, 0.8),
    formula: 't = ∫ E·ds ÷ P(s) from 10 to 80 %',
    terms: [
      { symbol: 'E', value: limits.energyWh, kind: 'energy' },
      { symbol: 'P at 10 %', value: dcPower(limits, 0.1), kind: 'electricPower' },
      { symbol: 'P at 80 %', value: dcPower(limits, 0.8), kind: 'electricPower' },
    ],
    source: 'Simpson’s rule over the rate curve',
  }),
});

/** Heat in the pack at the highest DC power, standing still: what has to be carried away. */
export const dcHeat = figure({
  id: 'dcHeat',
  name: 'Heat in the pack while rapid charging',
  group: 'charge',
  kind: 'watts',
  needs: { dcPowerMost, packFacts },
  compute: ({ dcPowerMost: power, packFacts: pack }) => {
    const amps = power / pack.nominalV;
    return {
      value: amps * amps * pack.resistanceOhm,
      formula: 'Q = I²·R',
      terms: [
        { symbol: 'I', value: amps, kind: 'current' },
        { symbol: 'R', value: pack.resistanceOhm, kind: 'resistance' },
      ],
      source: 'Joule; rapid charging needs battery cooling while standing',
    };
  },
});
