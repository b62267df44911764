import { asc, eq, sql } from 'drizzle-orm';
import type { CarryingJob, CarryingOrder, KitRevisionRow, KitRow, KitSheet, KitWish } from '../../contract/kits.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { kit, kitLine, kitRevision, kitWish, model } from '../db/schema/index.ts';

/** An instant as JSON has it, or null. */
const iso = (at: Date | string | null): string | null => (at === null ? null : new Date(at).toISOString());

/** Every kit in a line, with who carries it and what waits at it. */
export async function kitRows(db: Db | Tx): Promise<KitRow[]> {
  const { rows } = await db.execute<KitRow & Record<string, unknown>>(sql`
    select k.id, k.name, k.model_id as "modelId", m.name as "modelName",
      (select r.revision from kit_revision r where r.kit_id = k.id and r.state = 'released'
        order by r.released_at desc nulls last, length(r.revision) desc, r.revision desc limit 1) as released,
      (select r.revision from kit_revision r where r.kit_id = k.id and r.state = 'draft'
        order by length(r.revision) desc, r.revision desc limit 1) as draft,
      (select count(*)::int from job j join kit_revision r on r.id = j.kit_revision_id
        where r.kit_id = k.id and j.state <> 'cancelled') as jobs,
      (select count(*)::int from job j join kit_revision r on r.id = j.kit_revision_id
        where r.kit_id = k.id and j.state not in ('handedOver', 'cancelled')) as "openJobs",
      (select count(*)::int from kit_order o join kit_revision r on r.id = o.revision_id
        where r.kit_id = k.id and o.state <> 'cancelled') as orders,
      (select count(*)::int from kit_wish w where w.kit_id = k.id and w.kind = 'waiting' and w.ended_at is null) as waiting,
      (select count(*)::int from lesson l where l.kit_id = k.id and l.state = 'waiting') as lessons
    from kit k join model m on m.id = k.model_id order by k.name, k.id`);
  return rows;
}

/** One kit with its revisions, newest first, the jobs that carry each, and what waits at it. */
export async function kitSheet(db: Db | Tx, id: string): Promise<KitSheet> {
  const { kit: own, modelName } = one(
    await db
      .select({ kit, modelName: model.name })
      .from(kit)
      .innerJoin(model, eq(model.id, kit.modelId))
      .where(eq(kit.id, id)),
    'kit',
  );
  const { rows: people } = await db.execute<{ id: string; name: string }>(sql`select id, name from person`);
  const nameOf = new Map(people.map((person) => [person.id, person.name]));
  const by = (personId: string | null) => (personId === null ? null : (nameOf.get(personId) ?? null));
  const stored = await db.select().from(kitRevision).where(eq(kitRevision.kitId, id));
  const lines = await db
    .select({ line: kitLine })
    .from(kitLine)
    .innerJoin(kitRevision, eq(kitRevision.id, kitLine.revisionId))
    .where(eq(kitRevision.kitId, id))
    .orderBy(asc(kitLine.position));
  const { rows: jobs } = await db.execute<CarryingJob & { revisionId: string } & Record<string, unknown>>(sql`
    select j.kit_revision_id as "revisionId", j.number, v.name as title, c.name as client, j.state,
      j.kit_options as options, v.id as "vehicleId"
    from job j join vehicle v on v.id = j.vehicle_id join client c on c.id = v.client_id
    join kit_revision r on r.id = j.kit_revision_id where r.kit_id = ${id} order by j.number desc`);
  const { rows: orders } = await db.execute<CarryingOrder & { revisionId: string } & Record<string, unknown>>(sql`
    select o.revision_id as "revisionId", o.number, c.name as client, o.state, o.options
    from kit_order o join client c on c.id = o.client_id join kit_revision r on r.id = o.revision_id
    where r.kit_id = ${id} and o.state <> 'cancelled' order by o.number desc`);
  const revisions = stored
    .sort((a, b) => b.revision.length - a.revision.length || b.revision.localeCompare(a.revision))
    .map(
      ({ body, ...r }): KitRevisionRow => ({
        id: r.id,
        kitId: id,
        kitName: own.name,
        modelName,
        revision: r.revision,
        state: r.state,
        ...body,
        lines: lines
          .filter(({ line }) => line.revisionId === r.id)
          .map(({ line: { componentId, quantity, packedIn, appliesWhen } }) => ({
            ...{ componentId, quantity, packedIn, appliesWhen },
          })),
        version: r.version,
        note: r.note,
        basedOn: r.basedOnId,
        fromJob: r.fromJob,
        changedBy: by(r.changedById),
        changedAt: r.changedAt.toISOString(),
        readBy: r.readVersion === r.version ? by(r.readById) : null,
        releasedBy: by(r.releasedById),
        releasedAt: iso(r.releasedAt),
        withdrawnBy: by(r.withdrawnById),
        withdrawnAt: iso(r.withdrawnAt),
        withdrawnWhy: r.withdrawnWhy,
        orders: orders.filter(({ revisionId }) => revisionId === r.id).map(({ revisionId: _, ...row }) => row),
        jobs: jobs.filter(({ revisionId }) => revisionId === r.id).map(({ revisionId: _, ...row }) => row),
      }),
    );
  const { rows: wishes } = await db.execute<WishRow & Record<string, unknown>>(sql`
    select w.id, w.kind, w.client_id as "clientId", c.name as client, w.text, p.name as by, w.at, w.ended_at as "endedAt",
      w.ended_why as "endedWhy"
    from ${kitWish} w left join client c on c.id = w.client_id join person p on p.id = w.by_id
    where w.kit_id = ${id} order by w.ended_at nulls first, w.at, w.id`);
  return {
    ...{ id, name: own.name, modelId: own.modelId, modelName },
    developmentCents: own.developmentCents,
    version: own.version,
    revisions,
    wishes: wishes.map(
      ({ clientId, client, at, endedAt, ...wish }): KitWish => ({
        ...wish,
        client: clientId === null ? null : { id: clientId, name: client ?? '' },
        at: iso(at) ?? '',
        endedAt: iso(endedAt),
      }),
    ),
  };
}

interface WishRow extends Omit<KitWish, 'client' | 'at' | 'endedAt'> {
  readonly clientId: string | null;
  readonly client: string | null;
  readonly at: Date | string;
  readonly endedAt: Date | string | null;
}
