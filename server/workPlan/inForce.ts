import { createHash } from 'node:crypto';
import { desc, sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { PlanFacts } from '../../core/plan/facts.ts';
import type { HandDone } from '../../core/plan/planChange.ts';
import { readyDays, type StoredPlan } from '../../core/plan/storedPlan.ts';
import type { Db, Transact, Tx } from '../db/connect.ts';
import { workPlan } from '../db/schema/index.ts';
import { workshopNow } from '../read/workshop.ts';
import { planFacts } from './facts.ts';
import type { PlanMaker } from './planner.ts';

/** Plans that are kept: what was planned is looked at for a while, not for years. */
const KEPT = 200;
/** The same for every plan: nothing but the facts decides. */
export const SEED = 1;
/** A plan older than this is made anew though nothing has happened: time has passed. */
const OLDEST_MS = 15 * 60_000;

/** The plan in force; null while none has been made. */
export async function planInForce(db: Db | Tx) {
  const [newest] = await db.select().from(workPlan).orderBy(desc(workPlan.id)).limit(1);
  return newest ?? null;
}

/**
 * Stands for what a plan was made from. The clock is left out, and so are the hours of what somebody is on at this moment:
 * they grow with every second, as the plan expects.
 */
export function factsKey({ now: _, people, jobs, ...facts }: PlanFacts): string {
  const still = {
    ...facts,
    people: people.map(({ away, ...one }) => ({ ...one, away: away.map(({ from, to }) => `${from} ${to}`).sort() })),
    jobs: jobs.map(({ stages, ...job }) => ({
      ...job,
      stages: stages.map(({ hoursClocked, ...stage }) => ({
        ...stage,
        hoursClocked: stage.onIt.length > 0 ? null : Number(hoursClocked.toFixed(3)),
      })),
    })),
  };
  return createHash('sha256').update(JSON.stringify(still)).digest('base64url');
}

type InForce = Awaited<ReturnType<typeof planInForce>>;

/** Does a plan not hold any more: made from other facts, or too long ago? */
export const isStale = (plan: InForce, facts: PlanFacts, now: Date): boolean =>
  plan === null || plan.factsKey !== factsKey(facts) || now.getTime() - plan.at.getTime() > OLDEST_MS;

/** Whoever makes a plan or lays a hand on it is the only one meanwhile, so that none is made from what another changes. */
export const lockPlan = (tx: Tx) => tx.execute(sql`select pg_advisory_xact_lock(4417051)`);

interface Making {
  readonly facts: PlanFacts;
  readonly before: InForce;
  readonly maker: PlanMaker;
  readonly byId: string | null;
  readonly at: Date;
}

/** Makes a plan from facts, beginning with the one before, and puts it in force. Pages hear of it when it is stored. */
export async function putInForce(
  tx: Tx,
  { facts, before, maker, byId, at }: Making,
  then: () => Promise<HandDone[] | null> = async () => null,
): Promise<number> {
  const body = await maker.make({ facts, before: before?.body ?? null, seed: SEED });
  const hand = await then();
  return keepPlan(tx, { body, factsKey: factsKey(facts), byId, at, hand });
}

interface Kept {
  readonly body: StoredPlan;
  readonly factsKey: string;
  readonly byId: string | null;
  readonly at: Date;
  /** What a hand did with it. @default null */
  readonly hand?: HandDone[] | null;
}

export async function keepPlan(tx: Tx, kept: Kept): Promise<number> {
  const [row] = await tx
    .insert(workPlan)
    .values({ ...kept, ready: readyDays(kept.body) })
    .returning({ id: workPlan.id });
  await tx.execute(sql`delete from work_plan where id <= ${row!.id - KEPT}`);
  // A plan made by itself is nobody's deed and leaves no event: it is only told.
  const note = JSON.stringify({ id: row!.id, resource: 'workPlan', job: null, what: 'the plan' });
  await tx.execute(sql`select pg_notify('dajo_event', ${note})`);
  return row!.id;
}

/** What a plan is kept by: its database, and where plans are made. */
export interface Keeper {
  readonly db: Db;
  readonly transact: Transact;
  readonly maker: PlanMaker;
  readonly now: () => Date;
}

/** Is there a workshop whose plan does not hold any more? */
export async function needsPlan({ db, now }: Pick<Keeper, 'db' | 'now'>): Promise<boolean> {
  const workshop = await workshopNow(db);
  return workshop !== null && isStale(await planInForce(db), await planFacts(db, workshop, now()), now());
}

/** Makes the plan anew where it does not hold any more; null where it does. */
export async function makeAnew({ db, transact, maker, now }: Keeper): Promise<number | null> {
  const workshop: Workshop | null = await workshopNow(db);
  if (!workshop) return null;
  return transact(async (tx) => {
    await lockPlan(tx);
    const before = await planInForce(tx);
    const facts = await planFacts(tx, workshop, now());
    return isStale(before, facts, now()) ? putInForce(tx, { facts, before, maker, byId: null, at: now() }) : null;
  });
}
