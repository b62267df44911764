import { eq, sql } from 'drizzle-orm';
import { type FabricationRow, fabricationAddress } from '../../contract/fabrication.ts';
import { fabricationRefusal } from '../../core/fabrication/fabrication.ts';
import { FABRICATION_NAME, fabricationSentence } from '../../wording/fabrication.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { fabrication, fabricationMove, file } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { instant } from '../read/instant.ts';
import { jobByNumber } from '../read/jobs.ts';

async function fabricationRows(db: Db | Tx, jobId: string): Promise<FabricationRow[]> {
  const { rows } = await db.execute<FabricationRow & Record<string, unknown>>(sql`
    select f.id, f.name, f.material, f.state, p.name as by, ${instant('f.created_at')} as "createdAt", f.dropped_why as "droppedWhy",
      (select count(*)::int from file x where x.about = 'fabrication' and x.about_id = f.id::text and x.dropped_at is null) as drawings,
      (select coalesce(json_agg(json_build_object('from', m."from", 'to', m."to", 'reason', m.reason, 'by', w.name, 'at', ${instant('m.at')})
        order by m.at), '[]'::json) from fabrication_move m join person w on w.id = m.by_id where m.fabrication_id = f.id) as moves,
      f.version
    from fabrication f join person p on p.id = f.by_id where f.job_id = ${jobId}
    order by f.dropped_why is not null, f.state = 'made', f.created_at`);
  return rows;
}

/** A made part with its job locked, read under the lock. */
async function lockFabrication({ tx, job: lock }: Change, id: string, version: number) {
  const { jobId } = one(
    await tx.select({ jobId: fabrication.jobId }).from(fabrication).where(eq(fabrication.id, id)),
    'made part',
  );
  const job = await lock({ id: jobId });
  const row = one(await tx.select().from(fabrication).where(eq(fabrication.id, id)), 'made part');
  if (row.version !== version) throw new Stale(row);
  if (row.droppedWhy !== null) throw new RuleBroken(`${row.name} is not made after all: ${row.droppedWhy}.`);
  return { row, job };
}

export const fabricationEndpoints = [
  serve(fabricationAddress.list, async ({ db, params }) =>
    fabricationRows(db, (await jobByNumber(db, params.number)).id),
  ),
  serve(fabricationAddress.add, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const job = await lock({ number: params.number });
      const { id } = made(
        await tx
          .insert(fabrication)
          .values({ ...body, jobId: job.id, byId: person.id, createdAt: now() })
          .returning(),
      );
      await log({ what: `is making ${body.name}`, resource: 'parts', id, job: job.number, after: body });
      return { id };
    }),
  ),
  serve(fabricationAddress.move, ({ change, params, body: { to, reason, version }, person, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job } = await lockFabrication(work, params.id, version);
      const drawings = await tx.$count(
        file,
        sql`${file.about} = 'fabrication' and ${file.aboutId} = ${row.id} and ${file.droppedAt} is null`,
      );
      const refusal = fabricationRefusal(row.state, to, reason, drawings);
      if (refusal === 'reasonNeeded') throw new BadInput({ reason: fabricationSentence(refusal) });
      if (refusal) throw new RuleBroken(`${row.name}: ${fabricationSentence(refusal)}`);
      await tx
        .insert(fabricationMove)
        .values({ fabricationId: row.id, from: row.state, to, reason, byId: person.id, at: now() });
      await tx
        .update(fabrication)
        .set({ state: to, version: version + 1 })
        .where(eq(fabrication.id, row.id));
      const what = `took ${row.name} from ${FABRICATION_NAME[row.state].toLowerCase()} to ${FABRICATION_NAME[to].toLowerCase()}`;
      await log({
        ...{ what: reason ? `${what}: ${reason}` : what, resource: 'parts', id: row.id, job: job.number },
        after: { to, reason },
      });
      return { version: version + 1 };
    }),
  ),
  serve(fabricationAddress.drop, ({ change, params, body: { why, version } }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { row, job } = await lockFabrication(work, params.id, version);
      await tx
        .update(fabrication)
        .set({ droppedWhy: why, version: version + 1 })
        .where(eq(fabrication.id, row.id));
      const what = `does not make ${row.name} after all: ${why}`;
      await log({ what, resource: 'parts', id: row.id, job: job.number, after: { why } });
      return { version: version + 1 };
    }),
  ),
];
