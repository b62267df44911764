import { and, desc, eq, sql } from 'drizzle-orm';
import express, { type Request, type Response, Router } from 'express';
import type Joi from 'joi';
import type { Address } from '../../contract/address.ts';
import { fitterAddress } from '../../contract/fitting.ts';
import { doneProblems, type FitterStage, fitterStages, leftToFit } from '../../core/order/fitting.ts';
import { DONE_SENTENCE } from '../../wording/orders.ts';
import type { Tx } from '../db/connect.ts';
import { event, kitOrder, orderQuestion, orderReading, orderSign, orderStage } from '../db/schema/index.ts';
import { type House, readBody } from '../endpoint.ts';
import { BadInput, NotFound, RuleBroken } from '../problems.ts';
import { sendContent } from '../read/sendContent.ts';
import { fitterSheet } from './fitterSheet.ts';
import { orderOfLink } from './links.ts';
import { lockOrder } from './lock.ts';
import { orderSheet } from './rows.ts';

interface Doing<B> {
  readonly tx: Tx;
  readonly body: B;
  readonly now: Date;
  readonly order: Awaited<ReturnType<typeof orderSheet>>;
  readonly stages: readonly FitterStage[];
  readonly address: string;
  /** What was done, for the history: by nobody of the workshop. */
  readonly note: (what: string, after: unknown) => Promise<void>;
}

/** Stored already as it was sent: the same thing again does nothing twice, for a telephone with a bad line sends twice. */
const SAME = Symbol('same');
const MOST_READINGS = 2000;
const MOST_QUESTIONS = 200;

/**
 * The pages of fitters, who have no account: what the word of an open link leads to, and nothing else. Every writing is
 * under the lock of its order and tells who did it, by the name they typed.
 */
export function fitterRouter({ db, transact, now }: House): Router {
  const router = Router();
  const token = (req: Request) => String(req.params.token);

  router.get(fitterAddress.look.path, async (req, res) => {
    const { number } = await orderOfLink(db, token(req), now());
    res.set('Cache-Control', 'no-store').json(await fitterSheet(db, number));
  });

  router.get(fitterAddress.file.path, async (req, res) => {
    const { number } = await orderOfLink(db, token(req), now());
    const { files } = await fitterSheet(db, number);
    const id = String(req.params.id);
    if (!files.some((file) => file.id === id)) throw new NotFound('file');
    await sendContent(db, res, id, req.query.small === '1' ? 'smallHash' : 'hash');
  });

  function on<P extends string, B>(
    { path, body: schema, size }: Address<P, B, unknown>,
    work: (doing: Doing<B>) => Promise<typeof SAME | undefined>,
  ): void {
    router.post(path, express.json({ limit: size.bytes }), async (req: Request, res: Response) => {
      // The word first: who has none learns nothing of what is wanted.
      const { number } = await orderOfLink(db, token(req), now());
      const body = readBody(schema as Joi.Schema<B>, req.body ?? {}, size.bounds);
      await transact(async (tx) => {
        await lockOrder(tx, number, { states: ['sent'], what: 'fitted' });
        await orderOfLink(tx, token(req), now());
        const order = await orderSheet(tx, number);
        const stages = fitterStages(order.stages, order.fittedBy, order.done, order.readings);
        await work({
          ...{ tx, body, order, stages, now: now(), address: req.ip ?? '' },
          note: async (what, after) => {
            await tx
              .insert(event)
              .values({ personId: null, what, resource: 'order', resourceId: number, after: after ?? null });
          },
        });
      });
      res.json(await fitterSheet(db, number));
    });
  }

  const stageOf = (stages: readonly FitterStage[], key: string): FitterStage => {
    const found = stages.find(({ stage }) => stage.key === key);
    if (!found) throw new BadInput({ stageKey: 'This kit has no such stage.' });
    if (found.by !== 'fitter') throw new RuleBroken(DONE_SENTENCE.notTheFitters);
    return found;
  };

  on(fitterAddress.reading, async ({ tx, body, order, stages, note, now: at }) => {
    const { stage, steps, state } = stageOf(stages, body.stageKey);
    const step = steps[body.step];
    if (!step?.limit) throw new BadInput({ step: 'Nothing is measured at this step.' });
    const [last] = await tx
      .select()
      .from(orderReading)
      .where(
        and(eq(orderReading.orderId, order.id), eq(orderReading.stageKey, stage.key), eq(orderReading.step, body.step)),
      )
      .orderBy(desc(orderReading.at))
      .limit(1);
    if (last && last.value === body.value && last.instrument === body.instrument && last.by === body.by) return SAME;
    if (state === 'done') throw new RuleBroken('This stage is done. Ask the workshop if a reading of it was wrong.');
    if (order.readings.length >= MOST_READINGS) throw new RuleBroken('There are too many readings already.');
    await tx.insert(orderReading).values({ ...body, orderId: order.id, at });
    await note(`${body.by} read ${body.value} at “${step.text}”, through the fitter’s page`, body);
    return undefined;
  });

  on(fitterAddress.done, async ({ tx, body, order, stages, note, now: at }) => {
    const found = stageOf(stages, body.stageKey);
    if (found.state === 'done') return SAME;
    const [problem] = doneProblems(found);
    if (problem) {
      const more = problem === 'waits' ? ` ${found.waitsFor.join(', ')}.` : '';
      throw new RuleBroken(`${DONE_SENTENCE[problem]}${more}`);
    }
    await tx.insert(orderStage).values({ ...body, orderId: order.id, at });
    await note(`${body.by} finished ${found.stage.name}, through the fitter’s page`, body);
    return undefined;
  });

  on(fitterAddress.ask, async ({ tx, body, order, note, now: at }) => {
    if (body.stageKey !== null && !order.stages.some(({ key }) => key === body.stageKey))
      throw new BadInput({ stageKey: 'This kit has no such stage.' });
    const same = order.questions.some(
      (one) => one.answer === null && one.text === body.text && one.stageKey === body.stageKey,
    );
    if (same) return SAME;
    if (order.questions.length >= MOST_QUESTIONS)
      throw new RuleBroken('There are too many questions already. Ring us.');
    await tx.insert(orderQuestion).values({ ...body, orderId: order.id, revisionId: order.revisionId, at });
    await note(`${body.by} asked, through the fitter’s page`, body);
    return undefined;
  });

  on(fitterAddress.sign, async ({ tx, body, order, stages, note, now: at, address }) => {
    const left = leftToFit(stages);
    if (left.length > 0) throw new RuleBroken(`Not done yet: ${left.join(', ')}.`);
    await tx.insert(orderSign).values({ ...body, orderId: order.id, at, address });
    await tx
      .update(kitOrder)
      .set({ state: 'signed', version: sql`${kitOrder.version} + 1` })
      .where(eq(kitOrder.id, order.id));
    await note(`${body.by} signed the fitting sheet, through the fitter’s page`, body);
    return undefined;
  });

  return router;
}
