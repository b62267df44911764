import { and, eq, ne, notInArray, sql } from 'drizzle-orm';
import { datePastProblem } from '../../contract/brief.ts';
import { JOB_PIECES, type JobPiece, jobsAddress } from '../../contract/job.ts';
import { jobAddress, type NewJob } from '../../contract/jobChange.ts';
import { vehicleUseAddress } from '../../contract/use.ts';
import { moveRefusal } from '../../core/job/stateMoves.ts';
import { isOpen, stateAfterChoice } from '../../core/job/states.ts';
import { USUAL_USE } from '../../core/job/usualUse.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import { toCsv } from '../../wording/csv.ts';
import { moveSentence } from '../../wording/job.ts';
import { JOB_STATE_NAME } from '../../wording/work.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { briefLine, client, design, job, place, variant, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { refuseUnagreedDesign } from '../read/agreed.ts';
import { EVENT_HEADS, eventCells, eventsOf } from '../read/events.ts';
import { jobRows } from '../read/jobs.ts';
import { releaseParts } from '../read/releaseParts.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { pieceText, sheetText } from '../read/sheet.ts';
import { movableJob } from './movable.ts';
import { changeJob } from './versioned.ts';

/** One vehicle to a bay. The place is locked, so that two vehicles cannot take it at the same moment. */
async function refuseTaken(tx: Tx, placeId: string, number: string): Promise<void> {
  const [to] = await tx.select().from(place).where(eq(place.id, placeId)).for('no key update');
  if (!to || to.closed) throw new BadInput({ placeId: 'There is no such place.' });
  const [there] = await tx
    .select({ number: job.number, title: vehicle.name })
    .from(job)
    .innerJoin(vehicle, eq(vehicle.id, job.vehicleId))
    .where(and(eq(job.placeId, to.id), ne(job.number, number)));
  if (to.kind === 'bay' && there)
    throw new BadInput({ placeId: `${to.name} holds ${there.number} ${there.title}. Move that first.` });
}

/** A vehicle that has been here before; one job of it is worked on at a time. */
async function knownVehicle(tx: Tx, id: string) {
  const [known] = await tx.select().from(vehicle).where(eq(vehicle.id, id)).for('update');
  if (!known) throw new BadInput({ vehicleId: 'Choose a vehicle that is known here.' });
  const [open] = await tx
    .select({ number: job.number })
    .from(job)
    .where(and(eq(job.vehicleId, id), notInArray(job.state, ['handedOver', 'cancelled'])));
  if (open) throw new BadInput({ vehicleId: `${open.number} is still worked on: one job of a vehicle at a time.` });
  return known;
}

/** A vehicle that is new here, of a client who may be known. */
async function newVehicle(tx: Tx, body: NewJob) {
  const clientId = body.clientId ?? null;
  const [known] =
    clientId === null ? [] : await tx.select().from(client).where(eq(client.id, clientId)).for('key share');
  if (clientId !== null && (!known || known.removedAt))
    throw new BadInput({ clientId: 'Choose a client that is known here.' });
  const owner =
    known ?? made(await tx.insert(client).values({ name: body.clientName, contact: body.clientContact }).returning());
  return made(
    await tx
      .insert(vehicle)
      .values({
        clientId: owner.id,
        variantId: body.variantId,
        name: body.title,
        chassisNumber: body.chassisNumber.toUpperCase(),
        registration: body.registration,
        builtYear: body.builtYear,
        colour: body.colour,
      })
      .returning(),
  );
}

