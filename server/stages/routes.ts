import { and, eq, isNull } from 'drizzle-orm';
import { stageAddress } from '../../contract/stages.ts';
import { kitStages } from '../../core/kit/kit.ts';
import { made, one } from '../db/one.ts';
import { kitRevision, snag, stage, step, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { RuleBroken } from '../problems.ts';
import { addAcceptedBefore } from '../read/additionStages.ts';
import { takeInEarlier } from '../read/fitWork.ts';
import { clockOff, clockOn } from './clock.ts';
import { confirmLive, decideReading, finishStage, takeReading } from './stageWork.ts';

export const buildEndpoints = [
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
      const template = kitStages(revision.body, variantId, stored.kitOptions);
      const rows = await tx
        .insert(stage)
        .values(
          template.map(({ steps: _, appliesWhen: __, ...own }, position) => ({
            ...own,
            skill: own.skill ?? '',
            after: [...own.after],
            traits: [...own.traits],
            position,
            jobId: stored.id,
          })),
        )
        .returning();
      const steps = rows.flatMap((row, i) =>
        template[i]!.steps.map(({ text, note, limit }, position) => ({
          stageId: row.id,
          position,
          text,
          note,
          limitMin: limit?.min ?? null,
          limitMax: limit?.max ?? null,
          limitKind: limit?.kind ?? null,
          limitSource: limit?.source ?? '',
        })),
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
  serve(stageAddress.clockOn, ({ change, params, body, person, now, today }) =>
    change((c) => clockOn(c, params.id, person, body, now(), today)),
  ),
  serve(stageAddress.clockOff, ({ change, person, now, today }) => change((c) => clockOff(c, person, now(), today))),
  serve(stageAddress.confirmLive, ({ change, params, person, now, today }) =>
    change((c) => confirmLive(c, params.id, person, now(), today)),
  ),
  serve(stageAddress.read, ({ change, params, body, person, now, today }) =>
    change((c) => takeReading(c, params.id, body.value, person, now(), today)),
  ),
  serve(stageAddress.decideReading, ({ change, params, body, person, now }) =>
    change((c) => decideReading(c, params.id, body.reason, person, now())),
  ),
  serve(stageAddress.finish, ({ change, params, body, person, now, today }) =>
    change((c) => finishStage(c, params.id, body.version, person, now(), today)),
  ),
  serve(stageAddress.noteSnag, ({ change, params, body, person }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const row = made(
        await tx.insert(snag).values({ jobId: stored.id, text: body.text, byId: person.id }).returning(),
      );
      await log({ what: 'noted a snag', resource: 'snag', id: row.id, job: stored.number, after: row });
      return { id: row.id };
    }),
  ),
  serve(stageAddress.closeSnag, ({ change, params, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const open = one(await tx.select({ jobId: snag.jobId }).from(snag).where(eq(snag.id, params.id)), 'snag');
      const own = await lock({ id: open.jobId });
      const [row] = await tx
        .update(snag)
        .set({ closedById: person.id, closedAt: now() })
        .where(and(eq(snag.id, params.id), isNull(snag.closedAt)))
        .returning();
      if (!row) throw new RuleBroken('This snag is put right already.');
      await log({ what: 'put a snag right', resource: 'snag', id: row.id, job: own.number, after: row });
      return { id: row.id };
    }),
  ),
];
