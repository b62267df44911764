import { and, eq, isNull, sql } from 'drizzle-orm';
import { type StageChoice, stageAddress } from '../../contract/stages.ts';
import { kitStages } from '../../core/kit/kit.ts';
import { withAdopted } from '../../core/learning/learnt.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import { made, one } from '../db/one.ts';
import { kitRevision, snag, stage, step, vehicle } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { sendPdf } from '../documents/sendPdf.ts';
import { serve } from '../endpoint.ts';
import { RuleBroken } from '../problems.ts';
import { addAcceptedBefore } from '../read/additionStages.ts';
import { adoptedEstimates } from '../read/estimates.ts';
import { takeInEarlier } from '../read/fitWork.ts';
import { headOf } from '../read/sheet.ts';
import { stepValues } from '../read/stepValues.ts';
import { clockOff, clockOn } from './clock.ts';
import { confirmLive, decideReading, finishStage, signSecond, takeReading } from './stageWork.ts';

export const buildEndpoints = [
  serve(stageAddress.toChoose, async ({ db }) => {
    const { rows } = await db.execute<StageChoice & Record<string, unknown>>(sql`
      select s.id, s.name, j.number as "jobNumber" from stage s join job j on j.id = s.job_id
      where j.state not in ('handedOver', 'cancelled') or s.finished_at > now() - interval '62 days'
      order by j.number, s.position`);
    return rows;
  }),
  serve(stageAddress.makeFromKit, ({ change, params }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [revision] = stored.kitRevisionId
        ? await tx.select().from(kitRevision).where(eq(kitRevision.id, stored.kitRevisionId))
        : [];
      if (!revision) throw new RuleBroken('Take a kit in Match first: the stages come from its template.');
      const { variantId } = one(
        await tx.select({ variantId: vehicle.variantId }).from(vehicle).where(eq(vehicle.id, stored.vehicleId)),
        'vehicle',
      );
      const template = withAdopted(
        kitStages(revision.body, variantId, stored.kitOptions),
        await adoptedEstimates(tx, revision.kitId),
        rootOf(variantId),
      );
      const rows = await tx
        .insert(stage)
        .values(
          template.map(({ steps: _, appliesWhen: __, ...own }, position) => ({
            ...own,
            skill: own.skill ?? '',
            after: [...own.after],
            traits: [...own.traits],
            tools: [...(own.tools ?? [])],
            position,
            jobId: stored.id,
          })),
        )
        .returning();
      const steps = rows.flatMap((row, i) =>
        template[i]!.steps.map((own, position) => ({ ...stepValues(own), stageId: row.id, position })),
      );
      if (steps.length > 0) await tx.insert(step).values(steps);
      await takeInEarlier(tx, stored);
      await addAcceptedBefore(tx, stored.id);
      await log({
        what: 'made the stages',
        resource: 'stage',
        id: stored.id,
        job: stored.number,
        after: { stages: rows.length },
      });
      return { stages: rows.length };
    }),
  ),
  serve(stageAddress.clockOn, ({ change, params, body, person: who, madeAt: at, today, workshop }) =>
    change((c) => clockOn(c, params.id, { who, body, at, today, workshop })),
  ),
  serve(stageAddress.clockOff, ({ change, body, person: who, madeAt: at, today, workshop }) =>
    change((c) => clockOff(c, { who, body, at, today, workshop })),
  ),
  serve(stageAddress.confirmLive, ({ change, params, person, now, today }) =>
    change((c) => confirmLive(c, params.id, person, now(), today)),
  ),
  serve(stageAddress.read, ({ change, params, body, person: who, madeAt: at, workshop }) =>
    change((c) => takeReading(c, params.id, { who, body, at, workshop })),
  ),
  serve(stageAddress.decideReading, ({ change, params, body, person, now }) =>
    change((c) => decideReading(c, params.id, body.reason, person, now())),
  ),
  serve(stageAddress.second, ({ change, params, person, now }) =>
    change((c) => signSecond(c, params.id, person, now())),
  ),
  serve(stageAddress.finish, ({ change, params, body, person: who, madeAt: at, now, workshop }) =>
    change((c) => finishStage(c, params.id, { who, body, at, workshop }, now())),
  ),
  serve(stageAddress.card, async ({ db, params, workshop, person, now, press, res }) => {
    const { title } = await headOf(db, { number: params.number });
    // The address somebody reached the workshop at is the one their tablet reaches it at.
    const { req } = res;
    const code = `${req.protocol}://${req.get('host') ?? 'localhost'}/jobs/${params.number}/bench`;
    const label = { title: params.number, says: title, code, for: 'scan to open its bench', beside: workshop.name };
    const print = printFor(workshop, person, now());
    const pdf = await press.print({
      ...{ paper: 'stockLabels', title: `Job card ${params.number}`, labels: [label], print },
    });
    return sendPdf(res, `${params.number}-card.pdf`, pdf);
  }),
  serve(stageAddress.noteSnag, ({ change, params, body, person, madeAt }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const row = made(
        await tx.insert(snag).values({ jobId: stored.id, text: body.text, byId: person.id, at: madeAt }).returning(),
      );
      await log({ what: 'noted a snag', resource: 'snag', id: row.id, job: stored.number, after: row });
      return { id: row.id };
    }),
  ),
  serve(stageAddress.closeSnag, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const open = one(await tx.select({ jobId: snag.jobId }).from(snag).where(eq(snag.id, params.id)), 'snag');
      const own = await lock({ id: open.jobId });
      const [row] = await tx
        .update(snag)
        .set({
          ...{ closedById: person.id, closedAt: now(), closedHow: body.how },
          ...{ cause: body.cause, costHours: body.costHours, costCents: body.costCents },
        })
        .where(and(eq(snag.id, params.id), isNull(snag.closedAt)))
        .returning();
      if (!row) throw new RuleBroken('This snag is put right already.');
      await log({ what: 'put a snag right', resource: 'snag', id: row.id, job: own.number, after: row });
      return { id: row.id };
    }),
  ),
];
