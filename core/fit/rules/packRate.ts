import { linkDuty } from '../../figures/electric/duty.ts';
import { packStrings } from '../../figures/pack/packFacts.ts';
import { boxRates } from '../../pack/boxRates.ts';
import { moduleRating } from '../../wiring/rating.ts';
import type { Finding, FitRule, Verdict } from '../finding.ts';
import { whileVerdict } from '../whileVerdict.ts';

/** No traction module gives more than this for good, in multiples of its capacity an hour; common practice. */
const MOST_C = 10;
/** What its sheet says it gives for good, where that is beyond reason, A: then the sheet is read again first. */
const sheetDoubt = ({ continuousA, capacityAh }: { continuousA: number; capacityAh: number }): number | null =>
  continuousA > MOST_C * capacityAh ? continuousA : null;

/**
 * What is asked of the modules of every box, for good and at full throttle, in multiples of their capacity an hour, against
 * what their sheet says. Nothing in a cell holds a current back: inverter, motor and caps are asked, not the pack.
 */
export const packRate: FitRule = {
  id: 'packRate',
  judge: ({ sheet }) => {
    const strings = sheet.get(packStrings).value;
    if (!strings) return [];
    const { value: duty, unmeasured } = sheet.get(linkDuty);
    return boxRates(strings, sheet.slots.pack.wiring).flatMap(({ boxes, sheet: module, capacityAh, share }) => {
      const finding = (how: string, asked: number | null, stands: number, verdict: Verdict): Finding => ({
        rule: 'packRate',
        subject: `${boxes.join(', ')}: ${how}`,
        verdict,
        left: { value: asked === null ? null : asked / capacityAh, kind: 'cRate', source: 'design' },
        right: { value: stands / capacityAh, kind: 'cRate', source: 'sheet' },
        margin: asked === null ? null : { value: (stands - asked) / capacityAh, kind: 'cRate' },
        unmeasured,
        work: null,
      });
      const good = duty ? duty.continuousA * share : null;
      const full = duty ? duty.fullA * share : null;
      const { continuousA } = module;
      const { verdict, standsA } = whileVerdict(full, duty?.fullS ?? 0, moduleRating(module));
      const ownA = sheetDoubt(module);
      return [
        ...(ownA === null ? [] : [finding('by its own sheet', ownA, MOST_C * capacityAh, 'measureFirst')]),
        finding(
          'for good',
          good,
          continuousA,
          good === null ? 'measureFirst' : continuousA >= good ? 'fits' : 'doesNotFit',
        ),
        finding('at full throttle', full, standsA, verdict),
      ];
    });
  },
};
