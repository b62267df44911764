import type { ComponentOf } from '../../component/sheets.ts';
import { type CableDuty, type CableVerdict, conductorOhm, fittingCables } from '../../wiring/cable.ts';
import { fuseNeed, smallestFuse } from '../../wiring/fuse.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { peak30sCurrent } from '../road/currents.ts';
import { linkDuty } from './duty.ts';

export const cableDuty: Entry<CableDuty> = interim({
  id: 'cableDuty',
  needs: { packFacts, peak: peak30sCurrent, linkDuty },
  reads: ['electric'],
  compute: ({ packFacts: pack, peak, linkDuty: duty }, { electric }) =>
    interimAnswer(
      {
        continuousA: duty.continuousA,
        useA: duty.useA,
        fullA: Math.max(peak, duty.fullA),
        fullS: duty.fullS,
        nominalV: pack.nominalV,
        lengthM: electric.cableLengthM,
        drop: electric.cableDrop,
        temperatureC: electric.cableC,
      },
      'currents of the hardest use',
    ),
});

export type CableChoice = Omit<CableVerdict<ComponentOf<'cable'>['sheet']>, 'cable'> & {
  readonly part: ComponentOf<'cable'>;
  /** What it carries steadily: as given for this design, or by its sheet. */
  readonly carriesA: number;
  /** The fuse that goes with it. */
  readonly fuse: ComponentOf<'fuse'>;
};

/** What the main fuse has to stand, whatever the cable. */
export const mainFuseDuty = interim({
  id: 'mainFuseDuty',
  needs: { packFacts, linkDuty },
  compute: ({ packFacts: pack, linkDuty: duty }) =>
    interimAnswer(
      // A fault is fed hardest by a warm pack.
      {
        continuousA: duty.continuousA,
        peakA: duty.fullA,
        peakS: duty.fullS,
        fullV: pack.fullV,
        packOhm: pack.warmOhm,
      },
      'currents of the hardest use',
    ),
});

/** Resistance of the loop through a cable, there and back, with contacts and busbars, Ω: a fault can lie anywhere. */
export const loopOhm = (packOhm: number, sectionMm2: number, lengthM: number): number =>
  packOhm + JOINTS_OHM + 2 * conductorOhm(sectionMm2, lengthM, 20);

/** Contacts and busbars add about this, Ω; common practice. */
const JOINTS_OHM = 0.002;

/**
 * The smallest cable of the shelf that meets steady current, 30 s peak and drop, and that a fuse of the shelf protects:
 * rated for the load and not over what the cable carries. The two are chosen together.
 */
export const cableChoice: Entry<CableChoice> = interim({
  id: 'cableChoice',
  needs: { cableDuty, mainFuseDuty },
  reads: ['shelf', 'electric'],
  compute: ({ cableDuty: duty, mainFuseDuty: fuseDuty }, { shelf, electric }) => {
    const sizes = shelf.cables.map((part) => ({
      ...part.sheet,
      continuousA: electric.ampacity[part.id] ?? part.sheet.continuousA,
      part,
    }));
    const fitting = fittingCables(sizes, duty);
    if (fitting.length === 0) return missing('noCableFits');
    for (const { cable, ...verdict } of fitting) {
      const ohm = loopOhm(fuseDuty.packOhm, cable.sectionMm2, duty.lengthM);
      const need = fuseNeed({ ...fuseDuty, loopOhm: ohm, cableA: cable.continuousA });
      const fuse = smallestFuse(shelf.fuses, need, cable.continuousA);
      if (fuse)
        return interimAnswer(
          { ...verdict, carriesA: cable.continuousA, part: cable.part, fuse },
          'cable sheets; ampacity depends on the cable and where it lies',
        );
    }
    return missing('noPairFits');
  },
});

export const cableSection = figure({
  id: 'cableSection',
  name: 'HV cable section',
  group: 'cable',
  kind: 'section',
  needs: { cableChoice, cableDuty },
  compute: ({ cableChoice: choice, cableDuty: duty }) => ({
    value: choice.part.sheet.sectionMm2,
    formula:
      'smallest section that carries the current for good, stands full throttle (its curve, else 1.6 × that), drop within its limit',
    terms: [
      { symbol: 'for good', value: duty.continuousA, kind: 'current' },
      { symbol: 'carries steadily', value: choice.carriesA, kind: 'current' },
      { symbol: 'full throttle', value: duty.fullA, kind: 'current' },
      { symbol: 'it lasts', value: duty.fullS, kind: 'duration' },
      { symbol: 'drop', value: choice.dropShare, kind: 'smallShare' },
      { symbol: 'drop allowed', value: duty.drop, kind: 'smallShare' },
    ],
    source: 'IEC 60228 class 5 at conductor temperature, from memory; ampacity by cable sheet, typical',
  }),
});

export const cableDrop = figure({
  id: 'cableDrop',
  name: 'Voltage drop in the cable',
  group: 'cable',
  kind: 'smallShare',
  needs: { cableChoice, cableDuty },
  compute: ({ cableChoice: choice, cableDuty: duty }) => ({
    value: choice.dropShare,
    formula: 'drop = 2·l·R(T)·I ÷ V nominal',
    terms: [
      { symbol: 'l, one way', value: duty.lengthM * 1000, kind: 'length' },
      { symbol: 'drop', value: choice.dropV, kind: 'voltage' },
      { symbol: 'I rms', value: duty.useA ?? duty.continuousA, kind: 'current' },
      { symbol: 'T of the conductor', value: duty.temperatureC, kind: 'temperature' },
    ],
    source: 'IEC 60228 class 5; copper 0.00393 /K, IEC 60028, from memory',
  }),
});

export const cableBend = figure({
  id: 'cableBend',
  name: 'Least bend radius',
  group: 'cable',
  kind: 'length',
  needs: { cableChoice },
  reads: ['electric'],
  compute: ({ cableChoice: choice }, { electric }) => ({
    value: choice.part.sheet.outsideMm * electric.bendFactor,
    formula: 'bend radius = factor × outside diameter',
    terms: [
      { symbol: 'outside diameter', value: choice.part.sheet.outsideMm, kind: 'length' },
      { symbol: 'factor', value: electric.bendFactor, kind: 'coefficient' },
    ],
    source: 'common practice; the cable maker’s word wins',
  }),
});
