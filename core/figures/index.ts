import { stopEnergy, stopRegen } from './balance/brakes.ts';
import {
  frontAxleChange,
  frontAxleMargin,
  grossMargin,
  rearAxleChange,
  rearAxleMargin,
  rightShare,
} from './balance/changes.ts';
import { luggage, luggageBefore } from './balance/luggage.ts';
import {
  addedMass,
  frontAxleLaden,
  frontAxleNow,
  frontShare,
  frontShareBefore,
  grossMassNow,
  rearAxleLaden,
  rearAxleNow,
  unladenMass,
} from './balance/masses.ts';
import { chargePower } from './charge/chargePower.ts';
import { chargeTime, chargeTime20to80 } from './charge/chargeTime.ts';
import { co2SavedYear, energyCostYear, fuelCostYear, savingYear } from './charge/cost.ts';
import { dcHeat, dcPowerMost, dcTime10to80 } from './charge/dc.ts';
import { fullAt } from './charge/fullAt.ts';
import { drivelineMargin } from './drive/drivelineMargin.ts';
import { drivePower, drivePowerLow } from './drive/drivePower.ts';
import { gearOpenRoad, gearTown } from './drive/gearAdvice.ts';
import { hillStart } from './drive/hillStart.ts';
import { gradeHeld50 } from './drive/hills.ts';
import { mountMargin } from './drive/mountMargin.ts';
import { capCost, protectiveCap } from './drive/protectiveCap.ts';
import { speedPer1000Rpm } from './drive/speedPer1000Rpm.ts';
import { time0to20, time0to50, time0to50mph, time0to60mph, time0to100, timeQuarterMile } from './drive/timeTo.ts';
import { topSpeed, topSpeedLow } from './drive/topSpeed.ts';
import { totalRatio } from './drive/totalRatio.ts';
import { cableBend, cableDrop, cableSection } from './electric/cable.ts';
import { fuseBreaking, mainFuse } from './electric/fuses.ts';
import {
  converterNeed,
  lvBatteryTime,
  lvCharging,
  lvDay,
  lvNight,
  lvParkedDays,
  lvWorst,
} from './electric/lowVoltage.ts';
import {
  prechargeEnergy,
  prechargePeak,
  prechargeResistor,
  prechargeTime,
  prechargeTimeOut,
} from './electric/precharge.ts';
import type { Entry } from './figure.ts';
import { heatCost, heaterHold, heaterWarmUp, seatsCost } from './heat/cabin.ts';
import { chargeFlow, chargeHeat } from './heat/chargeCooling.ts';
import { driveFlow, driveHeatMean, driveHeatWorst, packFlow, packHeat, packRise } from './heat/cooling.ts';
import { runAir, runEnergy, runRise, runsFull, runsHalf } from './heat/runs.ts';
import { bmsSatellites } from './pack/bmsSatellites.ts';
import { boxClearance } from './pack/boxClearance.ts';
import { boxHolding } from './pack/boxHolding.ts';
import { packCapacity, packContinuous, packEnergy, packIdle, packResistance } from './pack/packEnergy.ts';
import { packMass } from './pack/packMass.ts';
import { packModules } from './pack/packModules.ts';
import { packPower } from './pack/packPower.ts';
import { packSagVoltage } from './pack/packSagVoltage.ts';
import { packUsable } from './pack/packUsable.ts';
import { packVoltageEmpty, packVoltageFull, packVoltageNominal } from './pack/packVoltages.ts';
import { consumptionConstant, consumptionCycle, consumptionRound, consumptionRoute } from './road/consumption.ts';
import { fullCurrent, meanCurrent, peak30sCurrent, recoveredShare, rmsCurrent } from './road/currents.ts';
import {
  rangeConstant,
  rangeConstantAged,
  rangeConstantAgedFrost,
  rangeConstantFrost,
  rangeCycle,
  rangeCycleAged,
  rangeCycleAgedFrost,
  rangeCycleFrost,
  rangeRound,
  rangeRoundAged,
  rangeRoundAgedFrost,
  rangeRoundFrost,
  rangeRoute,
  rangeRouteAged,
  rangeRouteAgedFrost,
  rangeRouteFrost,
} from './road/range.ts';
import { leadTime } from './work/leadTime.ts';
import { newHoles } from './work/newHoles.ts';
import { jobPrice, partsPrice, salePrice } from './work/price.ts';
import { readyDate } from './work/readyDate.ts';

/** The catalogue: every number the product shows about a design, in the order a person reads them. */
export const FIGURES = {
  packVoltageEmpty,
  packVoltageNominal,
  packVoltageFull,
  packSagVoltage,
  packEnergy,
  packUsable,
  packCapacity,
  packIdle,
  packPower,
  packContinuous,
  packResistance,
  packMass,
  bmsSatellites,
  boxClearance,
  drivePower,
  drivePowerLow,
  time0to20,
  time0to50,
  time0to50mph,
  time0to60mph,
  time0to100,
  timeQuarterMile,
  topSpeed,
  topSpeedLow,
  hillStart,
  gradeHeld50,
  totalRatio,
  speedPer1000Rpm,
  gearTown,
  gearOpenRoad,
  drivelineMargin,
  protectiveCap,
  capCost,
  mountMargin,
  rangeRound,
  consumptionRound,
  rangeRoute,
  consumptionRoute,
  rangeCycle,
  consumptionCycle,
  rangeConstant,
  consumptionConstant,
  meanCurrent,
  rmsCurrent,
  peak30sCurrent,
  fullCurrent,
  recoveredShare,
  addedMass,
  unladenMass,
  grossMassNow,
  grossMargin,
  boxHolding,
  stopEnergy,
  stopRegen,
  frontAxleLaden,
  frontAxleMargin,
  rearAxleLaden,
  rearAxleMargin,
  frontShare,
  frontShareBefore,
  frontAxleChange,
  rearAxleChange,
  rightShare,
  luggage,
  chargePower,
  chargeTime,
  chargeTime20to80,
  fullAt,
  dcPowerMost,
  dcTime10to80,
  dcHeat,
  energyCostYear,
  fuelCostYear,
  savingYear,
  co2SavedYear,
  prechargeResistor,
  prechargeTime,
  prechargeEnergy,
  prechargePeak,
  prechargeTimeOut,
  cableSection,
  cableDrop,
  cableBend,
  mainFuse,
  fuseBreaking,
  lvCharging,
  lvDay,
  lvNight,
  lvWorst,
  converterNeed,
  lvBatteryTime,
  lvParkedDays,
  driveHeatMean,
  driveHeatWorst,
  driveFlow,
  packHeat,
  packRise,
  packFlow,
  chargeHeat,
  chargeFlow,
  heaterHold,
  heaterWarmUp,
  heatCost,
  seatsCost,
  runEnergy,
  runRise,
  runAir,
  runsFull,
  runsHalf,
  partsPrice,
  jobPrice,
  salePrice,
  leadTime,
  packModules,
  luggageBefore,
  frontAxleNow,
  rearAxleNow,
  rangeConstantFrost,
  rangeConstantAged,
  rangeConstantAgedFrost,
  rangeCycleFrost,
  rangeCycleAged,
  rangeCycleAgedFrost,
  rangeRoundFrost,
  rangeRoundAged,
  rangeRoundAgedFrost,
  rangeRouteFrost,
  rangeRouteAged,
  rangeRouteAgedFrost,
  readyDate,
  newHoles,
} satisfies Record<string, Entry<number>>;

export type FigureId = keyof typeof FIGURES;
export const FIGURE_IDS = Object.keys(FIGURES) as FigureId[];
