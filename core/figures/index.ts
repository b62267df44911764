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
import { drivelineMargin } from './drive/drivelineMargin.ts';
import { drivePower } from './drive/drivePower.ts';
import { hillStart } from './drive/hillStart.ts';
import { speedPer1000Rpm } from './drive/speedPer1000Rpm.ts';
import { time0to20, time0to50, time0to100 } from './drive/timeTo.ts';
import { topSpeed } from './drive/topSpeed.ts';
import { totalRatio } from './drive/totalRatio.ts';
import type { Entry } from './figure.ts';
import { bmsSatellites } from './pack/bmsSatellites.ts';
import { packEnergy } from './pack/packEnergy.ts';
import { packMass } from './pack/packMass.ts';
import { packModules } from './pack/packModules.ts';
import { packPower } from './pack/packPower.ts';
import { packSagVoltage } from './pack/packSagVoltage.ts';
import { packUsable } from './pack/packUsable.ts';
import { packVoltageEmpty, packVoltageFull, packVoltageNominal } from './pack/packVoltages.ts';
import { consumptionConstant, consumptionCycle, consumptionRound } from './road/consumption.ts';
import { rangeConstant, rangeCycle, rangeRound } from './road/range.ts';
import { newHoles } from './work/newHoles.ts';
import { jobPrice, partsPrice } from './work/price.ts';
import { readyDate } from './work/readyDate.ts';

/** The catalogue: every number the product shows about a design, in the order a person reads them. */
export const FIGURES = {
  packModules,
  packVoltageEmpty,
  packVoltageNominal,
  packVoltageFull,
  packSagVoltage,
  packEnergy,
  packUsable,
  packPower,
  packMass,
  bmsSatellites,
  addedMass,
  unladenMass,
  grossMassNow,
  frontAxleNow,
  rearAxleNow,
  frontAxleLaden,
  rearAxleLaden,
  frontShare,
  frontShareBefore,
  totalRatio,
  speedPer1000Rpm,
  drivePower,
  topSpeed,
  time0to20,
  time0to50,
  time0to100,
  hillStart,
  drivelineMargin,
  consumptionConstant,
  rangeConstant,
  consumptionCycle,
  rangeCycle,
  consumptionRound,
  rangeRound,
  chargePower,
  chargeTime,
  chargeTime20to80,
  partsPrice,
  jobPrice,
  readyDate,
  newHoles,
} satisfies Record<string, Entry<number>>;

export type FigureId = keyof typeof FIGURES;
export const FIGURE_IDS = Object.keys(FIGURES) as FigureId[];
