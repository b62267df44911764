import { type Precharge, precharge } from '../../wiring/precharge.ts';
import { type Entry, type FigureAbout, figure, interim, interimAnswer, missing } from '../figure.ts';
import { packFacts } from '../pack/packFacts.ts';

/** What an inverter of this size usually has across its link where no sheet says, µF; common practice. */
const USUAL_LINK_UF = 600;

export interface PrechargeNow extends Precharge {
  readonly fullV: number;
  readonly linkUf: number;
  readonly linkKnown: boolean;
  readonly share: number;
}

export const prechargeNow: Entry<PrechargeNow> = interim({
  id: 'prechargeNow',
  needs: { packFacts },
  reads: ['drive', 'electric'],
  compute: ({ packFacts: pack }, { drive, electric }) => {
    if (!drive.unit) return missing('noDrive');
    const known = drive.unit.sheet.linkUf ?? drive.inverter?.sheet.linkUf ?? null;
    const linkUf = (known ?? USUAL_LINK_UF) * drive.motors;
    const value = precharge({
      fullV: pack.fullV,
      capacitanceF: linkUf / 1e6,
      timeS: electric.prechargeS,
      share: electric.prechargeShare,
    });
    return interimAnswer(
      { ...value, fullV: pack.fullV, linkUf, linkKnown: known !== null, share: electric.prechargeShare },
      known === null ? 'link capacitance assumed' : 'inverter sheet',
    );
  },
});

const SOURCE = 'charging of a capacitor; E24 of IEC 60063, from memory';

function read(
  about: FigureAbout,
  kind: 'ohms' | 'pulse' | 'watts' | 'duration',
  field: keyof Precharge,
  formula: string,
): Entry<number> {
  return figure({
    ...about,
    kind,
    needs: { prechargeNow },
    compute: ({ prechargeNow: p }) => ({
      value: p[field],
      formula,
      terms: [
        { symbol: p.linkKnown ? 'C' : 'C, assumed', value: p.linkUf, kind: 'capacitance' },
        { symbol: 'V full', value: p.fullV, kind: 'voltage' },
        { symbol: 'p', value: p.share, kind: 'share' },
        { symbol: 'R ideal', value: p.idealOhm, kind: 'ohms' },
        { symbol: 'R', value: p.chosenOhm, kind: 'ohms' },
      ],
      source: SOURCE,
    }),
  });
}

export const prechargeResistor = read(
  { id: 'prechargeResistor', name: 'Precharge resistor', group: 'precharge' },
  'ohms',
  'chosenOhm',
  'R = −t ÷ (C·ln(1 − p)), next E24 value below',
);
export const prechargeTime = read(
  { id: 'prechargeTime', name: 'Time to precharge', group: 'precharge' },
  'duration',
  'timeS',
  't = −R·C·ln(1 − p)',
);
export const prechargeEnergy = read(
  { id: 'prechargeEnergy', name: 'Energy into the resistor', group: 'precharge' },
  'pulse',
  'energyJ',
  'E = ½·C·V²',
);
export const prechargePeak = read(
  { id: 'prechargePeak', name: 'Peak power in the resistor', group: 'precharge' },
  'watts',
  'peakW',
  'P = V² ÷ R at the first moment',
);
export const prechargeTimeOut = read(
  { id: 'prechargeTimeOut', name: 'Give up precharging after', group: 'precharge' },
  'duration',
  'timeOutS',
  '3 × the wished time, then open and say so',
);

/** The resistor of the shelf that takes this pulse and is not slower; the biggest of those, gentlest on the link. */
export const resistorChoice = interim({
  id: 'resistorChoice',
  needs: { prechargeNow },
  reads: ['shelf'],
  compute: ({ prechargeNow: p }, { shelf }) =>
    interimAnswer(
      [...shelf.resistors]
        .sort((a, b) => b.sheet.ohm - a.sheet.ohm)
        .find(
          ({ sheet }) =>
            sheet.ohm <= p.idealOhm * 1.0001 && sheet.pulseJ >= p.energyJ && sheet.peakW >= p.fullV ** 2 / sheet.ohm,
        ) ?? null,
      'component sheets',
    ),
});
