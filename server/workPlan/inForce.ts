import { desc, sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { StoredPlan } from '../../core/plan/storedPlan.ts';
import type { Db, Tx } from '../db/connect.ts';
import { workPlan } from '../db/schema/index.ts';
import { planFacts } from './facts.ts';
import type { PlanMaker } from './planner.ts';

/** Plans that are kept: what was planned is looked at for a while, not for years. */
const KEPT = 200;
/** The same for every plan: nothing but the facts decides. */
export const SEED = 1;

/** The plan in force; null while none has been made. */
export async function planInForce(db: Db | Tx) {
  const [newest] = await db.select().from(workPlan).orderBy(desc(workPlan.id)).limit(1);
  return newest ?? null;
}

/** Number of the newest event that may change a plan: what a plan itself leaves in the log does not. */
export async function newestEvent(db: Db | Tx): Promise<number> {
  const { rows } = await db.execute<{ id: string }>(
    sql`select coalesce(max(id), 0) as id from event where resource not in ('workPlan', 'file', 'offer', 'sale', 'lesson')`,
  );
  return Number(rows[0]!.id);
}

interface Kept {
  readonly body: StoredPlan;
  readonly eventId: number;
  readonly byId: string | null;
  readonly at: Date;
}

/** Puts a plan in force. */
export async function keepPlan(db: Db | Tx, kept: Kept): Promise<number> {
  const [row] = await db.insert(workPlan).values(kept).returning({ id: workPlan.id });
  await db.execute(sql`delete from work_plan where id <= ${row!.id - KEPT}`);
  return row!.id;
}

interface ByItself {
  readonly db: Db;
  readonly maker: PlanMaker;
  readonly workshop: Workshop;
  readonly now: Date;
}

/** A plan older than this is made anew though nothing has happened: time has passed. */
const OLDEST_MS = 15 * 60_000;

/** Has something a plan rests on changed since, or too much time passed? */
export async function isStale(db: Db, now: Date): Promise<boolean> {
  const before = await planInForce(db);
  return !before || before.eventId < (await newestEvent(db)) || now.getTime() - before.at.getTime() > OLDEST_MS;
}

/** Makes the plan anew where something it rests on has changed, or time has passed; null where it still holds. */
export async function makeAnew({ db, maker, workshop, now }: ByItself): Promise<number | null> {
  const eventId = await newestEvent(db);
  const before = await planInForce(db);
  if (!(await isStale(db, now))) return null;
  const facts = await planFacts(db, workshop, now);
  const body = await maker.make({ facts, before: before?.body ?? null, seed: SEED });
  return keepPlan(db, { body, eventId, byId: null, at: now });
}
