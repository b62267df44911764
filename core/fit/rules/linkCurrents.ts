import { type Component, componentAs } from '../../component/sheets.ts';
import { mainLinks } from '../../design/mainLinks.ts';
import { linkDuty } from '../../figures/electric/duty.ts';
import { fuses } from '../../figures/electric/fuses.ts';
import { FIGURES } from '../../figures/index.ts';
import { CABLE_SHORT_TIME } from '../../wiring/cable.ts';
import { FUSE_FACTOR, FUSE_SHORT_TIME } from '../../wiring/fuse.ts';
import { type ShortTimePoint, standsFor } from '../../wiring/shortTime.ts';
import type { Finding, FitContext, FitRule, Side, Verdict } from '../finding.ts';

/** No cable in a vehicle carries more than this for good, A for each mm²; common practice. */
const MOST_A_PER_MM2 = 12;

/** What a link carries for good, and for a while: by points of its sheet, else at most by a rule. */
interface Link {
  readonly name: string;
  readonly goodA: number;
  readonly points: readonly ShortTimePoint[] | undefined;
  /** What it may stand for half a minute by common practice, or by a peak said of no time, A. */
  readonly perhapsA: number;
  /** Never more than this, A. @default no such word on its sheet */
  readonly mostA?: number;
}

function linkOf(component: Component, ampacity: Readonly<Record<string, number>>): Link | null {
  const { name } = component;
  const box = componentAs(component, 'contactorBox');
  if (box)
    return {
      name,
      goodA: box.sheet.continuousA,
      points: box.sheet.shortTime,
      perhapsA: box.sheet.peakA,
      mostA: box.sheet.peakA,
    };
  const cable = componentAs(component, 'cable');
  if (cable) {
    const carries = ampacity[cable.id] ?? cable.sheet.continuousA;
    return { name, goodA: carries, points: cable.sheet.shortTime, perhapsA: carries * CABLE_SHORT_TIME };
  }
  const fuse = componentAs(component, 'fuse');
  if (!fuse) return null;
  const { ratedA, shortTime } = fuse.sheet;
  return { name, goodA: ratedA / FUSE_FACTOR, points: shortTime, perhapsA: ratedA * FUSE_SHORT_TIME };
}

/** Verdict on a current for a while. Where the sheet states no time, only what it carries for good is sure. */
export function whileVerdict(
  askedA: number | null,
  seconds: number,
  { goodA, points, perhapsA, mostA = Number.POSITIVE_INFINITY }: Omit<Link, 'name'>,
): { readonly verdict: Verdict; readonly standsA: number } {
  const curveA = standsFor(points, goodA, seconds);
  const standsA = curveA === null ? null : Math.min(curveA, mostA);
  const stands = standsA ?? Math.max(goodA, perhapsA);
  if (askedA === null) return { verdict: 'measureFirst', standsA: stands };
  if (askedA <= (standsA ?? goodA)) return { verdict: 'fits', standsA: standsA ?? goodA };
  return { verdict: standsA === null && askedA <= stands ? 'measureFirst' : 'doesNotFit', standsA: stands };
}

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
    const findings: Finding[] = [];
    for (const component of [main.contactorBox, main.fuse, main.cable]) {
      const link = component && linkOf(component, sheet.slots.electric.ampacity);
      if (!link) continue;
      const good = duty?.continuousA ?? null;
      findings.push(finding(`${link.name}, for good`, good, link.goodA, simple(good, link.goodA)));
      const { verdict, standsA } = whileVerdict(duty?.fullA ?? null, duty?.fullS ?? 0, link);
      findings.push(finding(`${link.name}, at full throttle`, duty?.fullA ?? null, standsA, verdict));
    }
    const ends = main.cable?.sheet.connectorA;
    if (main.cable) {
      const { sectionMm2, continuousA } = main.cable.sheet;
      // A sheet that says more is a slip of the pen, or of another section.
      if (continuousA > MOST_A_PER_MM2 * sectionMm2)
        findings.push(
          finding(`${main.cable.name}, for its section`, continuousA, MOST_A_PER_MM2 * sectionMm2, 'measureFirst'),
        );
    }
    if (main.cable)
      findings.push(
        finding(
          `${main.cable.name}, its connectors`,
          duty?.continuousA ?? null,
          ends ?? null,
          ends === undefined ? 'measureFirst' : simple(duty?.continuousA ?? null, ends),
        ),
      );
    if (main.fuse && main.cable) {
      const carries = sheet.slots.electric.ampacity[main.cable.id] ?? main.cable.sheet.continuousA;
      findings.push(
        finding(
          `${main.fuse.name} before ${main.cable.name}`,
          main.fuse.sheet.ratedA,
          carries,
          simple(main.fuse.sheet.ratedA, carries),
        ),
      );
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
    const carries = fuse.sheet.ratedA / FUSE_FACTOR;
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
