import { eq, sql } from 'drizzle-orm';
import { type SeriesSheet, seriesAddress } from '../../contract/series.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { job } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, Stale } from '../problems.ts';
import { FIRST_OF_KIND } from '../read/firstOfKind.ts';

/** Jobs that wait for this one, by however many others in between, and itself. */
const WAITING_FOR = (id: unknown) => sql`
  with recursive behind as (select ${id}::uuid as id union select j.id from job j join behind b on j.follows_id = b.id)
  select id from behind`;

async function seriesOf(db: Db | Tx, number: string): Promise<SeriesSheet> {
  const { rows } = await db.execute<SeriesSheet & Record<string, unknown>>(sql`
    select j.version,
      (select json_build_object('number', f.number, 'title', fv.name, ${FIRST_OF_KIND},
          'kitId', (select kit_id from kit_revision where id = f.kit_revision_id),
          'lessons', (select coalesce(json_agg(json_build_object('id', l.id, 'text', l.text, 'state', l.state) order by l.at, l.id), '[]'::json)
            from lesson l where l.job_id = f.id))
        from job f join vehicle fv on fv.id = f.vehicle_id where f.id = j.follows_id) as first,
      (select coalesce(json_agg(json_build_object('number', s.number, 'title', sv.name) order by s.number), '[]'::json)
        from job s join vehicle sv on sv.id = s.vehicle_id where s.follows_id = j.id) as sisters,
      (select coalesce(json_agg(json_build_object('number', c.number, 'title', cv.name) order by c.number desc), '[]'::json)
        from job c join vehicle cv on cv.id = c.vehicle_id join variant cva on cva.id = cv.variant_id
        where cva.model_id = va.model_id and c.state <> 'cancelled' and c.id not in (${WAITING_FOR(sql`j.id`)})) as choices
    from job j join vehicle v on v.id = j.vehicle_id join variant va on va.id = v.variant_id where j.number = ${number}`);
  return one(rows, 'job');
}

export const seriesEndpoints = [
  serve(seriesAddress.sheet, ({ db, params }) => seriesOf(db, params.number)),
  serve(seriesAddress.follow, ({ change, params, body }) =>
    change(async ({ tx, log, job: lock }) => {
      // One at a time: two that took each other for their first would wait for ever.
      await tx.execute(sql`select pg_advisory_xact_lock(4417053)`);
      const stored = await lock({ number: params.number });
      if (stored.version !== body.version) throw new Stale(await seriesOf(tx, params.number));
      const [first] =
        body.first === null
          ? []
          : await tx.select({ id: job.id, number: job.number }).from(job).where(eq(job.number, body.first));
      if (body.first !== null && !first) throw new BadInput({ first: 'There is no such job.' });
      if (first) {
        const { rows } = await tx.execute<{ id: string }>(WAITING_FOR(stored.id));
        if (rows.some(({ id }) => id === first.id))
          throw new BadInput({ first: `${first.number} waits for this one itself.` });
      }
      const version = stored.version + 1;
      await tx
        .update(job)
        .set({ followsId: first?.id ?? null, version })
        .where(eq(job.id, stored.id));
      const what = first ? `follows ${first.number}, the first of its kind` : 'follows no other job any more';
      await log({ what, resource: 'job', id: stored.id, job: stored.number, after: body });
      return { version };
    }),
  ),
];
