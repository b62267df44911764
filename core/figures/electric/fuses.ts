import type { ComponentOf } from '../../component/sheets.ts';
import { runningVolts } from '../../lowvoltage/loads.ts';
import { conductorOhm } from '../../wiring/cable.ts';
import { type FuseNeed, fuseNeed } from '../../wiring/fuse.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { fullCurrent, rmsCurrent } from '../road/currents.ts';
import { cableChoice } from './cable.ts';

export interface NamedFuse {
  readonly name: string;
  readonly continuousA: number;
  /** Highest current held for half a minute, A. */
  readonly peakA: number;
  readonly need: FuseNeed;
  /** The smallest fuse of the shelf that meets the need; null: none does. */
  readonly part: ComponentOf<'fuse'> | null;
}

/** A fault can lie anywhere; contacts and busbars add about this, Ω; common practice. */
const JOINTS_OHM = 0.002;
/** What a converter gives of what it takes; common practice. */
const DCDC_EFFICIENCY = 0.9;

/** Main fuse first, then one for each branch that the design has: charger, DC-DC, heater. */
export const fuses: Entry<readonly NamedFuse[]> = interim({
  id: 'fuses',
  needs: { packFacts, rms: rmsCurrent, full: fullCurrent, cableChoice },
  reads: ['charge', 'electric', 'shelf'],
  compute: ({ packFacts: pack, rms, full, cableChoice: cable }, { charge, electric, shelf }) => {
    const loopOhm =
      pack.resistanceOhm + JOINTS_OHM + 2 * conductorOhm(cable.part.sheet.sectionMm2, electric.cableLengthM, 20);
    const fuseFor = (name: string, continuousA: number, cableA: number | null, peakA = continuousA): NamedFuse => {
      const need = fuseNeed({ continuousA, peakA, fullV: pack.fullV, loopOhm, cableA });
      const part =
        [...shelf.fuses]
          .sort((a, b) => a.sheet.ratedA - b.sheet.ratedA)
          .find(
            ({ sheet }) =>
              sheet.ratedA >= need.atLeastA &&
              sheet.maxV >= need.voltageV &&
              sheet.breakingA >= need.breakingA &&
              (cableA === null || sheet.ratedA <= cableA),
          ) ?? null;
      return { name, continuousA, peakA, need, part };
    };
    const list = [fuseFor('main', rms, cable.carriesA, full)];
    const { charger } = charge;
    // Branch currents are highest at the empty pack.
    if (charger) list.push(fuseFor('charger', (charger.sheet.powerW * charger.sheet.efficiency) / pack.emptyV, null));
    const { converter, heater } = electric;
    if (converter) {
      const amps = converter.kind === 'dcdc' ? converter.sheet.outputA : converter.sheet.dcdcA;
      list.push(
        fuseFor('DC-DC', (amps * runningVolts(converter.sheet.lowVoltageV)) / DCDC_EFFICIENCY / pack.emptyV, null),
      );
    }
    if (heater) list.push(fuseFor('heater', heater.sheet.powerW / pack.emptyV, null));
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
    const value = main.part?.sheet.ratedA ?? main.need.ratedA;
    if (value === null) return missing('noFuseFits');
    return {
      value,
      formula: 'rated ≥ 1.25 × rms and ≥ full throttle ÷ 1.6, not over what the cable carries',
      terms: [
        { symbol: 'rms', value: main.continuousA, kind: 'current' },
        { symbol: 'full throttle', value: main.peakA, kind: 'current' },
        { symbol: 'at least', value: main.need.atLeastA, kind: 'current' },
        { symbol: 'voltage, at least', value: main.need.voltageV, kind: 'voltage' },
        { symbol: 'must break', value: main.need.breakingA, kind: 'current' },
      ],
      source: 'common practice; the fuse maker’s curve against the 30 s peak has the last word',
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
      { symbol: 'R of the pack', value: pack.resistanceOhm, kind: 'resistance' },
      { symbol: 'R of the loop', value: pack.fullV / list[0]!.need.breakingA, kind: 'resistance' },
    ],
    source: 'Ohm; cables by IEC 60228 at 20 °C, joints 2 mΩ, common practice',
  }),
});
