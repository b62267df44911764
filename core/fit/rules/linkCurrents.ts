import { componentAs } from '../../component/sheets.ts';
import { mainLinks } from '../../design/mainLinks.ts';
import { linkDuty } from '../../figures/electric/duty.ts';
import { fuses } from '../../figures/electric/fuses.ts';
import { FIGURES } from '../../figures/index.ts';
import { cableRating, contactorRating, fuseRating, type Rating } from '../../wiring/rating.ts';
import type { Finding, FitContext, FitRule, Side, Verdict } from '../finding.ts';
import { whileVerdict } from '../whileVerdict.ts';

/** No cable in a vehicle carries more than this for good, A for each mm²; common practice. */
const MOST_A_PER_MM2 = 12;

const current = (value: number | null, source: Side['source']): Side => ({ value, kind: 'current', source });

/**
 * What carries the traction current, and the inverter: continuous against continuous, full throttle for as long as drive,
 * use or pack let it last against what the sheet says of that time; the main fuse not over what the cable carries. Fuses of
 * branches are held against the branches there are.
 */
export const linkCurrents: FitRule = {
  id: 'linkCurrents',
  judge: (context) => {
    const { sheet, parts } = context;
    const { value: duty, unmeasured } = sheet.get(linkDuty);
    const main = mainLinks(parts.map(({ component }) => component));
    const finding = (subject: string, left: number | null, right: number | null, verdict: Verdict): Finding => ({
      ...{ rule: 'linkCurrents', subject, verdict, work: null, unmeasured },
      left: current(left, 'design'),
      right: current(right, 'sheet'),
      margin: left === null || right === null ? null : { value: right - left, kind: 'current' },
    });
    const simple = (asked: number | null, stands: number): Verdict =>
      asked === null ? 'measureFirst' : stands >= asked ? 'fits' : 'doesNotFit';
    const { contactorBox, fuse, cable } = main;
    const good = duty?.continuousA ?? null;
    const full = duty?.fullA ?? null;
    const carries = cable && (sheet.slots.electric.ampacity[cable.id] ?? cable.sheet.continuousA);
    const ratings: [string, Rating][] = [
      ...(contactorBox ? [[contactorBox.name, contactorRating(contactorBox.sheet)] as [string, Rating]] : []),
      ...(fuse ? [[fuse.name, fuseRating(fuse.sheet)] as [string, Rating]] : []),
      ...(cable ? [[cable.name, cableRating({ ...cable.sheet, continuousA: carries! })] as [string, Rating]] : []),
    ];
    const findings = ratings.flatMap(([name, rating]) => {
      const { verdict, standsA } = whileVerdict(full, duty?.fullS ?? 0, rating);
      return [
        finding(`${name}, for good`, good, rating.goodA, simple(good, rating.goodA)),
        finding(`${name}, at full throttle`, full, standsA, verdict),
      ];
    });
    if (cable) {
      const { sectionMm2, connectorA: ends } = cable.sheet;
      const most = MOST_A_PER_MM2 * sectionMm2;
      // A sheet that says more is a slip of the pen, or of another section.
      if (carries! > most) findings.push(finding(`${cable.name}, for its section`, carries, most, 'measureFirst'));
      const verdict = ends === undefined ? 'measureFirst' : simple(good, ends);
      findings.push(finding(`${cable.name}, its connectors`, good, ends ?? null, verdict));
      if (fuse) {
        const { ratedA } = fuse.sheet;
        findings.push(finding(`${fuse.name} before ${cable.name}`, ratedA, carries, simple(ratedA, carries!)));
      }
    }
    return [...findings, ...branchFuses(context, finding), ...inverters(context)];
  },
};

/** A fuse that is not the main one: some branch of the design must be one that it carries. */
function branchFuses(
  { sheet, parts }: FitContext,
  finding: (subject: string, left: number | null, right: number, verdict: Verdict) => Finding,
): Finding[] {
  const { branchFuses: others } = mainLinks(parts.map(({ component }) => component));
  if (others.length === 0) return [];
  const branches = (sheet.get(fuses).value ?? []).slice(1).map(({ continuousA }) => continuousA);
  const least = branches.length > 0 ? Math.min(...branches) : null;
  return others.map((fuse) => {
    const carries = fuseRating(fuse.sheet).goodA;
    return finding(
      `${fuse.name}, a branch`,
      least,
      carries,
      least === null ? 'measureFirst' : carries >= least ? 'fits' : 'doesNotFit',
    );
  });
}

/** An inverter holds its current back by itself: the use is what may not be driven with it. */
function inverters({ sheet, parts }: FitContext): Finding[] {
  const peak = sheet.get(FIGURES.peak30sCurrent);
  return parts.flatMap(({ component }): Finding[] => {
    const inverter = componentAs(component, 'inverter');
    if (!inverter) return [];
    const { maxCurrentA } = inverter.sheet;
    const margin = peak.value === null ? null : maxCurrentA - peak.value;
    return [
      {
        rule: 'linkCurrents',
        subject: `${inverter.name}, 30 s of the hardest use`,
        verdict: margin === null ? 'measureFirst' : margin >= 0 ? 'fits' : 'doesNotFit',
        left: current(peak.value, 'design'),
        right: current(maxCurrentA, 'sheet'),
        margin: margin === null ? null : { value: margin, kind: 'current' },
        unmeasured: peak.unmeasured,
        work: null,
      },
    ];
  });
}
