import { sql } from 'drizzle-orm';
import type { FitterSheet } from '../../contract/fitting.ts';
import type { Db, Tx } from '../db/connect.ts';
import { workshopNow } from '../read/workshop.ts';
import { orderSheet, questionsWhere } from './rows.ts';

/** What the page of a fitter shows of an order: theirs, and questions answered against the same revision by whoever asked. */
export async function fitterSheet(db: Db | Tx, number: string): Promise<FitterSheet> {
  const order = await orderSheet(db, number);
  const workshop = await workshopNow(db as Db);
  const { rows: files } = await db.execute<FitterSheet['files'][number] & Record<string, unknown>>(sql`
    select f.id, f.name, f.caption, f.small_hash is not null as picture from file f
    where f.dropped_at is null and ((f.about = 'kitRevision' and f.about_id = ${order.revisionId})
      or (f.about = 'order' and f.about_id = ${order.id})) order by f.at, f.id`);
  const asked = await questionsWhere(
    db,
    sql`(q.order_id = ${order.id} or (q.revision_id = ${order.revisionId} and q.answer is not null))`,
  );
  return {
    workshop: workshop?.name ?? '',
    ...{ number, kitName: order.kitName, revision: order.revision, revisionState: order.revisionState },
    ...{ withdrawnWhy: order.withdrawnWhy, variantName: order.variantName, vehicle: order.vehicle },
    client: order.client.name,
    options: order.optionNames,
    ...{ exclusions: order.exclusions, sentAt: order.sentAt },
    ...{ fittedBy: order.fittedBy, stages: order.stages, done: order.done, readings: order.readings },
    // Who else asked stays with the workshop.
    questions: asked.map(({ orderNumber, by, ...question }) => ({
      ...question,
      by: orderNumber === number ? by : 'another fitter',
    })),
    files,
    sign: order.sign ? { by: order.sign.by, at: order.sign.at, remark: order.sign.remark } : null,
  };
}
