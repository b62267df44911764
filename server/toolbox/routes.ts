import { eq, sql } from 'drizzle-orm';
import { type ToolBody, type ToolRow, toolAddress } from '../../contract/tools.ts';
import { toCsv } from '../../wording/csv.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { tool } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { instant } from '../read/instant.ts';
import { sendCsv } from '../read/sendCsv.ts';

async function toolRows(db: Db | Tx, id: string | null = null): Promise<ToolRow[]> {
  const { rows } = await db.execute<ToolRow & Record<string, unknown>>(sql`
    select t.id, t.kind, t.name, t.number, t.calibrated, t.calibrated_until::text as "calibratedUntil", t.paper, t.kept,
      t.held_by_id as "heldById", p.name as "heldBy", ${instant('t.held_at')} as "heldAt", t.out_why as "outWhy", t.version,
      (select count(*)::int from stage s join job j on j.id = s.job_id where t.kind = any(s.tools) and s.state <> 'done'
        and j.state not in ('handedOver', 'cancelled')) as wanted
    from tool t left join person p on p.id = t.held_by_id
    where ${id === null ? sql`true` : sql`t.id = ${id}`} order by t.kind, t.name, t.number`);
  return rows;
}

const HEAD = ['Kind', 'Name', 'Number', 'Calibration holds until', 'Certificate', 'Kept in', 'With', 'Not to be had'];

/** One of its kind with this number, and calibrated things say until when, or that nobody knows. */
async function holdBody(tx: Tx, body: ToolBody, id: string | null): Promise<void> {
  if (!body.calibrated && body.calibratedUntil !== null)
    throw new BadInput({ calibratedUntil: 'It is not calibrated: leave this empty, or say that it is.' });
  if (body.number === '') return;
  const { rows } = await tx.execute<{ id: string; name: string }>(
    sql`select id, name from tool where kind = ${body.kind} and lower(number) = lower(${body.number})`,
  );
  const other = rows.find((row) => row.id !== id);
  if (other) throw new BadInput({ number: `${other.name} has this number already.` });
}

async function lockTool(tx: Tx, id: string, version: number) {
  const stored = one(await tx.select().from(tool).where(eq(tool.id, id)).for('update'), 'tool');
  if (stored.version !== version) throw new Stale((await toolRows(tx, id))[0]);
  return stored;
}

export const toolEndpoints = [
  serve(toolAddress.list, ({ db }) => toolRows(db)),
  serve(toolAddress.table, async ({ db, res }) =>
    sendCsv(
      res,
      'tools.csv',
      toCsv(
        HEAD,
        (await toolRows(db)).map((row) => [
          ...[row.kind, row.name, row.number, row.calibratedUntil, row.paper, row.kept, row.heldBy, row.outWhy],
        ]),
      ),
    ),
  ),
  serve(toolAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      // One at a time: of two with the same number the second is told.
      await tx.execute(sql`select pg_advisory_xact_lock(4417052)`);
      await holdBody(tx, body, null);
      const { id } = made(await tx.insert(tool).values(body).returning());
      await log({ what: `entered ${body.name} among the tools`, resource: 'tool', id, after: body });
      return { id };
    }),
  ),
  serve(toolAddress.change, ({ change, params, body: { version: seen, ...body } }) =>
    change(async ({ tx, log }) => {
      await tx.execute(sql`select pg_advisory_xact_lock(4417052)`);
      const stored = await lockTool(tx, params.id, seen);
      await holdBody(tx, body, stored.id);
      const version = seen + 1;
      await tx
        .update(tool)
        .set({ ...body, version })
        .where(eq(tool.id, stored.id));
      const what =
        body.calibratedUntil !== stored.calibratedUntil
          ? `${body.name}: calibration holds until ${body.calibratedUntil ?? 'nobody knows'}`
          : `changed what is known of ${body.name}`;
      await log({ what, resource: 'tool', id: stored.id, before: stored, after: body });
      return { version };
    }),
  ),
  serve(toolAddress.hold, ({ change, params, body, person, now }) =>
    change(async ({ tx, log }) => {
      const stored = await lockTool(tx, params.id, body.version);
      if (body.taken && stored.outWhy !== null) throw new RuleBroken(`It is not to be had: ${stored.outWhy}.`);
      const version = stored.version + 1;
      const held = body.taken ? { heldById: person.id, heldAt: now() } : { heldById: null, heldAt: null };
      await tx
        .update(tool)
        .set({ ...held, version })
        .where(eq(tool.id, stored.id));
      const what = body.taken ? `took ${stored.name}` : `brought ${stored.name} back`;
      await log({ what, resource: 'tool', id: stored.id, after: { by: person.name } });
      return { version };
    }),
  ),
  serve(toolAddress.out, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const stored = await lockTool(tx, params.id, body.version);
      const version = stored.version + 1;
      await tx
        .update(tool)
        .set({ outWhy: body.why, heldById: null, heldAt: null, version })
        .where(eq(tool.id, stored.id));
      const what = body.why ? `${stored.name} is not to be had: ${body.why}` : `${stored.name} is to be had again`;
      await log({ what, resource: 'tool', id: stored.id, after: body });
      return { version };
    }),
  ),
];
