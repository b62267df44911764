import { type AcHeldBy, acPower } from '../../charge/acPower.ts';
import { chargeHours } from '../../charge/chargeTime.ts';
import { chargeCurrentA } from '../../pack/acceptance.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts, packStrings } from '../pack/packFacts.ts';
import { packEnergyUsed } from '../pack/packUsable.ts';
import type { NamedSupply } from '../slots.ts';

export interface AtSupply {
  readonly supply: NamedSupply;
  readonly watts: number;
  readonly by: AcHeldBy;
  readonly phases: 1 | 3;
  readonly hours: number;
}

/** When the vehicle comes home where nobody said, hour of the day. */
export const USUAL_HOME_H = 18;
/** State of charge at which the pack's limit is read: the middle of a charge. */
const STATE = 0.5;

/** AC charging at every supply the client has, the usual one first, with the pack at the temperature of the use. */
export const supplies: Entry<readonly AtSupply[]> = interim({
  id: 'supplies',
  needs: { energy: packEnergyUsed, boxes: packStrings, facts: packFacts },
  reads: ['charge', 'use', 'pack'],
  compute: ({ energy, boxes, facts }, { charge, use, pack }) => {
    if (!charge.charger) return missing('noCharger');
    const { powerW, maxAmps, phases, efficiency } = charge.charger.sheet;
    const packW = (chargeCurrentA(boxes, pack.wiring, STATE, use.ambientC) * facts.nominalV) / efficiency;
    if (!(packW > 0)) return missing('tooCold');
    const all: NamedSupply[] = [{ name: 'usual supply', ...use.supply }, ...(use.otherSupplies ?? [])];
    return interimAnswer(
      all.map((supply) => {
        const held = acPower({
          chargerW: powerW,
          chargerAmps: maxAmps,
          chargerPhases: phases,
          inletAmps: charge.inletAmps ?? maxAmps,
          inletPhases: charge.inletPhases ?? phases,
          packW,
          supply,
        });
        return { supply, ...held, hours: chargeHours(energy, held.watts, efficiency) };
      }),
      'least of charger, inlet, supply and pack',
    );
  },
});
