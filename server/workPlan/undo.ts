import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { PlanHandDone } from '../../contract/workPlan.ts';
import type { HandDone } from '../../core/plan/planChange.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { absence, job, partLine, person, stage, workPlan } from '../db/schema/index.ts';
import { RuleBroken } from '../problems.ts';

/** The newest hand on the plan that was not undone; null where there is none. */
export async function lastHand(db: Db | Tx) {
  const [row] = await db
    .select({ id: workPlan.id, hand: workPlan.hand, at: workPlan.at, by: person.name })
    .from(workPlan)
    .innerJoin(person, eq(person.id, workPlan.byId))
    .where(and(isNotNull(workPlan.hand), isNull(workPlan.undoneAt)))
    .orderBy(desc(workPlan.id))
    .limit(1);
  return row ? { ...row, hand: row.hand! } : null;
}

/** As the page tells it. */
export const handTold = (hand: Awaited<ReturnType<typeof lastHand>>): PlanHandDone | null =>
  hand && { id: hand.id, changes: hand.hand, by: hand.by, at: hand.at.toISOString() };

/**
 * Puts back what a hand did, the last thing first. What somebody has changed otherwise since is left to them: the whole is
 * refused, and says what it is.
 */
export async function undoHand({ tx, log, job: lock }: Change, hand: readonly HandDone[], at: Date): Promise<void> {
  const since = (what: string) =>
    new RuleBroken(
      `${what} has been changed since: undoing would change that too. Lay another hand on the plan instead.`,
    );
  const stageNow = async (id: string) => {
    const known = one(await tx.select({ jobId: stage.jobId }).from(stage).where(eq(stage.id, id)), 'stage');
    const stored = await lock({ id: known.jobId });
    return { stored, row: one(await tx.select().from(stage).where(eq(stage.id, id)), 'stage') };
  };
  for (const done of hand.toReversed()) {
    if (done.kind === 'hold') {
      const { stored, row } = await stageNow(done.stageId);
      if (row.notBefore !== done.day || row.state === 'done') throw since(`“${row.name}” of ${stored.number}`);
      await tx
        .update(stage)
        .set({ notBefore: done.before, version: row.version + 1 })
        .where(eq(stage.id, row.id));
      const what = done.before ? `held ${row.name} until ${done.before} again` : `let ${row.name} go again`;
      await log({ what, resource: 'stage', id: row.id, job: stored.number, before: done });
    }
    if (done.kind === 'firm') {
      const { stored, row } = await stageNow(done.stageId);
      if (row.firmId !== done.firmId || row.firmDays !== done.days || row.state === 'done')
        throw since(`“${row.name}” of ${stored.number}`);
      await tx
        .update(stage)
        .set({ firmId: done.before?.id ?? null, firmDays: done.before?.days ?? null, version: row.version + 1 })
        .where(eq(stage.id, row.id));
      const what = `has ${row.name} done as before`;
      await log({ what, resource: 'stage', id: row.id, job: stored.number, before: done });
    }
    if (done.kind === 'priority') {
      const stored = await lock({ number: done.job });
      if (stored.priority !== done.priority) throw since(`How much ${done.job} counts`);
      await tx
        .update(job)
        .set({ priority: done.before, version: stored.version + 1 })
        .where(eq(job.id, stored.id));
      await log({ what: 'planned it as before', resource: 'job', id: stored.id, job: stored.number, before: done });
    }
    if (done.kind === 'away') {
      const dropped = await tx
        .update(absence)
        .set({ droppedAt: at })
        .where(and(eq(absence.id, done.absenceId), isNull(absence.droppedAt)))
        .returning();
      const who = one(await tx.select().from(person).where(eq(person.id, done.personId)), 'person');
      if (dropped.length === 0) throw since(`When ${who.name} is away`);
      await log({ what: `took days away of ${who.name} out`, resource: 'person', id: who.id, before: done });
    }
    if (done.kind === 'partLate') {
      const stored = await lock({ number: done.job });
      const ids = done.lines.map(({ id }) => id);
      const now = await tx.select().from(partLine).where(inArray(partLine.id, ids));
      // A day that somebody has heard since is theirs, and so is a part that has come.
      const same = ({ id, due }: (typeof done.lines)[number]) =>
        now.some((line) => line.id === id && line.due === due && line.state === 'ordered');
      if (!done.lines.every(same)) throw since(`When a part of ${done.job} comes`);
      await tx
        .update(partLine)
        .set({ due: sql`${partLine.due} - ${done.days}::int`, version: sql`${partLine.version} + 1` })
        .where(inArray(partLine.id, ids));
      const what = 'expects a part as before';
      await log({ what, resource: 'parts', id: ids[0]!, job: stored.number, before: done });
    }
  }
}
