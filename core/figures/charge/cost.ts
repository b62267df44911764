import { runningCost, USUAL_COST } from '../../charge/runningCost.ts';
import { figure, interim, interimAnswer, missing } from '../figure.ts';
import { mainRun } from '../road/useRuns.ts';

const yearCost = interim({
  id: 'yearCost',
  needs: { mainRun },
  reads: ['use', 'charge'],
  compute: ({ mainRun: { run } }, { use, charge }) => {
    if (!charge.charger) return missing('noCharger');
    const inputs = use.cost ?? USUAL_COST;
    const { batteryWh, distanceKm } = run.asked ?? run;
    const whPerKm = batteryWh / distanceKm;
    const { efficiency } = charge.charger.sheet;
    return interimAnswer(
      { ...runningCost(inputs, whPerKm, efficiency), inputs, whPerKm, efficiency },
      'prices of the client',
    );
  },
});

export const energyCostYear = figure({
  id: 'energyCostYear',
  name: 'Electricity a year',
  group: 'money',
  kind: 'money',
  needs: { yearCost },
  compute: ({ yearCost: y }) => ({
    value: y.energyCents,
    formula: 'km a year × c ÷ η charger × price per kWh',
    terms: [
      { symbol: 'km a year', value: y.inputs.kmPerYear, kind: 'distance' },
      { symbol: 'c', value: y.whPerKm, kind: 'consumption' },
      { symbol: 'η charger', value: y.efficiency, kind: 'share' },
      { symbol: 'from the mains', value: y.mainsKwh * 1000, kind: 'energy' },
    ],
    source: 'consumption on the main use; price as typed',
  }),
});

export const fuelCostYear = figure({
  id: 'fuelCostYear',
  name: 'Fuel a year, before',
  group: 'money',
  kind: 'money',
  needs: { yearCost },
  compute: ({ yearCost: y }) => ({
    value: y.fuelCents,
    formula: 'km a year × litres per 100 km × price per litre',
    terms: [
      { symbol: 'km a year', value: y.inputs.kmPerYear, kind: 'distance' },
      { symbol: 'litres per 100 km', value: y.inputs.litresPer100Km, kind: 'coefficient' },
    ],
    source: 'what the client used before, as typed',
  }),
});

export const savingYear = figure({
  id: 'savingYear',
  name: 'Saved a year',
  group: 'money',
  kind: 'money',
  needs: { energyCostYear, fuelCostYear },
  compute: ({ energyCostYear: energy, fuelCostYear: fuel }) => ({
    value: fuel - energy,
    formula: 'fuel − energy',
    terms: [
      { symbol: 'fuel', value: fuel, kind: 'money' },
      { symbol: 'energy', value: energy, kind: 'money' },
    ],
    source: 'energy alone, without service, tax and tyres',
  }),
});

export const co2SavedYear = figure({
  id: 'co2SavedYear',
  name: 'CO₂ saved a year',
  group: 'money',
  kind: 'mass',
  needs: { yearCost },
  compute: ({ yearCost: y }) => ({
    value: y.fuelCo2Kg - y.energyCo2Kg,
    formula: 'litres × CO₂ per litre − kWh × CO₂ per kWh',
    terms: [
      { symbol: 'fuel', value: y.fuelCo2Kg, kind: 'mass' },
      { symbol: 'energy', value: y.energyCo2Kg, kind: 'mass' },
    ],
    source: 'factors as typed; driving alone, not making the parts',
  }),
});
