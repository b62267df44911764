import { and, eq, inArray, sql } from 'drizzle-orm';
import type { PlanFacts } from '../../core/plan/facts.ts';
import type { PlanChange } from '../../core/plan/planChange.ts';
import type { Change } from '../change.ts';
import { one } from '../db/one.ts';
import { absence, component, job, partLine, person, stage } from '../db/schema/index.ts';
import { BadInput, RuleBroken } from '../problems.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** Makes so what was thought: holds, priorities, days away, a part's later day. What no plan can do is refused. */
export async function applyChanges(
  { tx, log, job: lock }: Change,
  changes: readonly PlanChange[],
  facts: PlanFacts,
  byId: string,
): Promise<void> {
  /** Only what is planned has a plan a hand can be laid on. */
  const planned = (number: string) => {
    if (!facts.jobs.some((one) => one.number === number))
      throw new RuleBroken(`${number} is not planned: that is from when it is agreed until it is handed over.`);
  };
  for (const change of changes) {
    if (change.kind === 'lift')
      throw new RuleBroken('A lift is not had by planning it. Set it up on the Floor, in Move walls and places.');
    if (change.kind === 'overtime')
      throw new RuleBroken(
        'Overtime is agreed with people. Set their working day in People, or the workshop’s in Workshop.',
      );
    if (change.kind === 'hold') {
      if (!UUID.test(change.stageId))
        throw new RuleBroken('This stage is still in its kit only. Make the stages of the job in Build first.');
      const [known] = await tx.select({ jobId: stage.jobId }).from(stage).where(eq(stage.id, change.stageId));
      if (!known) throw new BadInput({ changes: 'There is no such stage.' });
      const stored = await lock({ id: known.jobId });
      planned(stored.number);
      const row = one(await tx.select().from(stage).where(eq(stage.id, change.stageId)), 'stage');
      if (row.state === 'done') throw new RuleBroken(`${row.name} is done: there is nothing to hold.`);
      await tx
        .update(stage)
        .set({ notBefore: change.day, version: sql`${stage.version} + 1` })
        .where(eq(stage.id, row.id));
      const what = change.day ? `held ${row.name} until ${change.day}` : `let ${row.name} begin when it can`;
      await log({ what, resource: 'stage', id: row.id, job: stored.number, after: change });
    }
    if (change.kind === 'priority') {
      planned(change.job);
      const stored = await lock({ number: change.job });
      await tx
        .update(job)
        .set({ priority: change.priority, version: stored.version + 1 })
        .where(eq(job.id, stored.id));
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
      await tx.insert(absence).values({ personId: who.id, fromDay: change.from, toDay: change.to, why: '', byId });
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
      await tx
        .update(partLine)
        .set({ due: sql`${partLine.due} + ${change.days}::int`, version: sql`${partLine.version} + 1` })
        .where(
          inArray(
            partLine.id,
            rows.map(({ id }) => id),
          ),
        );
      const what = `expects ${rows[0]!.name} ${change.days} days later`;
      await log({ what, resource: 'parts', id: rows[0]!.id, job: stored.number, after: change });
    }
  }
}
