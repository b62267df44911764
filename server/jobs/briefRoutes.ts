import { and, eq, isNull, max, sql } from 'drizzle-orm';
import { type BriefLineBody, briefLineChangeSchema, briefLineSchema, datePastProblem } from '../../contract/brief.ts';
import { versionSchema } from '../../contract/build.ts';
import { dayNumber } from '../../core/quantity/format.ts';
import type { Tx } from '../db/connect.ts';
import { briefLine, job } from '../db/schema/index.ts';
import { endpoint } from '../endpoint.ts';
import { badInput, notFound, stale } from '../problems.ts';
import { jobByNumber } from './queries.ts';

function refusePast(line: BriefLineBody, today: string): void {
  const past = datePastProblem(line, dayNumber(today));
  if (past) throw badInput({ amount: past });
}

async function lineById(tx: Tx, id: string) {
  const [row] = await tx
    .select({ line: briefLine, number: job.number })
    .from(briefLine)
    .innerJoin(job, eq(job.id, briefLine.jobId))
    .where(and(eq(briefLine.id, id), isNull(briefLine.droppedAt)));
  if (!row) throw notFound('line of the brief');
  return row;
}

export const briefEndpoints = [
  endpoint({
    method: 'post',
    path: '/jobs/:number/brief',
    may: 'manager',
    body: briefLineSchema,
    answer: ({ change, params, body, today }) =>
      change(async ({ tx, log }) => {
        refusePast(body, today);
        const stored = await jobByNumber(tx, params.number!);
        const [last] = await tx
          .select({ position: max(briefLine.position) })
          .from(briefLine)
          .where(eq(briefLine.jobId, stored.id));
        const [row] = await tx
          .insert(briefLine)
          .values({ ...body, jobId: stored.id, position: (last?.position ?? 0) + 1 })
          .returning();
        await log({
          what: 'added a line to the brief',
          resource: 'brief',
          id: row!.id,
          job: stored.number,
          after: row,
        });
        return { id: row!.id };
      }),
  }),
  endpoint({
    method: 'put',
    path: '/brief/:id',
    may: 'manager',
    body: briefLineChangeSchema,
    answer: ({ change, params, body: { version, ...body }, today }) =>
      change(async ({ tx, log }) => {
        const { line, number } = await lineById(tx, params.id!);
        if (body.amount !== line.amount) refusePast(body, today);
        const [after] = await tx
          .update(briefLine)
          .set({ ...body, version: sql`${briefLine.version} + 1` })
          .where(and(eq(briefLine.id, line.id), eq(briefLine.version, version)))
          .returning();
        if (!after) throw stale((await lineById(tx, params.id!)).line);
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
  }),
  endpoint({
    method: 'delete',
    path: '/brief/:id',
    may: 'manager',
    body: versionSchema,
    answer: ({ change, params, body, now }) =>
      change(async ({ tx, log }) => {
        const { line, number } = await lineById(tx, params.id!);
        if (line.version !== body.version) throw stale(line);
        await tx.update(briefLine).set({ droppedAt: now() }).where(eq(briefLine.id, line.id));
        await log({ what: 'dropped a line of the brief', resource: 'brief', id: line.id, job: number, before: line });
        return { id: line.id };
      }),
  }),
];
