import { solveChain } from '../../chain/solve.ts';
import type { ComponentOf } from '../../component/sheets.ts';
import { type CableDuty, type CableVerdict, conductorOhm, fittingCables } from '../../wiring/cable.ts';
import { fuseNeed, smallestFuse } from '../../wiring/fuse.ts';
import { chainPeak } from '../drive/chain.ts';
import { type Entry, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';
import { peak30sCurrent, rmsCurrent } from '../road/currents.ts';

/** Battery current at full throttle that cable and main fuse have to stand: every other link asked, not these two. */
const currentToCarry = interim({
  id: 'currentToCarry',
  needs: { chainPeak },
  compute: ({ chainPeak: { ask } }) => {
    const battery = ask.battery.filter(({ link }) => link !== 'cable' && link !== 'fuse');
    const { full } = solveChain({ ...ask, battery });
    return interimAnswer(full.amps + ask.besideA, 'every link but cable and fuse; accessories beside the drive');
  },
});

export const cableDuty: Entry<CableDuty> = interim({
  id: 'cableDuty',
  needs: { packFacts, rms: rmsCurrent, peak: peak30sCurrent, full: currentToCarry },
  reads: ['electric'],
  compute: ({ packFacts: pack, rms, peak, full }, { electric }) =>
    interimAnswer(
      {
        continuousA: rms,
        // A long hill at full throttle lasts half a minute, whatever the stated uses ask.
        peak30sA: Math.max(peak, full),
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
  needs: { packFacts, rms: rmsCurrent, full: currentToCarry },
  compute: ({ packFacts: pack, rms, full }) =>
    interimAnswer(
      // A fault is fed hardest by a warm pack.
      { continuousA: rms, peakA: full, fullV: pack.fullV, packOhm: pack.warmOhm },
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
    formula: 'smallest section with: carries rms, stands 30 s of full throttle at 1.6 × that, drop within its limit',
    terms: [
      { symbol: 'rms', value: duty.continuousA, kind: 'current' },
      { symbol: 'carries steadily', value: choice.carriesA, kind: 'current' },
      { symbol: '30 s peak or full throttle', value: duty.peak30sA, kind: 'current' },
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
      { symbol: 'I rms', value: duty.continuousA, kind: 'current' },
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
