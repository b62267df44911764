import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { type ScenarioRow, workPlanAddress } from '../../contract/workPlan.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { type PlanChange, withChanges, withoutHand } from '../../core/plan/planChange.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { absence, person, scenario, workPlan } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { RuleBroken, Stale } from '../problems.ts';
import { instant } from '../read/instant.ts';
import { applyChanges } from './apply.ts';
import { planFacts } from './facts.ts';
import { isStale, lockPlan, planInForce, putInForce } from './inForce.ts';
import type { PlanMaker } from './planner.ts';
import { handTold, lastHand, undoHand } from './undo.ts';

/** Asked again within this, the plan that was made is the answer. */
const JUST_MS = 60_000;
/** What-ifs that are kept at once. */
const MOST_SCENARIOS = 12;

async function scenarioRows(db: Db | Tx): Promise<ScenarioRow[]> {
  const { rows } = await db.execute<ScenarioRow & Record<string, unknown>>(sql`
    select s.id, s.name, s.changes, p.name as by, ${instant('s.at')} as at, s.version
    from scenario s join person p on p.id = s.by_id where s.ended_at is null order by s.at`);
  return rows;
}

async function sheetOf(db: Db | Tx, workshop: Workshop, now: Date) {
  const row = await planInForce(db);
  const facts = await planFacts(db, workshop, now);
  const madeBy = row?.byId
    ? one(await db.select({ name: person.name }).from(person).where(eq(person.id, row.byId)), 'person').name
    : null;
  return {
    ...{ facts, plan: row?.body ?? null, planId: row?.id ?? 0, madeAt: row?.at.toISOString() ?? null, madeBy },
    stale: isStale(row, facts, now),
    scenarios: await scenarioRows(db),
    lastHand: handTold(await lastHand(db)),
  };
}

interface Hand {
  readonly workshop: Workshop;
  readonly maker: PlanMaker;
  readonly now: Date;
  readonly byId: string;
  readonly planId: number;
}

/** Does what was thought, and puts the plan in force that was made with it: nobody sees the one without the other. */
async function layHand(change: Change, changes: readonly PlanChange[], hand: Hand): Promise<number> {
  const { tx } = change;
  await lockPlan(tx);
  const before = await planInForce(tx);
  if ((before?.id ?? 0) !== hand.planId) throw new Stale({ planId: before?.id ?? 0 });
  // Made before anything is written, so that no job is locked while it is.
  const facts = withChanges(await planFacts(tx, hand.workshop, hand.now), changes);
  return putInForce(tx, { facts, before, maker: hand.maker, byId: hand.byId, at: hand.now }, () =>
    applyChanges(change, changes, facts, hand.byId),
  );
}

