import type { BatteryLimit } from '../../chain/links.ts';
import { type Chain, type ChainMotor, solveChain } from '../../chain/solve.ts';
import { clampEta } from '../../drive/efficiency.ts';
import { cleanCurve } from '../../drive/motorCurve.ts';
import type { ComposedPack } from '../../pack/compose.ts';
import type { Weather } from '../../road/weather.ts';
import { cableRating, contactorRating, fuseRating, type Rating, shortA } from '../../wiring/rating.ts';
import { type Entry, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts, packFactsFrost } from '../pack/packFacts.ts';
import { auxiliary, auxiliaryFrost } from '../road/auxiliary.ts';
import type { Slots } from '../slots.ts';

/** What is asked of a link for a while is asked for half a minute, s. */
const SHORT_S = 30;

/** How long it is asked of the chain: ten seconds to half a minute, or without end. */
type Duty = 'peak' | 'continuous';

/** Every limit on the battery side of a design; null where a part is not chosen or its sheet is silent. */
function batteryLimits(pack: ComposedPack, { drive, electric }: Pick<Slots, 'drive' | 'electric'>, duty: Duty) {
  const { motors } = drive;
  const unit = drive.unit!;
  const { contactorBox, cable, fuse } = electric;
  const short = duty === 'peak';
  const amps = (
    link: BatteryLimit['link'],
    part: string | null,
    limit: number | null,
    whole = false,
  ): BatteryLimit => ({
    link,
    part,
    quantity: 'batteryCurrent',
    limit,
    whole,
  });
  const floor = (link: BatteryLimit['link'], part: string | null, limit: number): BatteryLimit => ({
    link,
    part,
    quantity: 'voltage',
    limit,
  });
  const stands = (rating: Rating | null) => rating && (short ? shortA(rating, SHORT_S) : rating.goodA);
  const carries =
    cable &&
    stands(cableRating({ ...cable.sheet, continuousA: electric.ampacity[cable.id] ?? cable.sheet.continuousA }));
  const ends = cable?.sheet.connectorA ?? Number.POSITIVE_INFINITY;
  return [
    amps('cells', pack.currentBox, short ? pack.peakA : pack.continuousA, true),
    floor('cellVoltage', null, pack.emptyV),
    amps('contactorBox', contactorBox?.name ?? null, stands(contactorBox && contactorRating(contactorBox.sheet)), true),
    amps('fuse', fuse?.name ?? null, stands(fuse && fuseRating(fuse.sheet)), true),
    amps('cable', cable?.name ?? null, cable && (short ? carries : Math.min(carries!, ends)), true),
    ...(drive.inverter && !unit.sheet.hasInverter
      ? [
          amps('inverter', drive.inverter.name, drive.inverter.sheet.maxCurrentA * motors),
          floor('inverterVoltage', drive.inverter.name, drive.inverter.sheet.minV),
        ]
      : []),
    amps('driveCurrent', unit.name, unit.sheet.maxCurrentA * motors),
    floor('driveVoltage', unit.name, unit.sheet.minV),
  ];
}

function motorOf({ drive }: Pick<Slots, 'drive'>, duty: Duty): ChainMotor {
  const { name, sheet } = drive.unit!;
  const stated = drive.curve ?? sheet.curve;
  const short = duty === 'peak';
  const phaseA = sheet.hasInverter ? undefined : drive.inverter?.sheet.phaseA;
  return {
    part: name,
    motors: drive.motors,
    torqueNm: short ? sheet.peakTorqueNm : sheet.continuousTorqueNm,
    powerW: short ? sheet.peakPowerW : sheet.continuousPowerW,
    maxRpm: sheet.maxRpm,
    curve: stated ? cleanCurve(stated).curve : null,
    column: short ? 'peakNm' : 'continuousNm',
    ratedV: sheet.ratedV ?? null,
    efficiency: clampEta(drive.efficiency ?? sheet.efficiency),
    phaseNm: phaseA !== undefined && sheet.nmPerPhaseA !== undefined ? phaseA * sheet.nmPerPhaseA : null,
    torqueCapNm: drive.torqueCapNm,
    powerCapW: drive.powerCapW,
  };
}

/** State of charge at which a low pack is looked at. */
export const LOW_CHARGE = 0.2;

/**
 * Open-circuit voltage at a low state of charge: on the straight line from empty to nominal at half charge. Cells hold
 * their voltage longer than that, so that a low pack never gives less than is said; common practice.
 */
export const openVoltageLow = ({ emptyV, nominalV }: { emptyV: number; nominalV: number }): number =>
  emptyV + ((nominalV - emptyV) * LOW_CHARGE) / 0.5;

function chainIn(id: string, duty: Duty, weather: Weather, low = false): Entry<Chain> {
  return interim({
    id,
    needs: {
      pack: weather === 'frost' ? packFactsFrost : packFacts,
      beside: weather === 'frost' ? auxiliaryFrost : auxiliary,
    },
    reads: ['drive', 'electric'],
    compute: ({ pack, beside }, slots) => {
      const { unit, inverter } = slots.drive;
      if (!unit) return missing('noDrive');
      if (!unit.sheet.hasInverter && !inverter) return missing('noInverter');
      const ask = {
        openV: low ? openVoltageLow(pack) : pack.nominalV,
        resistanceOhm: pack.resistanceOhm,
        // At the lowest voltage the cells may have: what they draw is never more. A sheet that lets them run to nothing
        // says nothing of it: then the nominal voltage.
        besideA: beside / (pack.emptyV > 0 ? pack.emptyV : pack.nominalV),
        battery: batteryLimits(pack, slots, duty),
        motor: motorOf(slots, duty),
      };
      return interimAnswer(solveChain(ask), 'every link from cell to motor shaft');
    },
  });
}

/** Cells to motor shaft at the pack's nominal voltage: for ten seconds to half a minute, and without end. */
export const chainPeak = chainIn('chainPeak', 'peak', 'mild');
export const chainContinuous = chainIn('chainContinuous', 'continuous', 'mild');
/** The same on a day at freezing. */
export const chainPeakFrost = chainIn('chainPeakFrost', 'peak', 'frost');
/** A fifth of its charge left, on the day of the use: for ten seconds to half a minute, and without end. */
export const chainPeakLow = chainIn('chainPeakLow', 'peak', 'mild', true);
