import { eq } from 'drizzle-orm';
import express, { type Request, type Response, Router } from 'express';
import type Joi from 'joi';
import type { Address } from '../../contract/address.ts';
import { clientPageAddress } from '../../contract/clientPage.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { jobRefusal } from '../../core/job/states.ts';
import { dayOf } from '../../wording/dates.ts';
import { refusalSentence } from '../../wording/job.ts';
import type { StoredJob } from '../change.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { addition, clientQuestion, event, job, offer } from '../db/schema/index.ts';
import { type House, readBody } from '../endpoint.ts';
import { NotFound, ProblemError, RuleBroken } from '../problems.ts';
import { sendContent } from '../read/sendContent.ts';
import { workshopNow } from '../read/workshop.ts';
import { type Answer, answerAddition, answerOffer } from './answer.ts';
import { clientSheet, releasedPictures } from './clientSheet.ts';
import { jobOfLink } from './links.ts';
import { offerPaper } from './paper.ts';

interface Doing<B> {
  readonly tx: Tx;
  readonly req: Request;
  readonly body: B;
  readonly job: StoredJob;
  readonly workshop: Workshop;
  readonly answer: Omit<Answer, 'accepted' | 'name' | 'why'>;
  /** What was done, for the history: by nobody of the workshop. */
  readonly note: (what: string, id: string, after: unknown) => Promise<void>;
}

const MOST_QUESTIONS = 200;
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/**
 * The pages of clients, who have no account: what the word of an open link leads to, and nothing else. Every answer is
 * taken under the lock of its job and keeps who typed it, when, and the address it came from.
 */
export function clientRouter({ db, transact, now, press }: House): Router {
  const router = Router();
  const token = (req: Request) => String(req.params.token);
  const idOf = (req: Request, what: string) => {
    const id = String(req.params.id);
    if (!UUID.test(id)) throw new NotFound(what);
    return id;
  };
  const house = async () => one([(await workshopNow(db))!].filter(Boolean), 'workshop');
  const look = async (req: Request, res: Response) => {
    const workshop = await house();
    const stored = await jobOfLink(db, token(req), now());
    res.set('Cache-Control', 'no-store').json(await clientSheet(db, stored, workshop, dayOf(now(), workshop.timeZone)));
  };

  router.get(clientPageAddress.look.path, look);

  router.get(clientPageAddress.picture.path, async (req, res) => {
    const stored = await jobOfLink(db, token(req), now());
    const id = idOf(req, 'picture');
    if (!(await releasedPictures(db, stored.id)).some((one) => one.id === id)) throw new NotFound('picture');
    await sendContent(db, res, id, req.query.small === '1' ? 'smallHash' : 'hash');
  });

  router.get(clientPageAddress.paper.path, async (req, res) => {
    const workshop = await house();
    const stored = await jobOfLink(db, token(req), now());
    const { paper, jobId, name } = await offerPaper(db, idOf(req, 'offer'), workshop, dayOf(now(), workshop.timeZone));
    if (jobId !== stored.id || paper.sentOn === null) throw new NotFound('offer');
    const print = {
      ...{ workshop: workshop.name, timeZone: workshop.timeZone, printedAt: now() },
      unitSet: `${workshop.unitSet} ${workshop.currency}` as const,
    };
    const pdf = await press.print({ paper: 'offer', offer: paper, print });
    res.type('application/pdf').setHeader('Content-Disposition', `inline; filename="${name}.pdf"`);
    res.send(pdf);
  });

  function on<P extends string, B>(
    { path, body: schema, size }: Address<P, B, unknown>,
    work: (doing: Doing<B>) => Promise<void>,
  ): void {
    router.post(path, express.json({ limit: size.bytes }), async (req: Request, res: Response) => {
      // The word first: who has none learns nothing of what is wanted.
      const { id } = await jobOfLink(db, token(req), now());
      const body = readBody(schema as Joi.Schema<B>, req.body ?? {}, size.bounds);
      const workshop = await house();
      await transact(async (tx) => {
        const stored = one(await tx.select().from(job).where(eq(job.id, id)).for('no key update'), 'job');
        // It may have been closed while this waited.
        await jobOfLink(tx, token(req), now());
        const refusal = jobRefusal(stored.state, 'offer');
        if (refusal) throw new RuleBroken(refusalSentence(stored.number, refusal, 'offer'));
        const at = now();
        const today = dayOf(at, workshop.timeZone);
        await work({
          ...{ tx, req, body, workshop, job: stored },
          answer: { from: req.ip ?? 'unknown', at, today, timeZone: workshop.timeZone },
          note: async (what, resourceId, after) => {
            await tx.insert(event).values({
              ...{ personId: null, what, resource: 'offer', resourceId, jobNumber: stored.number },
              after: after ?? null,
            });
          },
        });
      });
      await look(req, res);
    });
  }

  /** What the client looked at must be what is answered. */
  const sameSum = (shown: number, totalCents: number) => {
    if (shown !== totalCents)
      throw new ProblemError(
        'conflict',
        'This page is out of date. Load it again and look at the sum before you answer.',
      );
  };

  on(clientPageAddress.offer, async ({ tx, req, body: { by, totalCents, ...body }, job: stored, answer, note }) => {
    const id = idOf(req, 'offer');
    const [row] = await tx.select().from(offer).where(eq(offer.id, id));
    if (row?.jobId !== stored.id || row.sentAt === null) throw new NotFound('offer');
    sameSum(totalCents, row.totalCents);
    const told = await answerOffer({ tx, job: stored }, id, { ...answer, ...body, name: by });
    if (told) await note(`${told.what}, on the client’s page`, id, { ...body, by, from: answer.from });
  });

  on(clientPageAddress.change, async ({ tx, req, body: { by, totalCents, ...body }, job: stored, answer, note }) => {
    const id = idOf(req, 'change');
    const [row] = await tx.select().from(addition).where(eq(addition.id, id));
    if (row?.jobId !== stored.id || row.pricedAt === null) throw new NotFound('change');
    sameSum(totalCents, row.totalCents);
    const told = await answerAddition({ tx, job: stored }, id, { ...answer, ...body, name: by });
    if (told) await note(`${told.what}, on the client’s page`, id, { ...body, by, from: answer.from });
  });

  on(clientPageAddress.ask, async ({ tx, body, job: stored, answer, note }) => {
    const all = await tx.select().from(clientQuestion).where(eq(clientQuestion.jobId, stored.id));
    // Sent twice over a bad line it is one question.
    if (all.some((one) => one.answer === null && one.text === body.text && one.by === body.by)) return;
    if (all.length >= MOST_QUESTIONS) throw new RuleBroken('There are too many questions already. Ring us.');
    const [row] = await tx
      .insert(clientQuestion)
      .values({ ...body, jobId: stored.id, at: answer.at })
      .returning();
    await note(`${body.by} asked, on the client’s page`, row!.id, body);
  });

  return router;
}
