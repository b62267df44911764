import type { BriefLine } from '../brief/lines.ts';
import { wishesOf } from '../brief/wishes.ts';
import type { DesignInputs } from '../design/inputs.ts';
import { EMPTY_DESIGN } from '../design/inputs.ts';
import type { Library, ResolveInput } from '../design/resolve.ts';
import type { VehicleUse, WorkOutside } from '../figures/slots.ts';
import { newHoleCount } from '../fit/cradle.ts';
import { boxCents, type KitRevision, kitParts, kitStages } from '../kit/kit.ts';
import { type Practice, practiceOf, rateOf } from '../practice/practice.ts';
import { USUAL_CALENDAR } from '../practice/workingDays.ts';
import { dayNumber } from '../quantity/format.ts';
import type { Route } from '../road/route.ts';
import { intoMetal, type RegisterFacts } from '../vehicle/register.ts';
import type { VehicleState } from '../vehicle/state.ts';

/** What is known of a job besides its design: the kit it takes, what is left to do, what is waited for. */
export interface JobFacts {
  readonly kit: {
    readonly revision: KitRevision;
    readonly options: readonly string[];
    /** Of the vehicle it is for. */
    readonly variantId: string;
  } | null;
  /** Accepted in Match beside the kit's own. @default 0 */
  readonly matchHours?: number;
  /** By the plan of all jobs: the day it is ready, null where something of it cannot be planned. @default null */
  readonly planned?: { readonly readyOn: string | null } | null;
  readonly stages: readonly {
    readonly state: string;
    readonly hours: number;
    /** ISO instant. */
    readonly finishedAt: string | null;
  }[];
  readonly parts: readonly { readonly state: string; readonly due: string | null }[];
  readonly rates: {
    readonly rateCents: number;
    readonly hoursPerDay: number;
    readonly workingDays?: readonly number[];
    readonly practice?: Partial<Practice>;
    readonly taxShare?: number;
  };
  /** ISO day in the workshop's time zone. */
  readonly today: string;
}

/** Person-hours left, the last awaited part and rates: what price and date are worked out from. */
export function jobWork({ kit, stages, parts, rates, today, matchHours = 0, planned: byPlan }: JobFacts): WorkOutside {
  const dues = parts.flatMap((part) => (part.state === 'ordered' && part.due ? [dayNumber(part.due)] : []));
  const planStages = kit && kitStages(kit.revision, kit.variantId, kit.options);
  const planned = planStages ? planStages.reduce((sum, stage) => sum + stage.hours, matchHours) : null;
  const practice = practiceOf(rates.practice ?? {});
  const open = stages.filter((stage) => stage.state !== 'done');
  // A vehicle whose stages are all done was ready when the last was, not today: it does not grow late in the yard.
  const finished =
    open.length === 0 ? stages.flatMap(({ finishedAt }) => (finishedAt ? [dayNumber(finishedAt)] : [])) : [];
  const latestPartDay = dues.length > 0 ? Math.max(...dues) : null;
  const remainingHours = stages.length > 0 ? open.reduce((sum, stage) => sum + stage.hours, 0) : planned;
  const readyDay = byPlan?.readyOn ? dayNumber(byPlan.readyOn) : null;
  return {
    labourHours: planned,
    rateCents: rates.rateCents,
    ratesBySkill: practice.ratesBySkill,
    labourCents:
      planStages &&
      Math.round(
        planStages.reduce(
          (sum, { hours, skill }) => sum + hours * rateOf(skill, rates.rateCents, practice),
          matchHours * rates.rateCents,
        ),
      ),
    sale: {
      marginShare: practice.marginShare,
      contingencyShare: practice.contingencyShare,
      roundToCents: practice.roundToCents,
      taxShare: rates.taxShare ?? 0,
    },
    hoursPerDay: rates.hoursPerDay,
    calendar: {
      workingDays: rates.workingDays ?? USUAL_CALENDAR.workingDays,
      closed: new Set((rates.practice?.closedDays ?? []).map(({ day }) => dayNumber(day))),
    },
    todayDay: finished.length > 0 ? Math.max(...finished) : dayNumber(today),
    latestPartDay,
    remainingHours,
    planned: byPlan && finished.length === 0 ? { readyDay, hours: remainingHours, partDay: latestPartDay } : null,
  };
}

/** What the figures of a job stand on, whatever design is looked at. */
export interface JobGround {
  readonly library: Library;
  /** How many of each component are on hand and promised to nobody. */
  readonly free: ReadonlyMap<string, number>;
  readonly vehicle: VehicleState;
  readonly use: VehicleUse;
  readonly brief: readonly BriefLine[];
  readonly route: Route | null;
  readonly facts: JobFacts;
  /** The register of the vehicle. */
  readonly register: readonly RegisterFacts[];
}

/**
 * The one way from a job to the inputs of its figures: the page, the Floor, the server and every paper come through
 * here, so that none of them can show another figure than the others.
 *
 * @param design null while the job has none
 */
export function jobFigureInput(ground: JobGround, design: DesignInputs | null): ResolveInput {
  const { library, free, vehicle, use, brief, route, facts } = ground;
  const { kit } = facts;
  const brought = kit && kitParts(kit.revision, library, vehicle.variant.id, kit.options);
  return {
    design: design ?? EMPTY_DESIGN,
    library,
    vehicle,
    use,
    wishes: wishesOf(brief),
    route,
    registered: intoMetal(ground.register),
    newHoles: brought && newHoleCount(vehicle.variant, brought),
    work: { ...jobWork(facts), boxCents: brought ? boxCents(brought) : 0 },
    free,
  };
}
