import { type BriefLineBody, hasKind } from '../../../../contract/brief.ts';
import { BRIEF_KIND_IDS, type BriefKind, briefKind } from '../../../../core/brief/lines.ts';
import { BRIEF_NAME } from '../../../../wording/brief.ts';

function of(kind: BriefKind): BriefLineBody {
  const share = kind === 'axleShare';
  return {
    kind,
    firm: false,
    amount: briefKind(kind).start ?? null,
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
