import { type DcLimits, dcHeld, dcHours, dcPower } from '../../charge/dcCharge.ts';
import { chargeCurrentA } from '../../pack/acceptance.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts, packStrings } from '../pack/packFacts.ts';

/** Posts are rated at about this voltage: below it their amperes hold, not their power; common practice. */
const POST_RATED_V = 400;

export const dcLimits: Entry<DcLimits> = interim({
  id: 'dcLimits',
  needs: { packFacts, boxes: packStrings },
  reads: ['charge', 'use', 'pack', 'electric'],
  compute: ({ packFacts: facts, boxes }, { charge, use, pack, electric }) => {
    if (!charge.inletDc) return missing('noDcInlet');
    if (!use.dcPostW) return missing('noDcPost');
    if (!(chargeCurrentA(boxes, pack.wiring, 0.5, use.ambientC) > 0)) return missing('tooCold');
    const amps = [{ what: 'post', limitA: use.dcPostA ?? use.dcPostW / POST_RATED_V }];
    if (charge.inletDcA !== null) amps.push({ what: 'inlet', limitA: charge.inletDcA });
    if (electric.contactorBox) amps.push({ what: 'contactor box', limitA: electric.contactorBox.sheet.continuousA });
    return interimAnswer<DcLimits>(
      {
        energyWh: facts.energyWh,
        packA: (state) => chargeCurrentA(boxes, pack.wiring, state, use.ambientC),
        packV: (state) => facts.emptyV + (facts.fullV - facts.emptyV) * state,
        postW: use.dcPostW,
        amps,
        vehicleW: charge.dcMaxW,
      },
      'module sheets, else rates usual for the chemistry, common practice',
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
    formula: `P = least of post, vehicle, pack and amperes × pack voltage, highest from 10 to 80 %; at half charge the ${dcHeld(limits, 0.5).by} decides`,
    terms: [
      { symbol: 'post', value: limits.postW, kind: 'electricPower' },
      ...limits.amps.map(({ what, limitA }) => ({ symbol: what, value: limitA, kind: 'current' as const })),
      { symbol: 'pack takes at half charge', value: limits.packA(0.5), kind: 'current' },
      { symbol: 'pack takes at 80 %', value: limits.packA(0.8), kind: 'current' },
      { symbol: 'pack voltage at half charge', value: limits.packV(0.5), kind: 'voltage' },
    ],
    source:
      'module sheets or rates usual for the chemistry; amperes of the post, where nobody states them, its power ÷ 400 V; common practice',
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
