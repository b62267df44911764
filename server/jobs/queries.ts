import { and, asc, desc, eq, isNull, sql } from 'drizzle-orm';
import type { StoredBriefLine } from '../../contract/brief.ts';
import type { StoredDesign } from '../../contract/design.ts';
import type { JobRow, JobSheet } from '../../contract/job.ts';
import type { CheckResult } from '../../contract/prove.ts';
import type { BriefKind } from '../../core/brief/lines.ts';
import type { PackedRoute } from '../../core/road/packedRoute.ts';
import { stagesOfJob } from '../build/queries.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import {
  briefLine,
  checkResult,
  client,
  design,
  job,
  person,
  route,
  snag,
  vehicle,
  verdictDecision,
} from '../db/schema/index.ts';
import { partsOfJob } from '../parts/queries.ts';
import { NotFound } from '../problems.ts';
import { vehicleById } from '../vehicles/queries.ts';

/** The stored job, or a problem that says there is none. */
export async function jobByNumber(db: Db | Tx, number: string) {
  return one(await db.select().from(job).where(eq(job.number, number)), 'job');
}

/** All jobs, newest number first, with what a list shows. */
export async function jobRows(db: Db): Promise<JobRow[]> {
  const { rows } = await db.execute<JobRow & Record<string, unknown>>(sql`
    select j.number, v.name as title, c.name as client, mo.name || ' ' || va.name as "variantName", j.state,
      p.name as place, j.promised::text as promised,
      coalesce(s.done, 0)::int as "stagesDone", coalesce(s.all_, 0)::int as "stagesAll",
      coalesce(s.planned, 0)::float8 as "hoursPlanned", coalesce(h.hours, 0)::float8 as "hoursClocked"
    from job j
    join vehicle v on v.id = j.vehicle_id
    join client c on c.id = v.client_id
    join variant va on va.id = v.variant_id
    join model mo on mo.id = va.model_id
    left join place p on p.id = j.place_id
    left join lateral (
      select count(*) filter (where state = 'done') as done, count(*) as all_, sum(hours) as planned from stage where job_id = j.id
    ) s on true
    left join lateral (
      select sum(extract(epoch from coalesce(t."to", now()) - t."from")) / 3600 as hours
      from time_entry t join stage st on st.id = t.stage_id where st.job_id = j.id
    ) h on true
    order by j.number desc`);
  return rows;
}

export async function briefOf(db: Db | Tx, jobId: string): Promise<StoredBriefLine[]> {
  const rows = await db
    .select()
    .from(briefLine)
    .where(and(eq(briefLine.jobId, jobId), isNull(briefLine.droppedAt)))
    .orderBy(asc(briefLine.position));
  return rows.map(({ jobId: _, position: __, droppedAt: ___, kind, ...line }) => ({
    ...line,
    kind: kind as BriefKind,
  }));
}

export async function designsOf(db: Db | Tx, jobId: string): Promise<StoredDesign[]> {
  const rows = await db
    .select()
    .from(design)
    .where(eq(design.jobId, jobId))
    .orderBy(asc(design.createdAt), asc(design.name));
  return rows.map(({ id, name, inputs, version, frozenAt, followsId }) => ({
    id,
    name,
    inputs,
    version,
    frozenAt: frozenAt?.toISOString() ?? null,
    followsId,
  }));
}

/** The recorded route of a job, or null. */
export async function routeOf(db: Db | Tx, jobId: string): Promise<PackedRoute | null> {
  const [row] = await db.select().from(route).where(eq(route.jobId, jobId));
  return row?.body ?? null;
}

export async function checksOf(db: Db | Tx, jobId: string): Promise<CheckResult[]> {
  const rows = await db
    .select({ check: checkResult, by: person.name })
    .from(checkResult)
    .innerJoin(person, eq(person.id, checkResult.byId))
    .where(eq(checkResult.jobId, jobId))
    .orderBy(desc(checkResult.id));
  return rows.map(({ check: { id: _, jobId: __, byId: ___, designId: ____, at, ...rest }, by }) => ({
    ...rest,
    by,
    at: at.toISOString(),
  }));
}

/** The whole sheet of one job, by its number. */
export async function jobSheet(db: Db, number: string): Promise<JobSheet> {
  const row = await jobByNumber(db, number);
  const [own] = await db
    .select({ clientName: client.name, contact: client.contact })
    .from(vehicle)
    .innerJoin(client, eq(client.id, vehicle.clientId))
    .where(eq(vehicle.id, row.vehicleId));
  const info = await vehicleById(db, row.vehicleId);
  if (!own || !info) throw new NotFound('vehicle');
  const decisions = await db
    .select({ decision: verdictDecision, by: person.name })
    .from(verdictDecision)
    .innerJoin(person, eq(person.id, verdictDecision.byId))
    .where(eq(verdictDecision.jobId, row.id))
    .orderBy(asc(verdictDecision.at));
  const names = new Map(
    (await db.select({ id: person.id, name: person.name }).from(person)).map((p) => [p.id, p.name]),
  );
  const snags = await db.select().from(snag).where(eq(snag.jobId, row.id)).orderBy(asc(snag.at));
  return {
    id: row.id,
    number: row.number,
    title: info.name,
    state: row.state,
    version: row.version,
    client: { name: own.clientName, contact: own.contact },
    vehicle: info,
    use: row.use,
    useVersion: row.useVersion,
    route: await routeOf(db, row.id),
    brief: await briefOf(db, row.id),
    designs: await designsOf(db, row.id),
    chosenDesignId: row.chosenDesignId,
    placeId: row.placeId,
    promised: row.promised,
    kit: row.kitRevisionId ? { revisionId: row.kitRevisionId, options: row.kitOptions } : null,
    cover: row.cover,
    decisions: decisions.map(({ decision: d, by }) => ({
      rule: d.rule,
      subject: d.subject,
      decision: d.decision,
      reason: d.reason,
      by,
      at: d.at.toISOString(),
    })),
    parts: await partsOfJob(db, row.id),
    stages: await stagesOfJob(db, row.id),
    snags: snags.map((s) => ({
      id: s.id,
      text: s.text,
      by: names.get(s.byId) ?? '',
      at: s.at.toISOString(),
      closedBy: s.closedById ? (names.get(s.closedById) ?? '') : null,
      closedAt: s.closedAt?.toISOString() ?? null,
    })),
    checks: await checksOf(db, row.id),
  };
}