export const workPlanEndpoints = [
  serve(workPlanAddress.sheet, ({ db, workshop, now }) => sheetOf(db, workshop, now())),
  serve(workPlanAddress.make, ({ change, workshop, person: by, plans, now }) =>
    change(async ({ tx, log }) => {
      await lockPlan(tx);
      const before = await planInForce(tx);
      const facts = await planFacts(tx, workshop, now());
      // Somebody has just had it made.
      if (before && !isStale(before, facts, now()) && now().getTime() - before.at.getTime() < JUST_MS)
        return { planId: before.id };
      const planId = await putInForce(tx, { facts, before, maker: plans, byId: by.id, at: now() });
      await log({ what: 'had the plan made anew', resource: 'workPlan', id: String(planId) });
      return { planId };
    }),
  ),
  serve(workPlanAddress.hand, ({ change, body, workshop, person: by, plans, now }) =>
    change(async (doing) => {
      const planId = await layHand(doing, body.changes, {
        ...{ workshop, maker: plans, now: now(), byId: by.id, planId: body.planId },
      });
      await doing.log({ what: 'changed the plan', resource: 'workPlan', id: String(planId), after: body.changes });
      return { planId };
    }),
  ),
  serve(workPlanAddress.undo, ({ change, body, workshop, person: by, plans, now }) =>
    change(async (doing) => {
      const { tx } = doing;
      await lockPlan(tx);
      const before = await planInForce(tx);
      const last = await lastHand(tx);
      if ((before?.id ?? 0) !== body.planId) throw new Stale({ planId: before?.id ?? 0 });
      if (last?.id !== body.handId) throw new RuleBroken('That was undone already, or another hand was laid since.');
      // As when it was laid: made before anything is written, so that no job is locked while it is.
      const facts = withoutHand(await planFacts(tx, workshop, now()), last.hand);
      const planId = await putInForce(tx, { facts, before, maker: plans, byId: by.id, at: now() }, async () => {
        await undoHand(doing, last.hand, now());
        await tx.update(workPlan).set({ undoneAt: now() }).where(eq(workPlan.id, last.id));
        return null;
      });
      await doing.log({
        what: 'undid a hand on the plan',
        resource: 'workPlan',
        id: String(planId),
        before: last.hand,
      });
      return { planId };
    }),
  ),
  serve(workPlanAddress.addScenario, ({ change, body, person: by, now }) =>
    change(async ({ tx, log }) => {
      const open = await tx.$count(scenario, isNull(scenario.endedAt));
      if (open >= MOST_SCENARIOS) throw new RuleBroken('Twelve what-ifs are enough to compare: throw one away first.');
      const { id } = made(
        await tx
          .insert(scenario)
          .values({ name: body.name, changes: [...body.changes], byId: by.id, at: now() })
          .returning(),
      );
      await log({ what: `thought of what if ${body.name}`, resource: 'workPlan', id, after: body });
      return { id };
    }),
  ),
  serve(workPlanAddress.throwAway, ({ change, params, body, now }) =>
    change(async ({ tx, log }) => {
      const { row, version } = await endScenario(tx, params.id, body.version, 'thrownAway', now());
      await log({ what: `threw away the what-if ${row.name}`, resource: 'workPlan', id: row.id, before: row.changes });
      return { version };
    }),
  ),
  serve(workPlanAddress.adopt, ({ change, params, body, workshop, person: by, plans, now }) =>
    change(async (doing) => {
      const { row } = await endScenario(doing.tx, params.id, body.version, 'adopted', now());
      const planId = await layHand(doing, row.changes, {
        ...{ workshop, maker: plans, now: now(), byId: by.id, planId: body.planId },
      });
      await doing.log({
        ...{ what: `adopted the what-if ${row.name}`, resource: 'workPlan', id: row.id, after: row.changes },
      });
      return { planId };
    }),
  ),
  serve(workPlanAddress.absences, async ({ db }) =>
    (await db.select().from(absence).where(isNull(absence.droppedAt)).orderBy(asc(absence.fromDay))).map(
      ({ id, personId, fromDay, toDay, why }) => ({ id, personId, from: fromDay, to: toDay, why }),
    ),
  ),
  serve(workPlanAddress.addAbsence, ({ change, params, body, person: by }) =>
    change(async ({ tx, log }) => {
      const who = one(await tx.select().from(person).where(eq(person.id, params.id)), 'person');
      const { id } = made(
        await tx
          .insert(absence)
          .values({ personId: who.id, fromDay: body.from, toDay: body.to, why: body.why, byId: by.id })
          .returning(),
      );
      const what = `entered ${who.name} away ${body.from} to ${body.to}`;
      await log({ what, resource: 'person', id: who.id, after: body });
      return { id };
    }),
  ),
  serve(workPlanAddress.dropAbsence, ({ change, params, now }) =>
    change(async ({ tx, log }) => {
      const [row] = await tx
        .update(absence)
        .set({ droppedAt: now() })
        .where(and(eq(absence.id, params.id), isNull(absence.droppedAt)))
        .returning();
      if (!row) throw new RuleBroken('These days away were taken out already.');
      const who = one(await tx.select().from(person).where(eq(person.id, row.personId)), 'person');
      await log({ what: `took days away of ${who.name} out`, resource: 'person', id: who.id, before: row });
      return { id: row.id };
    }),
  ),
];

async function endScenario(tx: Tx, id: string, version: number, ended: 'adopted' | 'thrownAway', at: Date) {
  const row = one(await tx.select().from(scenario).where(eq(scenario.id, id)).for('update'), 'what-if');
  if (row.endedAt)
    throw new RuleBroken(`This what-if was ${row.ended === 'adopted' ? 'adopted' : 'thrown away'} already.`);
  if (row.version !== version) throw new Stale({ version: row.version });
  await tx
    .update(scenario)
    .set({ ended, endedAt: at, version: version + 1 })
    .where(eq(scenario.id, id));
  return { row, version: version + 1 };
}
