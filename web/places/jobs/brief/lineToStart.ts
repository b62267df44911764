import { type BriefLineBody, hasKind } from '../../../../contract/brief.ts';
import { BRIEF_KIND_IDS, type BriefKind } from '../../../../core/brief/lines.ts';
import { BRIEF_NAME } from '../../../../wording/brief.ts';

/** Base amounts a new line starts with: round figures that a person then changes. */
const START: Partial<Record<BriefKind, number>> = {
  rangeRound: 100,
  rangeCycle: 100,
  rangeRoute: 100,
  rangeConstant: 100,
  time0to20: 5,
  time0to50: 12,
  time0to60mph: 15,
  time0to100: 18,
  topSpeed: 90,
  hillStart: 0.16,
  gradeHeld50: 0.08,
  overnightCharge: 10,
  rapidCharge: 0.75,
  priceCeiling: 2_500_000,
};

function of(kind: BriefKind): BriefLineBody {
  const share = kind === 'axleShare';
  return {
    kind,
    firm: false,
    amount: START[kind] ?? null,
    school: share ? 'original' : null,
    tolerance: share ? 0.02 : null,
    text: '',
    done: false,
  };
}

export const lineToStart = {
  of,
  options: BRIEF_KIND_IDS.filter(hasKind).map((kind) => ({ value: kind, label: BRIEF_NAME[kind] })),
};
