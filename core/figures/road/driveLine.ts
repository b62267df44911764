import { rateAt, USUAL_RATES } from '../../charge/dcCharge.ts';
import { CABIN, holdingPower } from '../../cooling/cabin.ts';
import type { DriveLine } from '../../road/driveOver.ts';
import { FROST_C } from '../../road/frost.ts';
import { drivePower } from '../drive/drivePower.ts';
import { gearing } from '../drive/gearing.ts';
import { motorNow } from '../drive/motorNow.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import type { Slots } from '../slots.ts';
import type { Weather } from './roadVehicle.ts';

/** Share of the drive's power it may put back when slowing; common practice for old brakes and light vehicles. */
const REGEN_POWER_SHARE = 0.4;

/** What the cabin takes on a day at freezing, W: nothing without a heater, else what holds it warm or what the heater has. */
function frostHeatW({ use, electric, vehicle }: Pick<Slots, 'use' | 'electric' | 'vehicle'>): number {
  const most = electric.heater?.sheet.powerW ?? use.heaterW;
  const held = holdingPower(CABIN[vehicle.variant.shape.style], Math.min(FROST_C, use.ambientC));
  return Math.max(use.heaterW, Math.min(most, held));
}

function lineIn(id: string, weather: Weather): Entry<DriveLine> {
  return interim({
    id,
    needs: { gearing, drivePower, motorNow, packFacts },
    reads: ['drive', 'use', 'electric', 'vehicle', 'pack'],
    compute: ({ gearing: g, drivePower: power, motorNow: motor, packFacts: pack }, slots) => {
      const { drive, use } = slots;
      if (!drive.unit) return missing('noDrive');
      const chemistry = slots.pack.boxes[0]?.module?.sheet.chemistry ?? 'NMC';
      const packTakes = pack.energyWh * rateAt(USUAL_RATES[chemistry], 0.5);
      const heat = weather === 'frost' ? frostHeatW(slots) : use.heaterW;
      const value: DriveLine = {
        gearEfficiency: g.efficiency,
        motorEfficiency: motor.efficiency,
        map: motor.map && {
          map: motor.map,
          rpmPerMs: (60 * g.ratio) / (2 * Math.PI * g.wheelRadiusM),
          nmPerN: g.wheelRadiusM / (g.ratio * g.efficiency) / drive.motors,
        },
        maxPowerW: power,
        regenPowerW: Math.min(
          drive.regenPowerW ?? drive.unit.sheet.peakPowerW * drive.motors * REGEN_POWER_SHARE,
          packTakes,
        ),
        regenShare: drive.regenShare,
        auxiliaryW: use.auxiliaryW + heat + (use.seatsW ?? 0),
      };
      return interimAnswer(value, 'drive sheet; regeneration as chosen, held to what the pack takes');
    },
  });
}

export const driveLine = lineIn('driveLine', 'mild');
export const driveLineFrost = lineIn('driveLineFrost', 'frost');
