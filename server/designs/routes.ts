import { and, desc, eq, isNotNull, sql } from 'drizzle-orm';
import { type DesignChange, designAddress } from '../../contract/design.ts';
import type { Workshop } from '../../contract/workshop.ts';
import type { DesignInputs } from '../../core/design/inputs.ts';
import { changeOfSold } from '../../core/design/soldChange.ts';
import { upgradeDesign } from '../../core/design/upgrade.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { design, event, job, person } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { RuleBroken, Stale } from '../problems.ts';
import { addDesign } from './addDesign.ts';
import { refuseImpossible } from './possible.ts';

export async function designById(tx: Db | Tx, id: string) {
  return one(
    await tx
      .select({ design, number: job.number, vehicleId: job.vehicleId })
      .from(design)
      .innerJoin(job, eq(job.id, design.jobId))
      .where(eq(design.id, id)),
    'design',
  );
}

/** A design with its job locked, read again under the lock. */
async function designForChange({ tx, job: lock }: Change, id: string) {
  const { number } = await designById(tx, id);
  await lock({ number });
  return designById(tx, id);
}

/** What a workshop reckons with goes into a new design where the design says nothing itself. */
const withPractice = (inputs: DesignInputs, { practice: { holdingG, clearanceMm } }: Workshop): DesignInputs => ({
  ...(holdingG && { holdingG }),
  ...(clearanceMm !== undefined && { clearanceMm }),
  ...inputs,
});

export const designEndpoints = [
  serve(designAddress.add, ({ change, params, body, workshop }) =>
    change(async (work) => {
      const stored = await work.job({ number: params.number });
      await refuseImpossible(work.tx, stored.vehicleId, body.inputs);
      const { id } = await addDesign(
        work,
        stored.number,
        { ...body, inputs: withPractice(body.inputs, workshop), jobId: stored.id },
        `made design ${body.name}`,
      );
      return { id };
    }),
  ),
  serve(designAddress.change, ({ change, params, body }) =>
    change(async (work) => {
      const { tx, log } = work;
      const before = await designForChange(work, params.id);
      if (before.design.version !== body.version) throw new Stale(before.design);
      await refuseImpossible(tx, before.vehicleId, body.inputs);
      if (before.design.frozenAt) {
        const all = await tx.select().from(design).where(eq(design.jobId, before.design.jobId));
        const next = changeOfSold(before.design, body, all);
        if ('made' in next) {
          const there = all.find((row) => row.id === next.made)!;
          return { version: there.version, id: there.id };
        }
        const name = next.make;
        const made = await addDesign(
          work,
          before.number,
          { jobId: before.design.jobId, name, inputs: body.inputs, followsId: before.design.id },
          `made ${name}, which follows the sold design ${before.design.name}`,
          before.design,
        );
        return { version: made.version, id: made.id };
      }
      const [after] = await tx
        .update(design)
        .set({ name: body.name, inputs: body.inputs, version: sql`${design.version} + 1` })
        .where(and(eq(design.id, params.id), eq(design.version, body.version)))
        .returning();
      if (!after) throw new Stale((await designById(tx, params.id)).design);
      await log({
        what: `changed design ${after.name}`,
        resource: 'design',
        id: after.id,
        job: before.number,
        before: before.design,
        after,
      });
      return { version: after.version, id: after.id };
    }),
  ),
  serve(designAddress.sell, ({ change, params, body, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const before = await designForChange(work, params.id);
      if (before.design.frozenAt) throw new RuleBroken('This design is sold already.');
      const [after] = await tx
        .update(design)
        .set({ frozenAt: now(), version: sql`${design.version} + 1` })
        .where(and(eq(design.id, params.id), eq(design.version, body.version)))
        .returning();
      if (!after) throw new Stale((await designById(tx, params.id)).design);
      await log({
        what: `sold design ${after.name}: frozen`,
        resource: 'design',
        id: after.id,
        job: before.number,
        before: before.design,
        after,
      });
      return { version: after.version };
    }),
  ),
  serve(designAddress.history, async ({ db, params }): Promise<DesignChange[]> => {
    const { design: stored, number } = await designById(db, params.id);
    const rows = await db
      .select({ event, by: person.name })
      .from(event)
      .innerJoin(person, eq(person.id, event.personId))
      .where(
        and(
          eq(event.jobNumber, number),
          eq(event.resource, 'design'),
          eq(event.resourceId, stored.id),
          isNotNull(event.after),
        ),
      )
      .orderBy(desc(event.id))
      .limit(200);
    return rows.map(({ event: { at, what, before, after }, by }) => {
      const { name, inputs } = after as { name: string; inputs: DesignChange['inputs'] };
      const earlier = (before as { inputs: DesignChange['inputs'] } | null)?.inputs ?? null;
      return {
        at: at.toISOString(),
        by,
        what,
        name,
        inputs: upgradeDesign(inputs),
        before: earlier && upgradeDesign(earlier),
      };
    });
  }),
];
