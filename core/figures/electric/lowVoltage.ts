import { type ComponentOf, voltageWindow } from '../../component/sheets.ts';
import {
  DCDC_FACTOR,
  type LvCase,
  lvBatteryHours,
  lvShare,
  lvStrings,
  lvWatts,
  runningVolts,
  USUAL_LV_LOADS,
} from '../../lowvoltage/loads.ts';
import { type Entry, type FigureAbout, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';

/** Loads and nominal voltage of the low-voltage side. */
export const lvSide = interim({
  id: 'lvSide',
  reads: ['electric', 'vehicle'],
  compute: (_, { electric, vehicle }) => {
    const nominal = vehicle.variant.systemVoltage;
    return interimAnswer(
      {
        loads: electric.lvLoads ?? USUAL_LV_LOADS,
        nominal,
        volts: runningVolts(nominal),
        usual: electric.lvLoads === null,
      },
      electric.lvLoads ? 'loads as listed for this design' : 'usual loads, common practice',
    );
  },
});

function budget(about: FigureAbout, which: LvCase, name: string) {
  return figure({
    ...about,
    kind: 'current',
    needs: { lvSide },
    compute: ({ lvSide: side }) => ({
      value: lvWatts(side.loads, which) / side.volts,
      formula: `I = Σ W × share running, ${name} ÷ V`,
      terms: [
        ...side.loads
          .filter((load) => lvShare(load, which) > 0)
          .map((load) => ({
            symbol: load.name,
            value: load.watts * lvShare(load, which),
            kind: 'watts' as const,
          })),
        { symbol: 'V', value: side.volts, kind: 'voltage' as const },
      ],
      source: side.usual ? 'usual loads and shares, common practice' : 'loads as listed for this design',
    }),
  });
}

export const lvCharging = budget(
  { id: 'lvCharging', name: 'Low voltage, while charging', group: 'lowVoltage' },
  'charging',
  'while charging',
);
export const lvDay = budget({ id: 'lvDay', name: 'Low voltage, by day', group: 'lowVoltage' }, 'day', 'by day');
export const lvNight = budget(
  { id: 'lvNight', name: 'Low voltage, wet night', group: 'lowVoltage' },
  'nightWet',
  'on a wet night',
);
export const lvWorst = budget(
  { id: 'lvWorst', name: 'Low voltage, everything on', group: 'lowVoltage' },
  'worst',
  'everything on',
);

export const converterNeed = figure({
  id: 'converterNeed',
  name: 'DC-DC, at least',
  group: 'lowVoltage',
  kind: 'current',
  needs: { lvWorst },
  compute: ({ lvWorst: worst }) => ({
    value: DCDC_FACTOR * worst,
    formula: '1.25 × worst case',
    terms: [{ symbol: 'worst case', value: worst, kind: 'current' }],
    source: 'common practice',
  }),
});

/** The smallest converter of the shelf that gives enough, at the vehicle's voltage, in the pack's window. */
export const converterChoice: Entry<ComponentOf<'dcdc'> | null> = interim({
  id: 'converterChoice',
  needs: { converterNeed, lvSide, packFacts },
  reads: ['shelf'],
  compute: ({ converterNeed: amps, lvSide: side, packFacts: pack }, { shelf }) =>
    interimAnswer(
      [...shelf.converters]
        .sort((a, b) => a.sheet.outputA - b.sheet.outputA)
        .find((part) => {
          const window = voltageWindow(part);
          return (
            part.sheet.outputA >= amps &&
            part.sheet.lowVoltageV === side.nominal &&
            window !== null &&
            window.minV <= pack.emptyV &&
            window.maxV >= pack.fullV
          );
        }) ?? null,
      'component sheets',
    ),
});

/** How long the battery keeps a wet night's loads going without the converter. */
export const lvBatteryTime = figure({
  id: 'lvBatteryTime',
  name: 'Battery alone, wet night',
  group: 'lowVoltage',
  kind: 'hours',
  needs: { lvSide },
  reads: ['electric'],
  compute: ({ lvSide: side }, { electric }) => {
    const battery = electric.lvBattery;
    if (!battery) return missing('noLvBattery');
    const { capacityAh, lowVoltageV } = battery.sheet;
    const strings = lvStrings(electric.lvBatteries, lowVoltageV, side.nominal);
    if (strings === 0) return missing('lvDiffers');
    const watts = lvWatts(side.loads, 'nightWet');
    return {
      value: lvBatteryHours(capacityAh * strings, side.nominal, watts),
      formula: 't = strings × Ah × V × half ÷ W',
      terms: [
        { symbol: 'strings side by side', value: strings, kind: 'count' },
        { symbol: 'Ah', value: capacityAh, kind: 'charge' },
        { symbol: 'V', value: side.nominal, kind: 'voltage' },
        { symbol: 'wet night', value: watts, kind: 'watts' },
      ],
      source: 'battery sheet; half of it usable, common practice',
    };
  },
});

/** Days until a parked vehicle has drained its battery by the half that may be used. */
export const lvParkedDays = figure({
  id: 'lvParkedDays',
  name: 'Stands parked until the battery is low',
  group: 'lowVoltage',
  kind: 'days',
  needs: { lvSide },
  reads: ['electric'],
  compute: ({ lvSide: side }, { electric }) => {
    const battery = electric.lvBattery;
    if (!battery) return missing('noLvBattery');
    const strings = lvStrings(electric.lvBatteries, battery.sheet.lowVoltageV, side.nominal);
    if (strings === 0) return missing('lvDiffers');
    const watts = lvWatts(side.loads, 'parked');
    if (!(watts > 0)) return missing('noParkedLoad');
    return {
      value: lvBatteryHours(battery.sheet.capacityAh * strings, side.nominal, watts) / 24,
      formula: 't = strings × Ah × V × half ÷ W parked',
      terms: [
        { symbol: 'Ah', value: battery.sheet.capacityAh * strings, kind: 'charge' },
        { symbol: 'parked', value: watts, kind: 'watts' },
      ],
      source: 'battery sheet; half of it usable, without its own losses, common practice',
    };
  },
});
