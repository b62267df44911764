import { and, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { applies, type KitLine, kitStages } from '../../core/kit/kit.ts';
import { changeOfParts, type KitPartLine } from '../../core/kit/upgrade.ts';
import type { StoredJob } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { component, kitLine, type kitRevision, partLine, stage, step, vehicle } from '../db/schema/index.ts';
import { dropLines } from './dropLines.ts';
import { stepValues } from './stepValues.ts';

/** What another revision did to a job that has parts and stages already, in words. */
export async function takeRevision(
  tx: Tx,
  job: StoredJob,
  revision: typeof kitRevision.$inferSelect,
  options: readonly string[],
): Promise<string[]> {
  const { variantId } = one(
    await tx.select({ variantId: vehicle.variantId }).from(vehicle).where(eq(vehicle.id, job.vehicleId)),
    'vehicle',
  );
  const lines = (await tx.select().from(kitLine).where(eq(kitLine.revisionId, revision.id))).filter(({ appliesWhen }) =>
    applies(appliesWhen as KitLine['appliesWhen'], variantId, options),
  );
  return [...(await changeParts(tx, job, lines)), ...(await changeStages(tx, job, revision, variantId, options))];
}

async function changeParts(
  tx: Tx,
  job: StoredJob,
  wanted: readonly { readonly componentId: string; readonly quantity: number; readonly packedIn: string }[],
): Promise<string[]> {
  const mine = await tx
    .select()
    .from(partLine)
    .where(and(eq(partLine.jobId, job.id), eq(partLine.from, 'kit')))
    .for('update');
  // No list was made yet: it is made from whatever kit the job has then.
  if (mine.length === 0) return [];
  const change = changeOfParts(
    mine as readonly KitPartLine[],
    wanted.map(({ componentId, ...rest }) => ({ component: { id: componentId }, ...rest })),
  );
  await dropLines(tx, change.drop);
  for (const { id, quantity } of change.set)
    await tx
      .update(partLine)
      .set({ quantity, version: sql`${partLine.version} + 1` })
      .where(eq(partLine.id, id));
  if (change.add.length > 0)
    await tx.insert(partLine).values(change.add.map((part) => ({ ...part, jobId: job.id, from: 'kit' as const })));
  if (change.over.length === 0) return [];
  const names = await tx
    .select({ id: component.id, name: component.name })
    .from(component)
    .where(
      inArray(
        component.id,
        change.over.map(({ componentId }) => componentId),
      ),
    );
  const nameOf = new Map(names.map(({ id, name }) => [id, name]));
  return change.over.map(({ componentId, quantity }) => `${quantity} × ${nameOf.get(componentId)} left over`);
}

/** Stages nobody has begun follow the new revision; what was begun stays as it is. */
async function changeStages(
  tx: Tx,
  job: StoredJob,
  revision: typeof kitRevision.$inferSelect,
  variantId: string,
  options: readonly string[],
): Promise<string[]> {
  const mine = await tx.select().from(stage).where(eq(stage.jobId, job.id)).for('update');
  if (mine.length === 0) return [];
  const { rows } = await tx.execute<{ id: string }>(sql`
    select s.id from stage s where s.job_id = ${job.id} and (s.state <> 'waiting'
      or exists (select 1 from time_entry t where t.stage_id = s.id)
      or exists (select 1 from reading r join step e on e.id = r.step_id where e.stage_id = s.id))`);
  const begun = new Set(rows.map(({ id }) => id));
  const template = kitStages(revision.body, variantId, options);
  const wanted = new Map(template.map((one, position) => [one.key, { ...one, position }]));
  const own = mine.filter(({ key }) => !key.startsWith('match-work'));
  const gone = own.filter(({ key, id }) => !wanted.has(key) && !begun.has(id)).map(({ id }) => id);
  if (gone.length > 0) {
    await tx.delete(step).where(inArray(step.stageId, gone));
    await tx.delete(stage).where(inArray(stage.id, gone));
  }
  const kept = new Set([...own.filter(({ id }) => !gone.includes(id)).map(({ key }) => key), ...wanted.keys()]);
  for (const { key, steps, appliesWhen: _, position, skill = '', ...facts } of wanted.values()) {
    const known = own.find((one) => one.key === key);
    if (known && begun.has(known.id)) continue;
    const set = {
      ...facts,
      skill,
      position,
      mostPeople: facts.mostPeople ?? null,
      after: facts.after.filter((one) => kept.has(one)),
      traits: [...facts.traits],
      tools: [...(facts.tools ?? [])],
    };
    const id = known
      ? known.id
      : one(
          await tx
            .insert(stage)
            .values({ ...set, key, jobId: job.id })
            .returning({ id: stage.id }),
          'stage',
        ).id;
    if (known) {
      await tx
        .update(stage)
        .set({ ...set, version: known.version + 1 })
        .where(eq(stage.id, known.id));
      await tx.delete(step).where(eq(step.stageId, known.id));
    }
    if (steps.length > 0)
      await tx.insert(step).values(steps.map((step, at) => ({ ...stepValues(step), stageId: id, position: at })));
  }
  // A stage that was begun waits for nothing that is not there any more.
  for (const stayed of own.filter(({ id }) => begun.has(id))) {
    const after = stayed.after.filter((one) => kept.has(one));
    if (after.length < stayed.after.length) await tx.update(stage).set({ after }).where(eq(stage.id, stayed.id));
  }
  const odd = await tx
    .select({ name: stage.name })
    .from(stage)
    .where(and(eq(stage.jobId, job.id), notInArray(stage.key, [...wanted.keys(), 'match-work'])));
  return odd
    .filter(({ name }) => name !== 'Work that Match asks for')
    .map(({ name }) => `“${name}” was begun and stays`);
}
