import { judgeBrief } from '../brief/judgeLine.ts';
import type { BriefLine } from '../brief/lines.ts';
import { componentAs } from '../component/sheets.ts';
import { FIGURES } from '../figures/index.ts';
import { applies, type KitRevision, kitHours, kitParts } from '../kit/kit.ts';
import type { Verdict } from './finding.ts';
import { type FitInput, type FitReport, fitKit } from './fitKit.ts';

/** What decides between two ways, the first first. Less is better of each. */
const CRITERIA = [
  'notForIt',
  'firmBroken',
  'misfits',
  'wishesMissed',
  'toMeasure',
  'gaps',
  'priceCents',
  'hours',
  'leadDays',
] as const;
export type Criterion = (typeof CRITERIA)[number];

export interface RankedKit {
  readonly revision: KitRevision;
  readonly options: readonly string[];
  readonly verdict: Verdict;
  readonly by: Readonly<Record<Criterion, number>>;
  readonly firm: number;
  readonly wishes: number;
  /** Why it is out of the question, in the words of what is compared; empty where it is not. */
  readonly against: readonly string[];
  /** By what it stands behind the one before it; null for the first, and where both are alike. */
  readonly behind: Criterion | null;
}

export interface RankGround extends Omit<FitInput, 'revision' | 'options'> {
  readonly kits: readonly KitRevision[];
  readonly brief: readonly BriefLine[];
  /** How a broken firm line is called. */
  readonly lineName: (line: BriefLine) => string;
  /** How a rule is called. */
  readonly ruleName: (report: FitReport['findings'][number]) => string;
}

/** Every choice of some options, none first; of many options only none, each alone, and all. */
export function optionSets(options: readonly string[]): string[][] {
  const MOST = 4;
  if (options.length > MOST) return [[], ...options.map((one) => [one]), [...options]];
  return Array.from({ length: 2 ** options.length }, (_, bits) => options.filter((_one, i) => (bits >> i) & 1));
}

/** Bays and mounting points that the vehicle has not: a kit of another model is out before anything is driven. */
function strange(ground: RankGround, revision: KitRevision): string[] {
  const { variant } = ground.vehicle;
  const parts = kitParts(revision, ground.library, variant.id, []);
  const picks = parts.flatMap(({ component }) => componentAs(component, 'cradle')?.sheet.picks ?? []);
  const points = new Set(variant.mountingPoints.map(({ key }) => key));
  const bays = new Set(variant.bays.map(({ key }) => key));
  const noPoint = picks.filter(({ point }) => !points.has(point)).length;
  const noBay = revision.layout.boxes.filter(({ bay }) => !bays.has(bay)).length;
  return [
    ...(noPoint > 0 ? [`${noPoint} of ${picks.length} mounting points`] : []),
    ...(noBay > 0 ? [`${noBay} of ${revision.layout.boxes.length} bays`] : []),
  ];
}

function judge(
  ground: RankGround,
  revision: KitRevision,
  options: readonly string[],
  missing: readonly string[],
): Omit<RankedKit, 'behind'> {
  const { brief, lineName, ruleName, kits: _, ...rest } = ground;
  const firm = brief.filter((line) => line.firm).length;
  const none = { firm, wishes: brief.length - firm, revision, options };
  if (missing.length > 0) {
    const hours = kitHours(revision, ground.vehicle.variant.id, options);
    const unknown = { firmBroken: 0, wishesMissed: 0, toMeasure: 0, gaps: 0, priceCents: Number.MAX_SAFE_INTEGER };
    return {
      ...none,
      verdict: 'doesNotFit',
      by: { ...unknown, notForIt: missing.length, misfits: 0, hours, leadDays: 0 },
      against: missing.map((one) => `this vehicle has not ${one}`),
    };
  }
  const report = fitKit({ ...rest, brief, revision, options });
  const { sheet, cover } = report;
  const lines = judgeBrief(brief, sheet, { cover });
  const broken = lines.filter(({ state, line }) => state === 'broken' && line.firm);
  const missed = lines.filter(({ state, line }) => state === 'broken' && !line.firm).length;
  const misfits = report.findings.filter(({ verdict }) => verdict === 'doesNotFit');
  return {
    ...none,
    verdict: report.verdict,
    by: {
      notForIt: 0,
      firmBroken: broken.length,
      misfits: misfits.length,
      wishesMissed: missed,
      toMeasure: report.findings.filter(({ verdict }) => verdict === 'measureFirst').length,
      gaps: cover.filter(({ by }) => by === 'gap').length,
      priceCents: sheet.get(FIGURES.salePrice).value ?? Number.MAX_SAFE_INTEGER,
      hours: kitHours(revision, ground.vehicle.variant.id, options),
      leadDays: sheet.get(FIGURES.leadTime).value ?? 0,
    },
    against: [...broken.map(({ line }) => lineName(line)), ...new Set(misfits.map(ruleName))],
  };
}

/** What of a revision applies with these options, by place in its lists: two choices that hold the same do the same. */
function heldOf({ vehicle }: RankGround, revision: KitRevision, options: readonly string[]): string {
  const bits = (of: readonly { readonly appliesWhen?: KitRevision['lines'][number]['appliesWhen'] }[]) =>
    of.map(({ appliesWhen }) => (applies(appliesWhen, vehicle.variant.id, options) ? '1' : '0')).join('');
  return `${bits(revision.lines)} ${bits(revision.layout.boxes)} ${bits(revision.stages)}`;
}

const compare = (a: RankedKit['by'], b: RankedKit['by']): Criterion | null =>
  CRITERIA.find((one) => a[one] !== b[one]) ?? null;

/** In order, each with what puts it behind the one before. */
export function inOrder(ways: readonly Omit<RankedKit, 'behind'>[]): RankedKit[] {
  const sorted = [...ways].sort((a, b) => {
    const one = compare(a.by, b.by);
    return one === null ? 0 : a.by[one] - b.by[one];
  });
  return sorted.map((way, i) => ({ ...way, behind: i === 0 ? null : compare(sorted[i - 1]!.by, way.by) }));
}

/**
 * Every kit revision with every choice of its options for one vehicle and brief: what is for another vehicle, breaks a firm line or does not
 * fit comes last with its reasons, the others by wishes missed, what has to be measured, gaps, price, hours and lead time
 * (trade §6.4). What is worse in one and better in none never stands above.
 */
export function rankKits(ground: RankGround): RankedKit[] {
  return inOrder(
    ground.kits.flatMap((revision) => {
      const missing = strange(ground, revision);
      // Options that change nothing here come out as without them: an option for another variant, say.
      const known = new Map<string, Omit<RankedKit, 'behind'>>();
      return optionSets(revision.options.map(({ id }) => id)).map((options) => {
        // What is for another vehicle is that with any options.
        const held = missing.length > 0 ? '' : heldOf(ground, revision, options);
        const before = known.get(held);
        if (before) return { ...before, options };
        const way = judge(ground, revision, options, missing);
        known.set(held, way);
        return way;
      });
    }),
  );
}
