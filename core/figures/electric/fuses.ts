import type { ComponentOf } from '../../component/sheets.ts';
import { heaterAmps } from '../../cooling/heater.ts';
import { runningVolts } from '../../lowvoltage/loads.ts';
import { type FuseNeed, fuseNeed, smallestFuse } from '../../wiring/fuse.ts';
import { fuseRating, shortA } from '../../wiring/rating.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { cableChoice, loopOhm, mainFuseDuty } from './cable.ts';

export interface NamedFuse {
  readonly name: string;
  readonly continuousA: number;
  /** Highest current held for half a minute, A. */
  readonly peakA: number;
  readonly need: FuseNeed;
  /** The smallest fuse of the shelf that meets the need; null: none does. */
  readonly part: ComponentOf<'fuse'> | null;
}

/** What a converter gives of what it takes; common practice. */
const DCDC_EFFICIENCY = 0.9;

/** Main fuse first, then one for each branch that the design has: charger, DC-DC, heater. */
export const fuses: Entry<readonly NamedFuse[]> = interim({
  id: 'fuses',
  needs: { packFacts, mainFuseDuty, cableChoice },
  reads: ['charge', 'electric', 'shelf'],
  compute: ({ packFacts: pack, mainFuseDuty: duty, cableChoice: cable }, { charge, electric, shelf }) => {
    const ohm = loopOhm(duty.packOhm, cable.part.sheet.sectionMm2, electric.cableLengthM);
    const fuseFor = (
      name: string,
      continuousA: number,
      cableA: number | null,
      { peakA = continuousA, peakS = 30 } = {},
    ): NamedFuse => {
      const need = fuseNeed({ continuousA, peakA, peakS, fullV: pack.fullV, loopOhm: ohm, cableA });
      return { name, continuousA, peakA, need, part: smallestFuse(shelf.fuses, need, cableA) };
    };
    const list = [fuseFor('main', duty.continuousA, cable.carriesA, duty)];
    const { charger } = charge;
    // Branch currents of regulated loads are highest at the empty pack.
    if (charger) list.push(fuseFor('charger', (charger.sheet.powerW * charger.sheet.efficiency) / pack.emptyV, null));
    const { converter, heater } = electric;
    if (converter) {
      const amps = converter.kind === 'dcdc' ? converter.sheet.outputA : converter.sheet.dcdcA;
      list.push(
        fuseFor('DC-DC', (amps * runningVolts(converter.sheet.lowVoltageV)) / DCDC_EFFICIENCY / pack.emptyV, null),
      );
    }
    if (heater) list.push(fuseFor('heater', heaterAmps(heater.sheet, pack), null));
    return interimAnswer(list, 'component sheets');
  },
});

export const mainFuse = figure({
  id: 'mainFuse',
  name: 'Main fuse',
  group: 'fuses',
  kind: 'current',
  needs: { fuses },
  compute: ({ fuses: list }) => {
    const main = list[0]!;
    if (!main.part) return missing('noFuseFits');
    return {
      value: main.part.sheet.ratedA,
      formula:
        'rated ≥ 1.25 × current for good, stands full throttle (its curve, else 1.6 × its rating), not over what the cable carries',
      terms: [
        { symbol: 'for good', value: main.continuousA, kind: 'current' },
        { symbol: 'full throttle', value: main.peakA, kind: 'current' },
        { symbol: 'full throttle lasts', value: main.need.peakS, kind: 'duration' },
        { symbol: 'it stands that long', value: shortA(fuseRating(main.part.sheet), main.need.peakS), kind: 'current' },
        { symbol: 'voltage, at least', value: main.need.voltageV, kind: 'voltage' },
        { symbol: 'must break', value: main.need.breakingA, kind: 'current' },
      ],
      source: 'common practice; the fuse maker’s curve has the last word',
    };
  },
});

export const fuseBreaking = figure({
  id: 'fuseBreaking',
  name: 'Fuse must break',
  group: 'fuses',
  kind: 'current',
  needs: { fuses, packFacts },
  compute: ({ fuses: list, packFacts: pack }) => ({
    value: list[0]!.need.breakingA,
    formula: 'breaking capacity ≥ V full ÷ R of the loop',
    terms: [
      { symbol: 'V full', value: pack.fullV, kind: 'voltage' },
      { symbol: 'R of the pack, warm', value: pack.warmOhm, kind: 'resistance' },
      { symbol: 'R of the loop', value: pack.fullV / list[0]!.need.breakingA, kind: 'resistance' },
    ],
    source: 'Ohm; cables by IEC 60228 at 20 °C, joints 2 mΩ, common practice',
  }),
});
