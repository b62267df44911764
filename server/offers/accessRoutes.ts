import { and, eq, isNull, sql } from 'drizzle-orm';
import { type ClientAccess, clientAccessAddress } from '../../contract/clientPage.ts';
import { offerAddress } from '../../contract/offers.ts';
import { isOpen } from '../../core/job/states.ts';
import { offerTable } from '../../wording/offers.ts';
import type { Db } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { clientLink, clientQuestion, file, job, offer, releasedFile } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { instant } from '../read/instant.ts';
import { jobByNumber } from '../read/jobs.ts';
import { hashOf } from '../read/secretWord.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { questionsOf } from './clientSheet.ts';
import { offerPaper } from './paper.ts';

const DAY_MS = 86_400_000;

/** Pictures of a job: its own, of its vehicle, stages, snags and register. */
const PICTURES_OF = (jobId: string, vehicleId: string) => sql`
  f.dropped_at is null and f.small_hash is not null and (
    (f.about = 'job' and f.about_id = ${jobId}) or (f.about = 'vehicle' and f.about_id = ${vehicleId})
    or (f.about = 'stage' and f.about_id in (select id::text from stage where job_id = ${jobId}))
    or (f.about = 'fabrication' and f.about_id in (select id::text from fabrication where job_id = ${jobId}))
    or (f.about = 'snag' and f.about_id in (select id::text from snag where job_id = ${jobId}))
    or (f.about = 'register' and f.about_id in (select id::text from register_entry where job_id = ${jobId})))`;

async function accessOf(db: Db, stored: typeof job.$inferSelect, now: Date): Promise<ClientAccess> {
  const { rows: links } = await db.execute<NonNullable<ClientAccess['link']> & Record<string, unknown>>(sql`
    select ${instant('l.until')} as until, ${instant('l.last_used_at')} as "lastUsedAt", p.name as by
    from client_link l join person p on p.id = l.by_id
    where l.job_id = ${stored.id} and l.revoked_at is null and l.until > ${now.toISOString()}`);
  const { rows: pictures } = await db.execute<ClientAccess['pictures'][number] & Record<string, unknown>>(sql`
    select f.id, f.name, f.caption, exists (select 1 from released_file r where r.file_id = f.id) as released
    from file f where ${PICTURES_OF(stored.id, stored.vehicleId)} order by f.at desc, f.id limit 200`);
  return { link: links[0] ?? null, questions: await questionsOf(db, stored.id), pictures };
}

export const clientAccessEndpoints = [
  serve(clientAccessAddress.look, async ({ db, params, now }) =>
    accessOf(db, await jobByNumber(db, params.number), now()),
  ),
  serve(clientAccessAddress.open, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      if (!isOpen(stored.state))
        throw new RuleBroken(`${stored.number} is over: its client’s page is not opened any more.`);
      const tokenHash = hashOf(body.token);
      const [same] = await tx.select().from(clientLink).where(eq(clientLink.tokenHash, tokenHash));
      if (same?.jobId === stored.id && !same.revokedAt) return { until: same.until.toISOString() };
      if (same) throw new BadInput({ token: 'This word was used before. Open the page anew.' });
      // A new link closes the one before.
      await tx
        .update(clientLink)
        .set({ revokedAt: now() })
        .where(and(eq(clientLink.jobId, stored.id), isNull(clientLink.revokedAt)));
      const until = new Date(now().getTime() + body.days * DAY_MS);
      await tx.insert(clientLink).values({ jobId: stored.id, tokenHash, until, byId: person.id, at: now() });
      await log({
        ...{ what: 'opened the client’s page', resource: 'offer', id: stored.id, job: stored.number },
        after: { until: until.toISOString() },
      });
      return { until: until.toISOString() };
    }),
  ),
  serve(clientAccessAddress.close, ({ change, params, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const closed = await tx
        .update(clientLink)
        .set({ revokedAt: now() })
        .where(and(eq(clientLink.jobId, stored.id), isNull(clientLink.revokedAt)))
        .returning();
      if (closed.length === 0) throw new RuleBroken('No client’s page is open for this job.');
      await log({ what: 'closed the client’s page', resource: 'offer', id: stored.id, job: stored.number });
      return { id: stored.id };
    }),
  ),
  serve(clientAccessAddress.answer, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const { jobId } = one(
        await tx.select({ jobId: clientQuestion.jobId }).from(clientQuestion).where(eq(clientQuestion.id, params.id)),
        'question',
      );
      const stored = await lock({ id: jobId });
      const question = one(await tx.select().from(clientQuestion).where(eq(clientQuestion.id, params.id)), 'question');
      if (question.answer !== null) throw new RuleBroken('This question was answered already.');
      await tx
        .update(clientQuestion)
        .set({ answer: body.answer, answeredById: person.id, answeredAt: now() })
        .where(eq(clientQuestion.id, question.id));
      await log({
        ...{ what: 'answered the client', resource: 'offer', id: question.id, job: stored.number },
        ...{ before: question, after: body },
      });
      return { id: question.id };
    }),
  ),
  serve(clientAccessAddress.release, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [own] = await tx
        .select({ id: file.id, name: file.name })
        .from(file)
        .where(
          sql`${file.id} = ${body.fileId} and ${file.id} in (select f.id from file f where ${PICTURES_OF(stored.id, stored.vehicleId)})`,
        );
      if (!own) throw new BadInput({ fileId: 'Choose a picture of this job.' });
      const done = body.released
        ? await tx
            .insert(releasedFile)
            .values({ fileId: own.id, jobId: stored.id, byId: person.id, at: now() })
            .onConflictDoNothing()
            .returning()
        : await tx.delete(releasedFile).where(eq(releasedFile.fileId, own.id)).returning();
      if (done.length > 0)
        await log({
          what: `${body.released ? 'released' : 'took back'} the picture ${own.name} ${body.released ? 'for' : 'from'} the client`,
          ...{ resource: 'offer', id: own.id, job: stored.number },
        });
      return { id: own.id };
    }),
  ),
  serve(offerAddress.paper, async ({ db, params, workshop, person, press, today, now, res }) => {
    const { paper, name } = await offerPaper(db, params.id, workshop, today);
    const pdf = await press.print({ paper: 'offer', offer: paper, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}.pdf"`);
    res.send(pdf);
    return undefined;
  }),
  serve(offerAddress.table, async ({ db, params, res }) => {
    const row = one(
      await db
        .select({ offer, number: job.number })
        .from(offer)
        .innerJoin(job, eq(job.id, offer.jobId))
        .where(eq(offer.id, params.id)),
      'offer',
    );
    return sendCsv(res, `${row.number}-offer-${row.offer.number}.csv`, offerTable(row.offer));
  }),
];
