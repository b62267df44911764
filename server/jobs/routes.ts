import { and, eq, ne, sql } from 'drizzle-orm';
import { datePastProblem } from '../../contract/brief.ts';
import {
  chooseSchema,
  coverSchema,
  decisionSchema,
  kitChoiceSchema,
  newJobSchema,
  placeSchema,
} from '../../contract/job.ts';
import { USUAL_USE, useChangeSchema } from '../../contract/use.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import {
  briefLine,
  client,
  design,
  job,
  kitRevision,
  place,
  variant,
  vehicle,
  verdictDecision,
} from '../db/schema/index.ts';
import { endpoint } from '../endpoint.ts';
import { badInput, ruleBroken } from '../problems.ts';
import { jobByNumber, jobRows, jobSheet } from './queries.ts';
import { changeJob } from './versioned.ts';

export const jobEndpoints = [
  endpoint({ method: 'get', path: '/jobs', may: 'viewer', answer: ({ db }) => jobRows(db) }),
  endpoint({
    method: 'get',
    path: '/jobs/:number',
    may: 'viewer',
    answer: ({ db, params }) => jobSheet(db, params.number!),
  }),
  endpoint({
    method: 'post',
    path: '/jobs',
    may: 'manager',
    body: newJobSchema,
    answer: ({ change, body, today }) =>
      change(async ({ tx, log }) => {
        const [known] = await tx.select({ sheet: variant.sheet }).from(variant).where(eq(variant.id, body.variantId));
        if (!known) throw badInput({ variantId: 'Choose a model from the library.' });
        const { yearFrom, yearTo } = known.sheet;
        if (body.builtYear < yearFrom - 1 || body.builtYear > yearTo + 1) {
          throw badInput({
            builtYear: `This variant was built from ${yearFrom} to ${yearTo}. Correct the year or choose another variant.`,
          });
        }
        body.brief.forEach((line, i) => {
          const past = datePastProblem(line, dayNumber(today));
          if (past) throw badInput({ [`brief.${i}.amount`]: past });
        });
        const [owner] = await tx
          .insert(client)
          .values({ name: body.clientName, contact: body.clientContact })
          .returning();
        const [made] = await tx
          .insert(vehicle)
          .values({
            clientId: owner!.id,
            variantId: body.variantId,
            name: body.title,
            chassisNumber: body.chassisNumber.toUpperCase(),
            registration: body.registration,
            builtYear: body.builtYear,
            colour: body.colour,
          })
          .returning();
        // The lock keeps two new jobs of the same moment from taking one number.
        await tx.execute(sql`select pg_advisory_xact_lock(4417027)`);
        const year = today.slice(2, 4);
        const { rows } = await tx.execute<{ last: number | null }>(
          sql`select max(split_part(number, '-', 2)::int) as last from job where number like ${`${year}-%`}`,
        );
        const number = `${year}-${String((rows[0]?.last ?? 0) + 1).padStart(3, '0')}`;
        const [row] = await tx
          .insert(job)
          .values({ number, vehicleId: made!.id, state: 'enquiry', use: USUAL_USE, placeId: null })
          .returning();
        if (body.brief.length > 0) {
          await tx
            .insert(briefLine)
            .values(body.brief.map((line, position) => ({ ...line, position, jobId: row!.id })));
        }
        await log({ what: 'opened the job', resource: 'job', id: row!.id, job: number, after: body });
        return { number };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/jobs/:number/use',
    may: 'manager',
    body: useChangeSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const { before, after } = await changeJob(tx, params.number!, body.version, { use: body.use });
        await log({
          what: 'changed the use',
          resource: 'job',
          id: after.id,
          job: after.number,
          before: before.use,
          after: after.use,
        });
        return { version: after.version };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/jobs/:number/place',
    may: 'manager',
    body: placeSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const { version, ...set } = body;
        if (set.placeId) {
          const [to] = await tx.select().from(place).where(eq(place.id, set.placeId)).for('update');
          if (!to) throw badInput({ placeId: 'There is no such place.' });
          const [there] = await tx
            .select({ number: job.number, title: vehicle.name })
            .from(job)
            .innerJoin(vehicle, eq(vehicle.id, job.vehicleId))
            .where(and(eq(job.placeId, to.id), ne(job.number, params.number!)));
          if (to.kind === 'bay' && there)
            throw badInput({ placeId: `${to.name} holds ${there.number} ${there.title}. Move that first.` });
        }
        const { before, after } = await changeJob(tx, params.number!, version, set);
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
  }),
  endpoint({
    method: 'put',
    path: '/jobs/:number/kit',
    may: 'manager',
    body: kitChoiceSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        if (body.revisionId) {
          const [revision] = await tx.select().from(kitRevision).where(eq(kitRevision.id, body.revisionId));
          if (!revision) throw badInput({ revisionId: 'There is no such kit revision.' });
          if (revision.state === 'withdrawn') throw ruleBroken('This revision is withdrawn. Choose a released one.');
          const unknown = body.options.find((option) => !revision.body.options.some((known) => known.id === option));
          if (unknown) throw badInput({ options: 'This kit has no such option.' });
        }
        const set = { kitRevisionId: body.revisionId, kitOptions: [...body.options] };
        const { before, after } = await changeJob(tx, params.number!, body.version, set);
        await log({
          what: body.revisionId ? 'took a kit' : 'dropped the kit',
          resource: 'job',
          id: after.id,
          job: after.number,
          before: before.kitRevisionId,
          after: set,
        });
        return { version: after.version };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/jobs/:number/chosen-design',
    may: 'manager',
    body: chooseSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        const [own] = await tx
          .select()
          .from(design)
          .where(and(eq(design.id, body.designId), eq(design.jobId, stored.id)));
        if (!own) throw badInput({ designId: 'This job has no such design.' });
        const set = { chosenDesignId: own.id, ...(stored.state === 'enquiry' ? { state: 'sizing' as const } : {}) };
        const { after } = await changeJob(tx, params.number!, body.version, set);
        await log({
          what: `chose design ${own.name}`,
          resource: 'job',
          id: after.id,
          job: after.number,
          before: stored.chosenDesignId,
          after: own.id,
        });
        return { version: after.version };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/jobs/:number/cover',
    may: 'technician',
    body: coverSchema,
    answer: ({ change, params, body }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        const { [body.function]: before, ...rest } = stored.cover;
        const cover = body.way ? { ...rest, [body.function]: { way: body.way, why: body.why } } : rest;
        await tx
          .update(job)
          .set({ cover, version: sql`${job.version} + 1` })
          .where(eq(job.id, stored.id));
        await log({
          what: `settled how ${body.function} is covered`,
          resource: 'job',
          id: stored.id,
          job: stored.number,
          before,
          after: body,
        });
        return { function: body.function };
      }),
  }),
  endpoint({
    method: 'post',
    path: '/jobs/:number/decisions',
    may: 'manager',
    body: decisionSchema,
    answer: ({ change, params, body, person }) =>
      change(async ({ tx, log }) => {
        const stored = await jobByNumber(tx, params.number!);
        await tx.insert(verdictDecision).values({ ...body, jobId: stored.id, byId: person.id });
        await log({ what: `decided on ${body.rule}`, resource: 'job', id: stored.id, job: stored.number, after: body });
        return { rule: body.rule };
      }),
  }),
];
