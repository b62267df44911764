import { sql } from 'drizzle-orm';
import type { ClientLine, ClientPicture, ClientQuestion, ClientSheet } from '../../contract/clientPage.ts';
import type { Workshop } from '../../contract/workshop.ts';
import type { OfferBody } from '../../core/offer/offer.ts';
import { offerSums } from '../../core/offer/sums.ts';
import { foldedRows, GROUP_NAME } from '../../wording/offers.ts';
import type { StoredJob } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { instant } from '../read/instant.ts';
import { partOf } from '../read/sheet.ts';
import { additionsOf, offersOf } from './rows.ts';
import { specificationOf, unitsOf } from './specification.ts';

/** Lines as the client may read them: each, or what groups come to; what a line costs the workshop is never among them. */
function linesFor(body: OfferBody, workshop: Workshop): ClientLine[] {
  const sums = offerSums(body);
  if (!body.open)
    return foldedRows({ body }, sums, unitsOf(workshop)).map(({ group, text, netCents }) => ({
      ...{ group, text, netCents, quantity: null },
    }));
  return [
    ...body.lines.map(({ group, text, quantity }, i) => ({ group, text, quantity, netCents: sums.lines[i]!.netCents })),
    ...(['contingency', 'rounding'] as const).flatMap((group): ClientLine[] =>
      sums[group].netCents === 0
        ? []
        : [{ group, text: GROUP_NAME[group], quantity: null, netCents: sums[group].netCents }],
    ),
  ];
}

const ratesFor = (body: OfferBody) => offerSums(body).rates.map(({ taxShare, taxCents }) => ({ taxShare, taxCents }));

/** Pictures of a job that were released for its client, the newest first. */
export async function releasedPictures(db: Db | Tx, jobId: string): Promise<ClientPicture[]> {
  const { rows } = await db.execute<ClientPicture & Record<string, unknown>>(sql`
    select f.id, f.caption from released_file r join file f on f.id = r.file_id
    where r.job_id = ${jobId} and f.dropped_at is null and f.small_hash is not null order by f.at desc, f.id`);
  return rows;
}

export async function questionsOf(
  db: Db | Tx,
  jobId: string,
): Promise<(ClientQuestion & { readonly answeredBy: string | null })[]> {
  const { rows } = await db.execute<ClientQuestion & { answeredBy: string | null } & Record<string, unknown>>(sql`
    select q.id, q.text, q.by, ${instant('q.at')} as at, q.answer, ${instant('q.answered_at')} as "answeredAt", p.name as "answeredBy"
    from client_question q left join person p on p.id = q.answered_by_id where q.job_id = ${jobId} order by q.at, q.id`);
  return rows;
}

/** What the page of a client shows of a job, and nothing else of the workshop. */
export async function clientSheet(
  db: Db | Tx,
  stored: StoredJob,
  workshop: Workshop,
  today: string,
): Promise<ClientSheet> {
  const { rows } = await db.execute<{ title: string; client: string; vehicle: string }>(sql`
    select v.name as title, c.name as client, mo.name || ' ' || va.name || ', ' || v.built_year as vehicle
    from vehicle v join client c on c.id = v.client_id join variant va on va.id = v.variant_id join model mo on mo.id = va.model_id
    where v.id = ${stored.vehicleId}`);
  const head = one(rows, 'vehicle');
  const offers = await offersOf(db, stored.id);
  const agreed = offers.find(({ state }) => state === 'accepted');
  const { figures, brief } = await specificationOf(db, stored, workshop, today, null);
  const stages = await partOf(db, { id: stored.id }, 'stages');
  const questions = await questionsOf(db, stored.id);
  return {
    ...{ workshop: workshop.name, timeZone: workshop.timeZone, unitSet: workshop.unitSet, currency: workshop.currency },
    ...{ number: stored.number, ...head, state: stored.state, promised: stored.promised },
    stages: stages.map(({ name, state }) => ({ name, state })),
    ...{ specification: figures, agreed: agreed !== undefined, brief },
    offers: offers
      .filter(({ state, sentAt }) => sentAt !== null && state !== 'withdrawn')
      .map(({ id, number, state, body, currency, netCents, totalCents, sentAt, answered }) => ({
        ...{ id, number, state, currency, netCents, totalCents, sentAt: sentAt!, answered },
        ...{ validUntil: body.validUntil, over: state === 'sent' && body.validUntil < today, note: body.note },
        ...{ lines: linesFor(body, workshop), rates: ratesFor(body) },
      })),
    changes: (await additionsOf(db, stored.id))
      .filter(({ state, pricedAt }) => pricedAt !== null && state !== 'withdrawn')
      .map(({ id, number, wish, state, body, currency, netCents, totalCents, effect, pricedAt, answered }) => ({
        ...{ id, number, wish, state, currency, netCents, totalCents, effect, answered, pricedAt: pricedAt! },
        ...{ validUntil: body.validUntil, over: state === 'priced' && body.validUntil < today, note: body.note },
        ...{ lines: linesFor(body, workshop), rates: ratesFor(body) },
      })),
    questions: questions.map(({ answeredBy: _, ...question }) => question),
    pictures: await releasedPictures(db, stored.id),
  };
}
