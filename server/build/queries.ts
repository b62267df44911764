import { and, asc, desc, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Reading, StageRow } from '../../contract/build.ts';
import type { PersonOn } from '../../core/build/stageRules.ts';
import type { QuantityKind } from '../../core/quantity/kinds.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { authorisation, person, reading, stage, step, timeEntry } from '../db/schema/index.ts';

/** The newest reading of each step. */
async function latestReadings(db: Db | Tx, stepIds: string[]): Promise<Map<string, Reading>> {
  if (stepIds.length === 0) return new Map();
  const rows = await db
    .selectDistinctOn([reading.stepId], {
      reading,
      by: person.initials,
      decidedBy: sql<string | null>`(select name from person d where d.id = ${reading.decidedById})`,
    })
    .from(reading)
    .innerJoin(person, eq(person.id, reading.byId))
    .where(inArray(reading.stepId, stepIds))
    .orderBy(reading.stepId, desc(reading.id));
  return new Map(
    rows.map(({ reading: r, by, decidedBy }) => [
      r.stepId,
      { value: r.value, verdict: r.verdict, by, at: r.at.toISOString(), decidedBy, reason: r.reason },
    ]),
  );
}

interface Hours {
  readonly stageId: string;
  readonly all: number;
  readonly rework: number;
}

async function hoursOf(db: Db | Tx, jobId: string): Promise<Map<string, Hours>> {
  const { rows } = await db.execute<Hours & Record<string, unknown>>(sql`
    select t.stage_id as "stageId",
      (sum(extract(epoch from coalesce(t."to", now()) - t."from")) / 3600)::float8 as all,
      (coalesce(sum(extract(epoch from coalesce(t."to", now()) - t."from")) filter (where t.kind = 'rework'), 0) / 3600)::float8 as rework
    from time_entry t join stage s on s.id = t.stage_id where s.job_id = ${jobId} group by t.stage_id`);
  return new Map(rows.map((row) => [row.stageId, row]));
}

/** All stages of a job in order, with steps, newest readings, hours and who is on them. */
export async function stagesOfJob(db: Db | Tx, jobId: string): Promise<StageRow[]> {
  const stages = await db
    .select({ stage, finishedBy: person.name })
    .from(stage)
    .leftJoin(person, eq(person.id, stage.finishedById))
    .where(eq(stage.jobId, jobId))
    .orderBy(asc(stage.position));
  const ids = stages.map((row) => row.stage.id);
  if (ids.length === 0) return [];
  const steps = await db.select().from(step).where(inArray(step.stageId, ids)).orderBy(asc(step.position));
  const readings = await latestReadings(
    db,
    steps.map((s) => s.id),
  );
  const hours = await hoursOf(db, jobId);
  const open = await db
    .select({
      stageId: timeEntry.stageId,
      personId: timeEntry.personId,
      initials: person.initials,
      since: timeEntry.from,
      kind: timeEntry.kind,
    })
    .from(timeEntry)
    .innerJoin(person, eq(person.id, timeEntry.personId))
    .where(and(inArray(timeEntry.stageId, ids), isNull(timeEntry.to)))
    .orderBy(asc(timeEntry.from));
  return stages.map(
    ({ stage: { jobId: _, position: __, finishedById: ___, startedAt, finishedAt, ...own }, finishedBy }) => ({
      ...own,
      startedAt: startedAt?.toISOString() ?? null,
      finishedAt: finishedAt?.toISOString() ?? null,
      finishedBy,
      hoursClocked: hours.get(own.id)?.all ?? 0,
      hoursRework: hours.get(own.id)?.rework ?? 0,
      onIt: open
        .filter((entry) => entry.stageId === own.id)
        .map(({ personId, initials, since, kind }) => ({
          personId,
          initials,
          since: since.toISOString(),
          kind,
        })),
      steps: steps
        .filter((s) => s.stageId === own.id)
        .map((s) => ({
          id: s.id,
          text: s.text,
          note: s.note,
          limit: s.limitKind ? { min: s.limitMin, max: s.limitMax, kind: s.limitKind as QuantityKind } : null,
          reading: readings.get(s.id) ?? null,
        })),
    }),
  );
}

/** The job a stage belongs to; never changes, so it can be asked for before anything is locked. */
export async function jobIdOfStage(tx: Tx, stageId: string): Promise<string> {
  return one(await tx.select({ jobId: stage.jobId }).from(stage).where(eq(stage.id, stageId)), 'stage').jobId;
}

/**
 * A stage and its job, both locked for the change that follows. Everything that reads or changes who is on a stage, its
 * confirmation, readings or state comes through here, so that no two of them see half of each other.
 */
export async function stageForChange({ tx, job }: Change, stageId: string) {
  const own = await job({ id: await jobIdOfStage(tx, stageId) });
  const [locked] = await tx.select().from(stage).where(eq(stage.id, stageId)).for('no key update');
  return { stage: one(locked ? [locked] : [], 'stage'), job: own };
}

/** People clocked on to a stage, with what for and the end of their high-voltage authorisation. */
export async function peopleOn(tx: Tx, stageId: string): Promise<(PersonOn & { readonly name: string })[]> {
  return tx
    .select({
      personId: timeEntry.personId,
      name: person.name,
      kind: timeEntry.kind,
      hvUntil: sql<string | null>`max(${authorisation.validUntil})::text`,
    })
    .from(timeEntry)
    .innerJoin(person, eq(person.id, timeEntry.personId))
    .leftJoin(authorisation, eq(authorisation.personId, person.id))
    .where(and(eq(timeEntry.stageId, stageId), isNull(timeEntry.to)))
    .groupBy(timeEntry.personId, timeEntry.kind, person.name);
}
