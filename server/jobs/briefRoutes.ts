import { and, eq, isNull, max } from 'drizzle-orm';
import { type BriefLineBody, briefAddress, datePastProblem } from '../../contract/brief.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import type { Change } from '../change.ts';
import { made, one } from '../db/one.ts';
import { briefLine } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, Stale } from '../problems.ts';

function refusePast(line: BriefLineBody, today: string): void {
  const past = datePastProblem(line, dayNumber(today));
  if (past) throw new BadInput({ amount: past });
}

/** A line that was not dropped, with its job locked. */
async function lineForChange({ tx, job: lock }: Change, id: string) {
  const { jobId } = one(
    await tx.select({ jobId: briefLine.jobId }).from(briefLine).where(eq(briefLine.id, id)),
    'line of the brief',
  );
  const { number } = await lock({ id: jobId });
  const line = one(
    await tx
      .select()
      .from(briefLine)
      .where(and(eq(briefLine.id, id), isNull(briefLine.droppedAt))),
    'line of the brief',
  );
  return { line, number };
}

export const briefEndpoints = [
  serve(briefAddress.add, ({ change, params, body, today }) =>
    change(async ({ tx, log, job: lock }) => {
      refusePast(body, today);
      const stored = await lock({ number: params.number });
      const [last] = await tx
        .select({ position: max(briefLine.position) })
        .from(briefLine)
        .where(eq(briefLine.jobId, stored.id));
      const row = made(
        await tx
          .insert(briefLine)
          .values({ ...body, jobId: stored.id, position: (last?.position ?? 0) + 1 })
          .returning(),
      );
      await log({
        what: 'added a line to the brief',
        resource: 'brief',
        id: row.id,
        job: stored.number,
        after: row,
      });
      return { id: row.id };
    }),
  ),
  serve(briefAddress.change, ({ change, params, body: { version, ...body }, today }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { line, number } = await lineForChange(work, params.id);
      if (line.version !== version) throw new Stale(line);
      if (body.amount !== line.amount) refusePast(body, today);
      const after = made(
        await tx
          .update(briefLine)
          .set({ ...body, version: version + 1 })
          .where(eq(briefLine.id, line.id))
          .returning(),
      );
      await log({
        what: 'changed a line of the brief',
        resource: 'brief',
        id: line.id,
        job: number,
        before: line,
        after,
      });
      return { version: after.version };
    }),
  ),
  serve(briefAddress.drop, ({ change, params, body, now }) =>
    change(async (work) => {
      const { tx, log } = work;
      const { line, number } = await lineForChange(work, params.id);
      if (line.version !== body.version) throw new Stale(line);
      await tx
        .update(briefLine)
        .set({ droppedAt: now(), version: line.version + 1 })
        .where(eq(briefLine.id, line.id));
      await log({ what: 'dropped a line of the brief', resource: 'brief', id: line.id, job: number, before: line });
      return { id: line.id };
    }),
  ),
];
