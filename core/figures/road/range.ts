import { AGED_SHARE, type Weather } from '../../road/weather.ts';
import { type Entry, type FigureAbout, figure, missing } from '../figure.ts';
import { packEnergy } from '../pack/packEnergy.ts';
import { packUsable, packUsableFrost } from '../pack/packUsable.ts';
import { consumptionConstant, steadyIn } from './consumption.ts';
import { type DrivenUse, leftBehind, USE_RUNS } from './useRuns.ts';

/**
 * Range over a driven use. Above the regeneration ceiling nothing is put back, so that part of the pack is used at the
 * consumption without regeneration: km = E_top/c₀ + (E − E_top)/c.
 */
function driven(about: FigureAbout, use: DrivenUse, weather: Weather) {
  const runs = USE_RUNS[use];
  return figure({
    ...about,
    kind: 'distance',
    needs: {
      usable: weather === 'frost' ? packUsableFrost : packUsable,
      packEnergy,
      run: weather === 'frost' ? runs.frost : runs.mild,
    },
    reads: ['drive'],
    compute: ({ usable: energy, packEnergy: whole, run }, { drive }) => {
      const behind = leftBehind(run);
      if (behind) return behind;
      const { batteryWh, recoveredWh, distanceKm } = run.asked ?? run;
      const perKm = batteryWh / distanceKm;
      // What was put back is all that differs: pulling takes the same with and without.
      const without = (batteryWh + recoveredWh) / distanceKm;
      if (!(perKm > 0) || !(without > 0)) return missing('neverReached');
      const top = Math.min(energy, Math.max(0, 1 - drive.regenCeiling) * whole);
      return {
        value: top / without + (energy - top) / perKm,
        formula: 'range = E top ÷ c without regeneration + (E usable − E top) ÷ c',
        terms: [
          { symbol: weather === 'frost' ? 'E usable, cold' : 'E usable', value: energy, kind: 'energy' },
          { symbol: 'E top, above the regeneration ceiling', value: top, kind: 'energy' },
          { symbol: 'c without regeneration', value: without, kind: 'consumption' },
          { symbol: 'c', value: perKm, kind: 'consumption' },
        ],
        source:
          weather === 'frost'
            ? 'road load at 0 °C with the cabin held warm; cold pack and tyres, common practice'
            : 'division; the working of consumption says the rest',
      };
    },
  });
}

/** The same with a battery that has 80 % left. */
function aged(about: FigureAbout, range: Entry<number>) {
  return figure({
    ...about,
    kind: 'distance',
    needs: { range },
    compute: ({ range: km }) => ({
      value: km * AGED_SHARE,
      formula: 'range × 80 %',
      terms: [
        { symbol: 'range', value: km, kind: 'distance' },
        { symbol: 'battery left', value: AGED_SHARE, kind: 'share' },
      ],
      source: 'range goes with the energy that is left',
    }),
  });
}

export const rangeRound = driven({ id: 'rangeRound', name: 'Range on the round', group: 'range' }, 'round', 'mild');
export const rangeRoundFrost = driven(
  { id: 'rangeRoundFrost', name: 'Range on the round, frost', group: null },
  'round',
  'frost',
);
export const rangeRoundAged = aged(
  { id: 'rangeRoundAged', name: 'Range on the round, 80 % battery', group: null },
  rangeRound,
);
export const rangeRoundAgedFrost = aged(
  { id: 'rangeRoundAgedFrost', name: 'Range on the round, 80 % battery, frost', group: null },
  rangeRoundFrost,
);
export const rangeRoute = driven(
  { id: 'rangeRoute', name: 'Range on the recorded route', group: 'range' },
  'route',
  'mild',
);
export const rangeRouteFrost = driven(
  { id: 'rangeRouteFrost', name: 'Range on the route, frost', group: null },
  'route',
  'frost',
);
export const rangeRouteAged = aged(
  { id: 'rangeRouteAged', name: 'Range on the route, 80 % battery', group: null },
  rangeRoute,
);
export const rangeRouteAgedFrost = aged(
  { id: 'rangeRouteAgedFrost', name: 'Range on the route, 80 % battery, frost', group: null },
  rangeRouteFrost,
);
export const rangeCycle = driven({ id: 'rangeCycle', name: 'Range on the R83 cycle', group: 'range' }, 'cycle', 'mild');
export const rangeCycleFrost = driven(
  { id: 'rangeCycleFrost', name: 'Range on the R83 cycle, frost', group: null },
  'cycle',
  'frost',
);
export const rangeCycleAged = aged(
  { id: 'rangeCycleAged', name: 'Range on the R83 cycle, 80 % battery', group: null },
  rangeCycle,
);
export const rangeCycleAgedFrost = aged(
  { id: 'rangeCycleAgedFrost', name: 'Range on the R83 cycle, 80 % battery, frost', group: null },
  rangeCycleFrost,
);

function steady(about: FigureAbout, weather: Weather) {
  return figure({
    ...about,
    kind: 'distance',
    needs: {
      usable: weather === 'frost' ? packUsableFrost : packUsable,
      consumption: weather === 'frost' ? consumptionFrost : consumptionConstant,
    },
    compute: ({ usable, consumption: use }) => ({
      value: usable / use,
      formula: 'range = E usable ÷ c',
      terms: [
        { symbol: weather === 'frost' ? 'E usable, cold' : 'E usable', value: usable, kind: 'energy' },
        { symbol: 'c', value: use, kind: 'consumption' },
      ],
      source: 'division; the working of consumption says the rest',
    }),
  });
}
const consumptionFrost = steadyIn(
  { id: 'consumptionConstantFrost', name: 'Use at steady speed, frost', group: null },
  'frost',
);

export const rangeConstant = steady({ id: 'rangeConstant', name: 'Range at steady speed', group: 'range' }, 'mild');
export const rangeConstantFrost = steady(
  { id: 'rangeConstantFrost', name: 'Range at steady speed, frost', group: null },
  'frost',
);
export const rangeConstantAged = aged(
  { id: 'rangeConstantAged', name: 'Range at steady speed, 80 % battery', group: null },
  rangeConstant,
);
export const rangeConstantAgedFrost = aged(
  { id: 'rangeConstantAgedFrost', name: 'Range at steady speed, 80 % battery, frost', group: null },
  rangeConstantFrost,
);