export const jobEndpoints = [
  serve(jobsAddress.list, ({ db }) => jobRows(db)),
  serve(jobsAddress.whole, async ({ db, params, res }) => {
    return (await sheetText(db, params.number)).sendTo(res);
  }),
  serve(jobsAddress.events, ({ db, params }) => eventsOf(db, params.number)),
  serve(jobsAddress.eventTable, async ({ db, params, res }) => {
    const rows = await eventsOf(db, params.number, null);
    return sendCsv(res, `${params.number}-history.csv`, toCsv(EVENT_HEADS, rows.map(eventCells)));
  }),
  ...JOB_PIECES.map((piece) =>
    serve<`/jobs/:number/${JobPiece}`, undefined, unknown>(jobsAddress[piece], async ({ db, params, res }) => {
      return (await pieceText(db, params.number, piece)).sendTo(res);
    }),
  ),
  serve(jobAddress.open, ({ change, body, today, workshop }) =>
    change(async ({ tx, log }) => {
      const [known] = await tx.select({ sheet: variant.sheet }).from(variant).where(eq(variant.id, body.variantId));
      if (!known) throw new BadInput({ variantId: 'Choose a model from the library.' });
      const { yearFrom, yearTo } = known.sheet;
      if (!body.vehicleId && (body.builtYear < yearFrom - 1 || body.builtYear > yearTo + 1)) {
        throw new BadInput({
          builtYear: `This variant was built from ${yearFrom} to ${yearTo}. Correct the year or choose another variant.`,
        });
      }
      body.brief.forEach((line, i) => {
        const past = datePastProblem(line, dayNumber(today));
        if (past) throw new BadInput({ [`brief.${i}.amount`]: past });
      });
      const own = body.vehicleId ? await knownVehicle(tx, body.vehicleId) : await newVehicle(tx, body);
      // The lock keeps two new jobs of the same moment from taking one number.
      await tx.execute(sql`select pg_advisory_xact_lock(4417027)`);
      const year = today.slice(2, 4);
      const { rows } = await tx.execute<{ last: number | null }>(
        sql`select max(split_part(number, '-', 2)::int) as last from job where number like ${`${year}-%`}`,
      );
      const number = `${year}-${String((rows[0]?.last ?? practiceOf(workshop.practice).firstJobNumber - 1) + 1).padStart(3, '0')}`;
      const row = made(
        await tx
          .insert(job)
          .values({ number, vehicleId: own.id, state: 'enquiry', use: USUAL_USE, placeId: null })
          .returning(),
      );
      if (body.brief.length > 0) {
        await tx.insert(briefLine).values(body.brief.map((line, position) => ({ ...line, position, jobId: row.id })));
      }
      await log({ what: 'opened the job', resource: 'job', id: row.id, job: number, after: body });
      return { number };
    }),
  ),
  serve(vehicleUseAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log, job: lock }) => {
      const before = await lock({ number: params.number });
      if (before.useVersion !== body.version) throw new Stale({ use: before.use, version: before.useVersion });
      const version = before.useVersion + 1;
      await tx.update(job).set({ use: body.use, useVersion: version }).where(eq(job.id, before.id));
      await log({
        what: 'changed the use',
        resource: 'use',
        id: before.id,
        job: before.number,
        before: before.use,
        after: body.use,
      });
      return { version };
    }),
  ),
  serve(jobAddress.move, ({ change, params, body }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { version, ...set } = body;
      const { before, after } = await changeJob(work, params.number, version, async (stored) => {
        if (!isOpen(stored.state) && set.promised !== stored.promised)
          throw new BadInput({ promised: `${stored.number} is closed: only where the vehicle stands can change.` });
        if (set.placeId) await refuseTaken(tx, set.placeId, stored.number);
        return set;
      });
      const { placeId, promised } = before;
      await log({
        what: 'moved the vehicle',
        resource: 'job',
        id: after.id,
        job: after.number,
        before: { placeId, promised },
        after: set,
      });
      return { version: after.version };
    }),
  ),
  serve(jobAddress.state, ({ change, params, body, workshop }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { state, reason } = body;
      const { before, after } = await changeJob(work, params.number, body.version, async (stored) => {
        const movable = await movableJob(tx, stored, workshop);
        const refusal = moveRefusal(movable, state, reason);
        const sentence = refusal && moveSentence(stored.number, refusal, movable.clockedOn);
        if (refusal === 'reasonNeeded') throw new BadInput({ reason: sentence! });
        if (sentence) throw new RuleBroken(sentence);
        await releaseParts(tx, stored.id, state);
        return { state };
      });
      const what = `took the job from ${JOB_STATE_NAME[before.state].toLowerCase()} to ${JOB_STATE_NAME[state].toLowerCase()}`;
      await log({
        what: reason ? `${what}: ${reason}` : what,
        resource: 'job',
        id: after.id,
        job: after.number,
        before: { state: before.state },
        after: { state, reason },
      });
      return { version: after.version };
    }),
  ),
  serve(jobAddress.chooseDesign, ({ change, params, body }) =>
    change(async (work) => {
      const { tx, log } = work;
      let name = '';
      const { before, after } = await changeJob(work, params.number, body.version, async (stored) => {
        const [own] = await tx
          .select()
          .from(design)
          .where(and(eq(design.id, body.designId), eq(design.jobId, stored.id)));
        if (!own) throw new BadInput({ designId: 'This job has no such design.' });
        await refuseUnagreedDesign(tx, stored, own.id);
        name = own.name;
        return { chosenDesignId: own.id, state: stateAfterChoice(stored.state) };
      });
      await log({
        what: `chose design ${name}`,
        resource: 'job',
        id: after.id,
        job: after.number,
        before: before.chosenDesignId,
        after: after.chosenDesignId,
      });
      return { version: after.version };
    }),
  ),
];
