import type { Component } from '../component/sheets.ts';

import type { DesignInputs } from '../design/inputs.ts';
import { FIGURES } from '../figures/index.ts';
import { companionsOf } from '../fit/companionsOf.ts';
import type { Verdict } from '../fit/finding.ts';
import { type FitInput, type FitReport, fitKit } from '../fit/fitKit.ts';
import { kitFromDesign } from '../kit/fromDesign.ts';
import type { KitRevision } from '../kit/kit.ts';
import { lpSum, type Solver } from '../milp/solver.ts';
import { newestOnly } from '../vehicle/revisions.ts';
import { meets, piecesOf, type Requirement, requirementsOf } from './requirements.ts';
import { suitsDesign } from './suits.ts';

export const PACKAGE_AIMS = ['cheapest', 'lightest'] as const;
export type PackageAim = (typeof PACKAGE_AIMS)[number];

export interface PackageGround extends Omit<FitInput, 'revision' | 'options'> {
  readonly design: DesignInputs;
  readonly name: string;
}

export interface PackagePart {
  readonly component: Component;
  readonly quantity: number;
  /** What it is there for; empty where another part needs it. */
  readonly meets: readonly Requirement[];
}
export interface Package {
  readonly aim: PackageAim;
  /** The other way comes to the same parts, and is left out. */
  readonly both: boolean;
  readonly parts: readonly PackagePart[];
  readonly priceCents: number;
  /** Parts whose price nobody has written down; the sum is without them. */
  readonly unpriced: readonly string[];
  readonly massKg: number;
  /** What nothing in the catalogue that fits here would meet. */
  readonly open: readonly Requirement[];
  readonly verdict: Verdict;
  /** The design with it, as a revision to be ranked beside kits. */
  readonly revision: KitRevision;
  readonly design: DesignInputs;
}

/** Not proposed: chosen by the workshop, or made for one vehicle. */
const CHOSEN_KINDS: ReadonlySet<Component['kind']> = new Set(['module', 'drive', 'box']);
/** Stand in for a price or a mass nobody has written down: taken only where nothing else does it. */
const UNKNOWN = { cheapest: 1e8, lightest: 1e4 } as const;
/** Sets that the rules refuse together are left out and another is looked for, so often. */
const TRIES = 6;
const SOLVE_S = 5;

/** A design as a revision of nobody's kit. */
export function revisionOf({ design, vehicle, name }: PackageGround, fullV: number): KitRevision {
  const { variant } = vehicle;
  return {
    ...{ id: `design ${name}`, kitId: '', kitName: name, modelName: variant.modelName, revision: '', state: 'draft' },
    ...kitFromDesign(design, variant, fullV),
  };
}

const wrongOf = ({ findings }: FitReport): Set<string> =>
  new Set(findings.filter(({ verdict }) => verdict === 'doesNotFit').map(({ rule, subject }) => `${rule} ${subject}`));
const worse = (report: FitReport, before: ReadonlySet<string>) => [...wrongOf(report)].some((one) => !before.has(one));

/** The slot of a design that a kind of part fills, where it is empty; everything else stands among the others. */
const SLOT = { inverter: 'inverterId', charger: 'chargerId', combinedUnit: 'chargerId', inlet: 'inletId' } as const;

function withParts(design: DesignInputs, parts: readonly { component: Component; quantity: number }[]): DesignInputs {
  const slots: Partial<Record<'inverterId' | 'chargerId' | 'inletId', string>> = {};
  const others = [...design.others];
  for (const { component, quantity } of parts) {
    const slot = component.kind in SLOT ? SLOT[component.kind as keyof typeof SLOT] : null;
    if (slot && (slots[slot] ?? design[slot]) === null) slots[slot] = component.id;
    else others.push({ componentId: component.id, quantity, xMm: null });
  }
  return { ...design, ...slots, others };
}

interface Candidate {
  readonly component: Component;
  readonly quantity: number;
}

/**
 * What completes a design on a vehicle, the cheapest and the lightest way: the least set of catalogue parts, each taken by
 * the rules of Match beside the design, that meets every function still open and brings what its own parts need. Least by
 * price or by mass, exactly (a set cover with companions, as a mixed-integer programme); a set the rules refuse as a whole
 * is left out and the next looked for.
 */
