import { powerAt } from '../../pack/powerAt.ts';
import { figure } from '../figure.ts';
import { packFacts } from './packFacts.ts';

export const packEnergy = figure({
  id: 'packEnergy',
  name: 'Energy',
  group: 'pack',
  kind: 'energy',
  needs: { packFacts },
  compute: ({ packFacts: p }) => ({
    value: p.energyWh,
    formula: 'E = nominal voltage × capacity in Ah',
    terms: [
      { symbol: 'modules', value: p.modules, kind: 'count' },
      { symbol: 'nominal voltage', value: p.nominalV, kind: 'voltage' },
      { symbol: 'capacity', value: p.capacityAh, kind: 'charge' },
      ...(p.weakest
        ? [
            {
              symbol: `lies idle, for ${p.weakest.name} is the weakest`,
              value: p.weakest.idleWh,
              kind: 'energy' as const,
            },
          ]
        : []),
    ],
    source: 'module sheet, or capacity as measured',
  }),
});

export const packCapacity = figure({
  id: 'packCapacity',
  name: 'Capacity of the string',
  group: 'pack',
  kind: 'charge',
  needs: { packFacts },
  compute: ({ packFacts: p }) => ({
    value: p.capacityAh,
    formula: 'the least capacity of any box in the string: strings × Ah of its modules',
    terms: [{ symbol: 'strings', value: p.strings, kind: 'count' }],
    source: p.weakest ? `weakest box: ${p.weakest.name}` : 'module sheet, or capacity as measured',
  }),
});

/** Energy that the stronger boxes hold and the string cannot use. */
export const packIdle = figure({
  id: 'packIdle',
  name: 'Lies idle behind the weakest',
  group: 'pack',
  kind: 'energy',
  needs: { packFacts },
  compute: ({ packFacts: p }) => ({
    value: p.weakest?.idleWh ?? 0,
    formula: 'Σ modules × V × Ah − E of the string',
    terms: [
      { symbol: 'Σ modules × V × Ah', value: p.energyWh + (p.weakest?.idleWh ?? 0), kind: 'energy' },
      { symbol: 'E of the string', value: p.energyWh, kind: 'energy' },
    ],
    source: p.weakest ? `the string ends with its weakest box: ${p.weakest.name}` : 'all boxes are alike',
  }),
});

export const packResistance = figure({
  id: 'packResistance',
  name: 'Resistance of the pack',
  group: 'pack',
  kind: 'resistance',
  needs: { packFacts },
  compute: ({ packFacts: p }) => ({
    value: p.resistanceOhm,
    formula: 'R = Σ modules in series × module resistance at this temperature ÷ strings',
    terms: [
      { symbol: 'modules in series', value: p.seriesModules, kind: 'count' },
      { symbol: 'strings', value: p.strings, kind: 'count' },
      { symbol: 'in a warm pack', value: p.warmOhm, kind: 'resistance' },
    ],
    source: 'module sheet; by temperature as the sheet says, else usual for the chemistry, common practice',
  }),
});

/** What the pack gives without end. */
export const packContinuous = figure({
  id: 'packContinuous',
  name: 'Pack power, continuous',
  group: 'pack',
  kind: 'electricPower',
  needs: { packFacts },
  compute: ({ packFacts: p }) => {
    const { amps, watts } = powerAt(p.nominalV, p.resistanceOhm, p.continuousA);
    return {
      value: watts,
      formula: 'P = (V nominal − I·R) × I, with I continuous, at most V nominal ÷ 2R',
      terms: [
        { symbol: 'V nominal', value: p.nominalV, kind: 'voltage' },
        { symbol: 'I', value: amps, kind: 'current' },
        { symbol: 'R', value: p.resistanceOhm, kind: 'resistance' },
      ],
      source: `module sheet; ${p.currentBox} allows the least`,
    };
  },
});
