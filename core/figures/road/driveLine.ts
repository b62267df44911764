import { chargeCurrentA } from '../../pack/acceptance.ts';
import type { DriveLine } from '../../road/driveOver.ts';
import { temperatureIn, type Weather } from '../../road/weather.ts';
import { chainPeak, chainPeakFrost } from '../drive/chain.ts';
import { gearing } from '../drive/gearing.ts';
import { motorNow } from '../drive/motorNow.ts';
import { pull, pullFrost } from '../drive/pull.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts, packFactsFrost, packStrings } from '../pack/packFacts.ts';
import { auxiliary, auxiliaryFrost } from './auxiliary.ts';

/** Share of the drive's power it may put back when slowing; common practice for old brakes and light vehicles. */
const REGEN_POWER_SHARE = 0.4;
/** State of charge at which the pack's limit on what is put back is read: the middle of a drive. */
const REGEN_STATE = 0.5;

/** What the pack takes back while slowing, W: every box by the rates of its own modules at this temperature. */
function regenIn(id: string, weather: Weather): Entry<number> {
  return interim({
    id,
    needs: { boxes: packStrings, pack: weather === 'frost' ? packFactsFrost : packFacts },
    reads: ['pack', 'use'],
    compute: ({ boxes, pack: facts }, { pack, use }) =>
      interimAnswer(
        chargeCurrentA(boxes, pack.wiring, REGEN_STATE, temperatureIn(weather, use.ambientC)) * facts.nominalV,
        'module sheets, else rates usual for the chemistry',
      ),
  });
}
export const packTakesBack = regenIn('packTakesBack', 'mild');
const packTakesBackFrost = regenIn('packTakesBackFrost', 'frost');

function lineIn(id: string, weather: Weather): Entry<DriveLine> {
  return interim({
    id,
    needs: {
      gearing,
      motorNow,
      chain: weather === 'frost' ? chainPeakFrost : chainPeak,
      pull: weather === 'frost' ? pullFrost : pull,
      takesBack: weather === 'frost' ? packTakesBackFrost : packTakesBack,
      auxiliaryW: weather === 'frost' ? auxiliaryFrost : auxiliary,
    },
    reads: ['drive'],
    compute: ({ gearing: g, motorNow: motor, chain, pull: p, takesBack, auxiliaryW }, { drive }) => {
      if (!drive.unit) return missing('noDrive');
      const value: DriveLine = {
        gearEfficiency: g.efficiency,
        motorEfficiency: motor.efficiency,
        map: motor.map && {
          map: motor.map,
          rpmPerMs: (60 * g.ratio) / (2 * Math.PI * g.wheelRadiusM),
          nmPerN: g.wheelRadiusM / (g.ratio * g.efficiency) / drive.motors,
        },
        maxPowerW: chain.limitW,
        pullN: p.at,
        regenPowerW: Math.min(
          drive.regenPowerW ?? drive.unit.sheet.peakPowerW * drive.motors * REGEN_POWER_SHARE,
          takesBack,
        ),
        regenShare: drive.regenShare,
        auxiliaryW,
      };
      return interimAnswer(value, 'every link from cell to road; regeneration as chosen, held to what the pack takes');
    },
  });
}

export const driveLine = lineIn('driveLine', 'mild');
export const driveLineFrost = lineIn('driveLineFrost', 'frost');
