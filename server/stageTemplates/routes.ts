import { and, asc, eq, isNull, sql } from 'drizzle-orm';
import { type StageTemplateRow, stageTemplateAddress } from '../../contract/stageTemplates.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { stageTemplate } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, Stale } from '../problems.ts';

const rows = (db: Db | Tx): Promise<StageTemplateRow[]> =>
  db
    .select({
      id: stageTemplate.id,
      name: stageTemplate.name,
      stages: stageTemplate.stages,
      lent: stageTemplate.lent,
      version: stageTemplate.version,
    })
    .from(stageTemplate)
    .where(isNull(stageTemplate.droppedAt))
    .orderBy(asc(stageTemplate.name));

/** A template, locked and as it was seen. */
async function lockTemplate(tx: Tx, id: string, version: number) {
  const stored = one(
    await tx
      .select()
      .from(stageTemplate)
      .where(and(eq(stageTemplate.id, id), isNull(stageTemplate.droppedAt)))
      .for('update'),
    'stage template',
  );
  if (stored.version !== version) throw new Stale((await rows(tx)).find((row) => row.id === id));
  return stored;
}

/** Names are given one at a time, so that the second of two is told and not refused by the database. */
async function holdName(tx: Tx, name: string, but: string | null): Promise<void> {
  await tx.execute(sql`select pg_advisory_xact_lock(4417033)`);
  const [same] = (await rows(tx)).filter((row) => row.name.toLowerCase() === name.toLowerCase() && row.id !== but);
  if (same) throw new BadInput({ name: 'There is a template of this name.' });
}

export const stageTemplateEndpoints = [
  serve(stageTemplateAddress.list, ({ db }) => rows(db)),
  serve(stageTemplateAddress.add, ({ change, body }) =>
    change(async ({ tx, log }) => {
      await holdName(tx, body.name, null);
      const { id } = made(await tx.insert(stageTemplate).values(body).returning());
      await log({ what: `made the stage template ${body.name}`, resource: 'kit', id, after: body });
      return { id };
    }),
  ),
  serve(stageTemplateAddress.change, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      await holdName(tx, body.name, params.id);
      const before = await lockTemplate(tx, params.id, body.version);
      const version = body.version + 1;
      await tx
        .update(stageTemplate)
        .set({ name: body.name, stages: body.stages, version })
        .where(eq(stageTemplate.id, params.id));
      await log({
        what: `changed the stage template ${body.name}`,
        resource: 'kit',
        id: params.id,
        before,
        after: body,
      });
      return { version };
    }),
  ),
  serve(stageTemplateAddress.drop, ({ change, params, body, now }) =>
    change(async ({ tx, log }) => {
      const before = await lockTemplate(tx, params.id, body.version);
      const version = body.version + 1;
      await tx.update(stageTemplate).set({ droppedAt: now(), version }).where(eq(stageTemplate.id, params.id));
      await log({ what: `dropped the stage template ${before.name}`, resource: 'kit', id: params.id, before });
      return { version };
    }),
  ),
];
