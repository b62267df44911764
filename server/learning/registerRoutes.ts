import { eq } from 'drizzle-orm';
import { registerAddress } from '../../contract/register.ts';
import { made, one } from '../db/one.ts';
import { job, registerEntry } from '../db/schema/index.ts';
import { printFor } from '../documents/printFor.ts';
import { serve } from '../endpoint.ts';
import { RuleBroken, Stale } from '../problems.ts';
import { registerOf } from '../read/register.ts';

export const registerEndpoints = [
  serve(registerAddress.note, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const row = made(
        await tx
          .insert(registerEntry)
          .values({ ...body, jobId: stored.id, vehicleId: stored.vehicleId, byId: person.id, at: now() })
          .returning(),
      );
      await log({ what: 'wrote into the register', resource: 'register', id: row.id, job: stored.number, after: body });
      return { id: row.id };
    }),
  ),
  serve(registerAddress.undone, ({ change, params, body, person, now }) =>
    change(async ({ tx, log, job: lock }) => {
      const seen = one(await tx.select().from(registerEntry).where(eq(registerEntry.id, params.id)), 'entry');
      // By the newest open job of the vehicle: what is undone is undone now, not in the job that did it.
      const jobs = await tx.select().from(job).where(eq(job.vehicleId, seen.vehicleId));
      const newest = jobs.sort((a, b) => b.createdAt.getTime() - a.createdAt.getTime())[0]!;
      const own = await lock({ number: newest.number });
      const stored = one(
        await tx.select().from(registerEntry).where(eq(registerEntry.id, params.id)).for('update'),
        'entry',
      );
      if (stored.version !== body.version) throw new Stale(stored);
      if (stored.undoneAt) throw new RuleBroken('This was undone already.');
      const version = stored.version + 1;
      await tx
        .update(registerEntry)
        .set({ undoneAt: now(), undoneById: person.id, undoneHow: body.how, version })
        .where(eq(registerEntry.id, stored.id));
      await log({
        what: `undid “${stored.what}”`,
        resource: 'register',
        id: stored.id,
        job: own.number,
        before: { undone: false },
        after: body,
      });
      return { version };
    }),
  ),
  serve(registerAddress.wayBack, async ({ db, params, press, workshop, person, now, res }) => {
    const { vehicle, entries } = await registerOf(db, params.id);
    const pdf = await press.print({ paper: 'wayBack', vehicle, entries, print: printFor(workshop, person, now()) });
    res.type('application/pdf').setHeader('Content-Disposition', 'attachment; filename="way-back.pdf"').send(pdf);
    return undefined;
  }),
];
