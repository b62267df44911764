import { randomUUID } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { eq, sql } from 'drizzle-orm';
import type { TakenIn } from '../../contract/tableIn.ts';
import { variantAddress } from '../../contract/variants.ts';
import { newestOnly } from '../../core/vehicle/revisions.ts';
import type { VariantBody } from '../../core/vehicle/variantProblems.ts';
import {
  bodyOfVariant,
  nameOfVariant,
  readVariants,
  variantCsv,
  variantFile,
  variantFinder,
  variantVerdict,
} from '../../wording/variantTable.ts';
import type { Tx } from '../db/connect.ts';
import { bay, mountingPoint, passThrough, variant } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, ProblemError, RuleBroken } from '../problems.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { stepsTakenIn, TOOK_IN, UNDID } from '../read/takenIn.ts';
import { addVariant, changeVariant, lockModels, writeOver } from '../read/variantStore.ts';
import { variantsOf } from '../read/variants.ts';

/** One thing a file did to the models, with what is needed to undo it. */
type Step =
  | { readonly did: 'added'; readonly id: string; readonly name: string }
  | {
      readonly did: 'over' | 'revision';
      readonly id: string;
      readonly name: string;
      readonly version: number;
      readonly before: { readonly id: string; readonly version: number; readonly body: VariantBody };
    };

export const modelFileEndpoints = [
  serve(variantAddress.csv, async ({ db, res }) => {
    return sendCsv(res, 'models.csv', variantCsv(newestOnly(await variantsOf(db)).map(bodyOfVariant)));
  }),
  serve(variantAddress.file, async ({ db, res }) => {
    const file = variantFile(newestOnly(await variantsOf(db)).map(bodyOfVariant));
    res
      .type('application/json')
      .setHeader('Content-Disposition', 'attachment; filename="models.json"')
      .send(`${JSON.stringify(file, null, 2)}\n`);
    return undefined;
  }),
  serve(variantAddress.takeIn, async ({ change, body }) => {
    const read = await readVariants(body.text, () => setImmediate());
    if (read.fault) throw new BadInput({ text: read.fault });
    return change(async ({ tx, log }) => {
      await lockModels(tx);
      const find = variantFinder(newestOnly(await variantsOf(tx)));
      const steps: Step[] = [];
      const count = { alike: 0, fault: 0, new: 0, changed: 0 };
      for (const row of read.rows) {
        const stored = find(row);
        const verdict = variantVerdict(row, stored);
        count[verdict]++;
        if (verdict === 'fault' || verdict === 'alike') continue;
        try {
          steps.push(await take(tx, row.variant!, stored));
        } catch (error) {
          throw error instanceof ProblemError ? new BadInput({ text: `Line ${row.line}: ${error.message}` }) : error;
        }
      }
      const id = randomUUID();
      const taken: TakenIn = { id, added: count.new, changed: count.changed, alike: count.alike, left: count.fault };
      // Nothing came of it: there is nothing to tell, and nothing to undo.
      if (steps.length === 0) return taken;
      await log({
        what: `${TOOK_IN} ${taken.added} new and ${taken.changed} changed models from ${body.name}`,
        resource: 'variant',
        id,
        after: { ...taken, steps },
      });
      return taken;
    });
  }),
  serve(variantAddress.undo, ({ change, params }) =>
    change(async ({ tx, log }) => {
      await lockModels(tx);
      const steps = await stepsTakenIn<Step>(tx, 'variant', params.id);
      for (const step of [...steps].reverse()) await undo(tx, step);
      const what = `${UNDID} what a file had brought: ${steps.length} models`;
      await log({ what, resource: 'variant', id: params.id, after: { undone: steps.length } });
      return { undone: steps.length };
    }),
  ),
];

async function take(
  tx: Tx,
  body: VariantBody,
  stored: Awaited<ReturnType<typeof variantsOf>>[number] | undefined,
): Promise<Step> {
  const name = nameOfVariant(body);
  if (!stored) return { did: 'added', id: await addVariant(tx, body), name };
  const before = { id: stored.id, version: stored.version ?? 1, body: bodyOfVariant(stored) };
  const { id, version, how } = await changeVariant(tx, before, body);
  return { did: how, id, name, version, before };
}

/** Puts one model back as it was; refused where somebody has gone on from it. */
async function undo(tx: Tx, step: Step): Promise<void> {
  const [now] = await tx.select().from(variant).where(eq(variant.id, step.id)).for('update');
  const version = step.did === 'added' ? 1 : step.version;
  if (!now || now.version !== version)
    throw new RuleBroken(`${step.name} has been changed since: undo is not possible any more.`);
  if (step.did === 'over') {
    await writeOver(tx, step.id, step.before.body, version + 1);
    return;
  }
  const { rows } = await tx.execute<{ used: boolean }>(sql`
    select exists (select 1 from vehicle where variant_id = ${step.id})
      or exists (select 1 from kit_order where variant_id = ${step.id})
      or exists (select 1 from kit_line where applies_when::text like ${`%"${step.id}"%`}) as used`);
  if (rows[0]?.used) throw new RuleBroken(`${step.name} is in use by now: undo is not possible any more.`);
  for (const table of [mountingPoint, bay, passThrough]) await tx.delete(table).where(eq(table.variantId, step.id));
  await tx.delete(variant).where(eq(variant.id, step.id));
  // A model and a maker that came with it go with it, where nothing else is of them.
  await tx.execute(sql`delete from model m where m.id = ${now.modelId}
    and not exists (select 1 from variant where model_id = m.id) and not exists (select 1 from kit where model_id = m.id)`);
  await tx.execute(sql`delete from maker k where not exists (select 1 from model where maker_id = k.id)`);
}