export function completions(ground: PackageGround, solve: Solver): Package[] {
  const judge = (design: DesignInputs) => {
    const revision = revisionOf({ ...ground, design }, 0);
    return { revision, report: fitKit({ ...ground, revision, options: [] }) };
  };
  const { report: bare } = judge(ground.design);
  const before = wrongOf(bare);
  const wanted = requirementsOf(bare.parts, bare.cover);
  const there = new Set(bare.parts.flatMap(({ component }) => [component.id, ...(component.alternatives ?? [])]));
  const channels = bare.sheet.slots.pack.boxes.map((box) => box.modules * (box.module?.sheet.channels ?? 0));
  const newest = newestOnly([...ground.library.values()]);
  const needed = new Set(newest.flatMap((part) => companionsOf(part).map(({ component }) => component)));
  const candidates = newest
    .filter(
      (part) =>
        !CHOSEN_KINDS.has(part.kind) &&
        !there.has(part.id) &&
        suitsDesign(part, bare.sheet, ground.vehicle) &&
        (needed.has(part.id) || wanted.some((requirement) => meets(part, requirement))),
    )
    .map((component): Candidate => ({ component, quantity: piecesOf(component, channels) }))
    .filter((candidate) => !worse(judge(withParts(ground.design, [candidate])).report, before));
  const can = wanted.filter((requirement) => candidates.some(({ component }) => meets(component, requirement)));
  const open = wanted.filter((requirement) => !can.includes(requirement));
  const ways = PACKAGE_AIMS.flatMap((aim): Package[] => {
    const refused: number[][] = [];
    for (let tried = 0; tried < TRIES; tried++) {
      const solved = solve(programme(candidates, can, there, ground, aim, refused), SOLVE_S);
      if (solved.state !== 'optimal' && solved.state !== 'feasible') return [];
      const at = candidates.flatMap((_, i) => (solved.value(`y${i}`) > 0.5 ? [i] : []));
      const chosen = at.map((i) => candidates[i]!);
      const design = withParts(ground.design, chosen);
      const { report } = judge(design);
      if (worse(report, before)) {
        refused.push(at);
        continue;
      }
      const fullV = report.sheet.get(FIGURES.packVoltageFull).value ?? 0;
      const name = `${ground.name}, completed, ${aim}`;
      return [
        {
          ...{ aim, both: false, open, verdict: report.verdict, design },
          parts: chosen.map(({ component, quantity }) => ({
            ...{ component, quantity },
            meets: can.filter((requirement) => meets(component, requirement)),
          })),
          priceCents: chosen.reduce((sum, { component, quantity }) => sum + component.priceCents * quantity, 0),
          unpriced: chosen.filter(({ component }) => component.priceCents <= 0).map(({ component }) => component.name),
          massKg: chosen.reduce((sum, { component, quantity }) => sum + component.massKg * quantity, 0),
          revision: revisionOf({ ...ground, design, name }, fullV),
        },
      ];
    }
    return [];
  });
  const [first, second] = ways;
  const ids = ({ parts }: Package) => parts.map(({ component }) => component.id).join();
  return first && second && ids(first) === ids(second) ? [{ ...first, both: true }] : ways;
}

/** The set cover: each requirement met, each companion there, least by the aim, the other breaking ties. */
export function programme(
  candidates: readonly Candidate[],
  wanted: readonly Requirement[],
  there: ReadonlySet<string>,
  { library }: Pick<PackageGround, 'library'>,
  aim: PackageAim,
  refused: readonly (readonly number[])[],
): string {
  const cents = ({ component, quantity }: Candidate) =>
    component.priceCents > 0 ? component.priceCents * quantity : UNKNOWN.cheapest;
  const kg = ({ component, quantity }: Candidate) =>
    component.massKg > 0 ? component.massKg * quantity : UNKNOWN.lightest;
  const cost = (one: Candidate) => (aim === 'cheapest' ? cents(one) + kg(one) / 1e3 : kg(one) + cents(one) / 1e9);
  const rows: string[] = [];
  for (const requirement of wanted)
    rows.push(
      `${lpSum(candidates.flatMap(({ component }, i) => (meets(component, requirement) ? [[1, `y${i}`] as const] : [])))} >= 1`,
    );
  for (const [i, { component }] of candidates.entries())
    for (const { component: id } of companionsOf(component)) {
      const does = [id, ...(library.get(id)?.alternatives ?? [])];
      if (does.some((one) => there.has(one))) continue;
      const others = candidates.flatMap((one, j) => (does.includes(one.component.id) ? [[-1, `y${j}`] as const] : []));
      rows.push(`${lpSum([[1, `y${i}`], ...others])} <= 0`);
    }
  for (const at of refused) {
    const others = candidates.flatMap((_, i) => (at.includes(i) ? [] : [[-1, `y${i}`] as const]));
    rows.push(`${lpSum([...at.map((i) => [1, `y${i}`] as const), ...others])} <= ${at.length - 1}`);
  }
  return [
    'Minimize',
    ` obj: ${lpSum(candidates.map((one, i) => [cost(one), `y${i}`])) || '+ 0 y0'}`,
    'Subject To',
    ...(rows.length > 0 ? rows.map((row, i) => ` c${i}: ${row}`) : [' c0: y0 >= 0']),
    'Binary',
    ` ${candidates.length > 0 ? candidates.map((_, i) => `y${i}`).join(' ') : 'y0'}`,
    'End',
    '',
  ].join('\n');
}
