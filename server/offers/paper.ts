import { eq } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import { dayOf } from '../../wording/dates.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { client, job, offer, vehicle } from '../db/schema/index.ts';
import type { OfferPaper } from '../documents/offerPdf.ts';
import { specificationOf } from './specification.ts';

/** An offer as it is printed. */
export async function offerPaper(
  db: Db | Tx,
  id: string,
  workshop: Workshop,
  today: string,
): Promise<{ readonly paper: OfferPaper; readonly jobId: string; readonly name: string }> {
  const row = one(
    await db
      .select({ offer, job, title: vehicle.name, client: client.name })
      .from(offer)
      .innerJoin(job, eq(job.id, offer.jobId))
      .innerJoin(vehicle, eq(vehicle.id, job.vehicleId))
      .innerJoin(client, eq(client.id, vehicle.clientId))
      .where(eq(offer.id, id)),
    'offer',
  );
  const { offer: own } = row;
  const on = (at: Date | null) => (at ? dayOf(at, workshop.timeZone) : null);
  const { figures } = await specificationOf(db, row.job, workshop, today, own.designId);
  return {
    jobId: row.job.id,
    name: `${row.job.number}-offer-${own.number}`,
    paper: {
      ...{ title: `Offer ${own.number}`, to: row.client, about: [`${row.job.number} ${row.title}`], body: own.body },
      ...{ currency: own.currency, sentOn: on(own.sentAt), specification: figures, isOffer: true },
      accepted: own.state === 'accepted' ? { by: own.answeredBy ?? '', on: on(own.answeredAt) ?? '' } : null,
    },
  };
}
