/** What the client paid before and will pay; every figure can be changed. Money in whole minor units. */
export interface CostInputs {
  readonly centsPerKwh: number;
  readonly litresPer100Km: number;
  readonly centsPerLitre: number;
  readonly kmPerYear: number;
  readonly gramsCo2PerKwh: number;
  readonly gramsCo2PerLitre: number;
}

/** An island round of today; prices are the workshop's to change. CO₂ of petrol 2.31 kg/l: common practice. */
export const USUAL_COST: CostInputs = {
  centsPerKwh: 28,
  litresPer100Km: 11,
  centsPerLitre: 178,
  kmPerYear: 12_000,
  gramsCo2PerKwh: 220,
  gramsCo2PerLitre: 2310,
};

export interface RunningCost {
  readonly energyCents: number;
  readonly fuelCents: number;
  readonly energyCo2Kg: number;
  readonly fuelCo2Kg: number;
  readonly mainsKwh: number;
}

/** A year's energy from the mains (consumption ÷ charging efficiency) against a year's fuel (trade §5.8). */
export function runningCost(cost: CostInputs, whPerKm: number, chargeEfficiency: number): RunningCost {
  const mainsKwh = (whPerKm * cost.kmPerYear) / 1000 / chargeEfficiency;
  const litres = (cost.litresPer100Km * cost.kmPerYear) / 100;
  return {
    mainsKwh,
    energyCents: Math.round(mainsKwh * cost.centsPerKwh),
    fuelCents: Math.round(litres * cost.centsPerLitre),
    energyCo2Kg: (mainsKwh * cost.gramsCo2PerKwh) / 1000,
    fuelCo2Kg: (litres * cost.gramsCo2PerLitre) / 1000,
  };
}
