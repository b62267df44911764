import { steadyBatteryPower } from '../../road/driveOver.ts';
import { AGED_SHARE, FROST_PACK_SHARE } from '../../road/frost.ts';
import { type Entry, figure, missing } from '../figure.ts';
import { packEnergy } from '../pack/packEnergy.ts';
import { packUsable } from '../pack/packUsable.ts';
import { consumptionConstant } from './consumption.ts';
import { driveLineFrost } from './driveLine.ts';
import { roadVehicleFrost } from './roadVehicle.ts';
import { type DrivenUse, USE_RUNS } from './useRuns.ts';

/**
 * Range over a driven use. Above the regeneration ceiling nothing is put back, so that part of the pack is used at the
 * consumption without regeneration: km = E_top/c₀ + (E − E_top)/c.
 */
function driven(id: string, use: DrivenUse, weather: 'mild' | 'frost') {
  const runs = USE_RUNS[use];
  return figure({
    id,
    kind: 'distance',
    needs: {
      packUsable,
      packEnergy,
      run: weather === 'frost' ? runs.frost : runs.mild,
      dry: weather === 'frost' ? runs.frostFull : runs.full,
    },
    reads: ['drive'],
    compute: ({ packUsable: usable, packEnergy: whole, run, dry }, { drive }) => {
      const perKm = run.batteryWh / run.distanceKm;
      const without = dry.batteryWh / dry.distanceKm;
      if (!(perKm > 0) || !(without > 0)) return missing('neverReached');
      const energy = weather === 'frost' ? usable * FROST_PACK_SHARE : usable;
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
function aged(id: string, range: Entry<number>) {
  return figure({
    id,
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

export const rangeRound = driven('rangeRound', 'round', 'mild');
export const rangeRoundFrost = driven('rangeRoundFrost', 'round', 'frost');
export const rangeRoundAged = aged('rangeRoundAged', rangeRound);
export const rangeRoundAgedFrost = aged('rangeRoundAgedFrost', rangeRoundFrost);
export const rangeRoute = driven('rangeRoute', 'route', 'mild');
export const rangeRouteFrost = driven('rangeRouteFrost', 'route', 'frost');
export const rangeRouteAged = aged('rangeRouteAged', rangeRoute);
export const rangeRouteAgedFrost = aged('rangeRouteAgedFrost', rangeRouteFrost);
export const rangeCycle = driven('rangeCycle', 'cycle', 'mild');
export const rangeCycleFrost = driven('rangeCycleFrost', 'cycle', 'frost');
export const rangeCycleAged = aged('rangeCycleAged', rangeCycle);
export const rangeCycleAgedFrost = aged('rangeCycleAgedFrost', rangeCycleFrost);

export const rangeConstant = figure({
  id: 'rangeConstant',
  kind: 'distance',
  needs: { packUsable, consumption: consumptionConstant },
  compute: ({ packUsable: usable, consumption: use }) => ({
    value: usable / use,
    formula: 'range = E usable ÷ c',
    terms: [
      { symbol: 'E usable', value: usable, kind: 'energy' },
      { symbol: 'c', value: use, kind: 'consumption' },
    ],
    source: 'division; the working of consumption says the rest',
  }),
});

export const rangeConstantFrost = figure({
  id: 'rangeConstantFrost',
  kind: 'distance',
  needs: { packUsable, vehicle: roadVehicleFrost, line: driveLineFrost },
  reads: ['use'],
  compute: ({ packUsable: usable, vehicle, line }, { use }) => {
    const power = steadyBatteryPower(vehicle, line, use.constantKmh, 0);
    if (power > line.maxPowerW + line.auxiliaryW) return missing('tooWeak');
    return {
      value: (usable * FROST_PACK_SHARE) / (power / use.constantKmh),
      formula: 'range = E usable, cold ÷ (P ÷ v)',
      terms: [
        { symbol: 'E usable, cold', value: usable * FROST_PACK_SHARE, kind: 'energy' },
        { symbol: 'P', value: power, kind: 'electricPower' },
        { symbol: 'v', value: use.constantKmh, kind: 'speed' },
      ],
      source: 'road load at 0 °C with the cabin held warm; cold pack and tyres, common practice',
    };
  },
});
export const rangeConstantAged = aged('rangeConstantAged', rangeConstant);
export const rangeConstantAgedFrost = aged('rangeConstantAgedFrost', rangeConstantFrost);
