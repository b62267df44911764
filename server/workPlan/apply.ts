import { and, eq, inArray, sql } from 'drizzle-orm';
import type { PlanFacts } from '../../core/plan/facts.ts';
import { type HandDone, NOT_BY_PLANNING, type PlanChange } from '../../core/plan/planChange.ts';
import type { Change } from '../change.ts';
import { made, one } from '../db/one.ts';
import { absence, component, job, partLine, person, place, stage } from '../db/schema/index.ts';
import { BadInput, RuleBroken } from '../problems.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/**
 * Makes so what was thought: holds, priorities, days away, a part's other day. What no plan can do is refused. Answers what
 * was done with what it takes to undo it.
 */
export async function applyChanges(
  { tx, log, job: lock }: Change,
  changes: readonly PlanChange[],
  facts: PlanFacts,
  byId: string,
): Promise<HandDone[]> {
  /** Only what is planned has a plan a hand can be laid on. */
  const planned = (number: string) => {
    if (!facts.jobs.some((one) => one.number === number))
      throw new RuleBroken(`${number} is not planned: that is from when it is agreed until it is handed over.`);
  };
  const stageToChange = async (id: string) => {
    if (!UUID.test(id))
      throw new RuleBroken('This stage is still in its kit only. Make the stages of the job in Build first.');
    const [known] = await tx.select({ jobId: stage.jobId }).from(stage).where(eq(stage.id, id));
    if (!known) throw new BadInput({ changes: 'There is no such stage.' });
    const stored = await lock({ id: known.jobId });
    return { stored, row: one(await tx.select().from(stage).where(eq(stage.id, id)), 'stage') };
  };
  const done: HandDone[] = [];
  for (const change of changes) {
    const elsewhere = NOT_BY_PLANNING[change.kind];
    if (elsewhere) throw new RuleBroken(elsewhere);
    if (change.kind === 'hold') {
      const { row, stored } = await stageToChange(change.stageId);
      planned(stored.number);
      if (row.state === 'done') throw new RuleBroken(`${row.name} is done: there is nothing to hold.`);
      await tx
        .update(stage)
        .set({ notBefore: change.day, version: sql`${stage.version} + 1` })
        .where(eq(stage.id, row.id));
      done.push({ ...change, before: row.notBefore });
      const what = change.day ? `held ${row.name} until ${change.day}` : `let ${row.name} begin when it can`;
      await log({ what, resource: 'stage', id: row.id, job: stored.number, after: change });
    }
    if (change.kind === 'firm') {
      const { row, stored } = await stageToChange(change.stageId);
      planned(stored.number);
      if (row.state === 'done') throw new RuleBroken(`${row.name} is done already.`);
      if (change.firmId !== null && row.liveHv)
        throw new RuleBroken(`${row.name} is live work: it is done by the workshop's own authorised people.`);
      const [firm] =
        change.firmId === null ? [] : await tx.select().from(place).where(eq(place.id, change.firmId)).for('key share');
      if (change.firmId !== null && (firm?.kind !== 'outside' || firm.closed))
        throw new RuleBroken(
          'There is no such firm. Draw it on the Floor, in Move walls and places, as out of the building.',
        );
      await tx
        .update(stage)
        .set({ firmId: change.firmId, firmDays: change.days, version: row.version + 1 })
        .where(eq(stage.id, row.id));
      done.push({
        ...change,
        before: row.firmId && row.firmDays ? { id: row.firmId, days: row.firmDays } : null,
      });
      const what = firm ? `gives ${row.name} to ${firm.name}` : `has ${row.name} done by its own people`;
      await log({ what, resource: 'stage', id: row.id, job: stored.number, after: change });
    }
    if (change.kind === 'priority') {
      planned(change.job);
      const stored = await lock({ number: change.job });
      await tx
        .update(job)
        .set({ priority: change.priority, version: stored.version + 1 })
        .where(eq(job.id, stored.id));
      done.push({ ...change, before: stored.priority });
      const word = {
        usual: 'as usual',
        rush: 'as a rush',
        canWait: 'as one that can wait',
        show: 'for a show, whose date is hard',
      }[change.priority];
      await log({ what: `planned it ${word}`, resource: 'job', id: stored.id, job: stored.number, after: change });
    }
    if (change.kind === 'away') {
      const [who] = await tx.select().from(person).where(eq(person.id, change.personId));
      if (!who) throw new BadInput({ changes: 'There is no such person.' });
      const days = { personId: who.id, fromDay: change.from, toDay: change.to };
      const { id: absenceId } = made(
        await tx
          .insert(absence)
          .values({ ...days, why: '', byId })
          .returning(),
      );
      done.push({ ...change, absenceId });
      const what = `entered ${who.name} away ${change.from} to ${change.to}`;
      await log({ what, resource: 'person', id: who.id, after: change });
    }
    if (change.kind === 'partLate') {
      planned(change.job);
      const stored = await lock({ number: change.job });
      const rows = await tx
        .select({ id: partLine.id, name: component.name })
        .from(partLine)
        .innerJoin(component, eq(component.id, partLine.componentId))
        .where(
          and(
            eq(partLine.jobId, stored.id),
            eq(partLine.componentId, change.componentId),
            eq(partLine.state, 'ordered'),
          ),
        );
      if (rows.length === 0)
        throw new RuleBroken('This part is not on order for the job: there is no day that could be moved.');
      const lines = await tx
        .update(partLine)
        .set({ due: sql`${partLine.due} + ${change.days}::int`, version: sql`${partLine.version} + 1` })
        .where(
          inArray(
            partLine.id,
            rows.map(({ id }) => id),
          ),
        )
        .returning({ id: partLine.id, due: partLine.due });
      done.push({ ...change, lines });
      const what = `expects ${rows[0]!.name} ${Math.abs(change.days)} days ${change.days < 0 ? 'sooner' : 'later'}`;
      await log({ what, resource: 'parts', id: rows[0]!.id, job: stored.number, after: change });
    }
  }
  return done;
}
