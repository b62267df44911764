import { type ComponentOf, voltageWindow } from '../../component/sheets.ts';
import { CABIN, CABIN_WARM_C, holdingPower, warmUpSeconds } from '../../cooling/cabin.ts';
import { heaterPower } from '../../cooling/heater.ts';
import { FROST_C } from '../../road/weather.ts';
import { type Answer, type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { mainRun, type NamedRun } from '../road/useRuns.ts';

/** Two heated seats, W; common practice. */
const SEATS_W = 120;

export const heaterHold = figure({
  id: 'heaterHold',
  name: 'Holds the cabin warm at 0 °C',
  group: 'cabin',
  kind: 'watts',
  reads: ['vehicle'],
  compute: (_, { vehicle }) => {
    const cabin = CABIN[vehicle.variant.shape.style];
    return {
      value: holdingPower(cabin, FROST_C),
      formula: 'P = UA × (warm − outside)',
      terms: [
        { symbol: 'UA, W per K', value: cabin.lossWPerK, kind: 'coefficient' },
        { symbol: 'warm', value: CABIN_WARM_C, kind: 'temperature' },
        { symbol: 'outside', value: FROST_C, kind: 'temperature' },
      ],
      source: 'heat balance; losses by body, single glass, common practice',
    };
  },
});

export const heaterWarmUp = figure({
  id: 'heaterWarmUp',
  name: 'Warm after',
  group: 'cabin',
  kind: 'hours',
  maybe: { packFacts },
  reads: ['vehicle', 'electric', 'use'],
  compute: ({ packFacts: pack }, { vehicle, electric, use }) => {
    const cabin = CABIN[vehicle.variant.shape.style];
    const sheet = electric.heater?.sheet;
    const watts = sheet ? heaterPower(sheet, pack?.nominalV ?? sheet.ratedV ?? 0) : use.heaterW;
    const seconds = warmUpSeconds(cabin, FROST_C, watts);
    if (!Number.isFinite(seconds)) return missing('neverWarm');
    return {
      value: seconds / 3600,
      formula: 't = −C ÷ UA · ln(1 − UA·ΔT ÷ P)',
      terms: [
        { symbol: 'P', value: watts, kind: 'watts' },
        { symbol: 'UA, W per K', value: cabin.lossWPerK, kind: 'coefficient' },
        { symbol: 'C, kJ per K', value: cabin.heatKjPerK, kind: 'coefficient' },
      ],
      source: 'heat balance of the cabin; losses by body, common practice',
    };
  },
});

/** Share of the range that a steady heating power takes on a use. */
function costOf({ run, use }: NamedRun, watts: number, what: string): Answer<number> {
  const extra = (watts * run.durationS) / 3600;
  return {
    value: extra / (run.batteryWh + extra),
    formula: 'P·t ÷ (E + P·t)',
    terms: [
      { symbol: what, value: watts, kind: 'watts' },
      { symbol: 't', value: run.durationS / 3600, kind: 'hours' },
      { symbol: 'E of the use', value: run.batteryWh, kind: 'energy' },
    ],
    source: `over the ${use}, at 0 °C`,
  };
}

export const heatCost = figure({
  id: 'heatCost',
  name: 'Warm cabin takes of the range',
  group: 'cabin',
  kind: 'share',
  needs: { mainRun, heaterHold },
  compute: ({ mainRun: named, heaterHold: watts }) => costOf(named, watts, 'cabin held warm'),
});

export const seatsCost = figure({
  id: 'seatsCost',
  name: 'Heated seats take of the range',
  group: 'cabin',
  kind: 'share',
  needs: { mainRun },
  compute: ({ mainRun: named }) => costOf(named, SEATS_W, 'two heated seats'),
});

/** The smallest heater of the shelf that holds the cabin warm at freezing, in the pack's window; null: none does. */
export const heaterChoice: Entry<ComponentOf<'heater'> | null> = interim({
  id: 'heaterChoice',
  needs: { heaterHold, packFacts },
  reads: ['shelf'],
  compute: ({ heaterHold: watts, packFacts: pack }, { shelf }) =>
    interimAnswer(
      [...shelf.heaters]
        .sort((a, b) => a.sheet.powerW - b.sheet.powerW)
        .find((part) => {
          const window = voltageWindow(part);
          return (
            heaterPower(part.sheet, pack.emptyV) >= watts &&
            window &&
            window.minV <= pack.emptyV &&
            window.maxV >= pack.fullV
          );
        }) ?? null,
      'component sheets',
    ),
});
