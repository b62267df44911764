import { randomUUID } from 'node:crypto';
import { setImmediate } from 'node:timers/promises';
import { and, eq, sql } from 'drizzle-orm';
import { componentAddress } from '../../contract/components.ts';
import type { TakenIn } from '../../contract/tableIn.ts';
import { revisionOf } from '../../core/vehicle/revisions.ts';
import { readComponentTable } from '../../wording/componentTable.ts';
import { finder, verdictOf } from '../../wording/tableVerdict.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { component, file } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, ProblemError, RuleBroken } from '../problems.ts';
import { addComponent, changeComponent, isUsed, lockCatalogue, type StoredComponent } from '../read/catalogue.ts';
import { componentsOfKind } from '../read/components.ts';
import { stepsTakenIn, TOOK_IN, UNDID } from '../read/takenIn.ts';
import { kindOf } from './routes.ts';

/** One thing a table did, with what is needed to undo it. */
type Step =
  | { readonly did: 'added'; readonly id: string }
  | { readonly did: 'over'; readonly id: string; readonly version: number; readonly before: StoredComponent }
  | { readonly did: 'revision'; readonly id: string; readonly version: number; readonly before: StoredComponent };

export const componentTableEndpoints = [
  serve(componentAddress.takeIn, async ({ change, params, body, workshop }) => {
    const kind = kindOf(params.kind);
    const read = await readComponentTable(kind, body.text, {
      currency: workshop.currency,
      pause: () => setImmediate(),
    });
    if (read.fault) throw new BadInput({ text: read.fault });
    return change(async ({ tx, log }) => {
      await lockCatalogue(tx);
      const find = finder(await componentsOfKind(tx, kind));
      const steps: Step[] = [];
      let alike = 0;
      let left = 0;
      for (const row of read.rows) {
        const known = find(row);
        const verdict = verdictOf(row, known);
        if (verdict === 'fault') left++;
        else if (verdict === 'alike') alike++;
        else {
          const said = await take(tx, row.component!, known?.id ?? null).catch((error: unknown) => {
            throw error instanceof ProblemError ? new BadInput({ text: `Line ${row.line}: ${error.message}` }) : error;
          });
          steps.push(said);
        }
      }
      const id = randomUUID();
      const added = steps.filter(({ did }) => did === 'added').length;
      const taken: TakenIn = { id, added, changed: steps.length - added, alike, left };
      // Nothing came of it: there is nothing to tell, and nothing to undo.
      if (steps.length === 0) return taken;
      await log({
        what: `${TOOK_IN} ${added} new and ${taken.changed} changed components from ${body.name}`,
        resource: 'component',
        id,
        after: { ...taken, kind, steps },
      });
      return taken;
    });
  }),
  serve(componentAddress.undo, ({ change, params }) =>
    change(async ({ tx, log }) => {
      await lockCatalogue(tx);
      const steps = await stepsTakenIn<Step>(tx, 'component', params.id);
      for (const step of [...steps].reverse()) await undo(tx, step);
      const what = `${UNDID} what a table had brought: ${steps.length} components`;
      await log({ what, resource: 'component', id: params.id, after: { undone: steps.length } });
      return { undone: steps.length };
    }),
  ),
];

async function take(tx: Tx, body: Parameters<typeof addComponent>[1], known: string | null): Promise<Step> {
  if (known === null) return { did: 'added', id: await addComponent(tx, body) };
  const before = one(await tx.select().from(component).where(eq(component.id, known)).for('update'), 'component');
  const { id, version, how } = await changeComponent(tx, before, body);
  return { did: how, id, version, before };
}

/** Puts one component back as it was; refused where somebody has gone on from it. */
async function undo(tx: Tx, step: Step): Promise<void> {
  const [now] = await tx.select().from(component).where(eq(component.id, step.id)).for('update');
  const name = now?.name ?? step.id;
  const version = step.did === 'added' ? 1 : step.version;
  if (!now || now.version !== version)
    throw new RuleBroken(`${name} has been changed since: undo is not possible any more.`);
  if (step.did === 'over') {
    const { id, version: was, find: _, onHand: __, unitSize: ___, binId, reorderAt, reorderTo, ...own } = step.before;
    await tx
      .update(component)
      .set({ ...own, version: was + 2 })
      .where(eq(component.id, id));
    return;
  }
  const [paper] = await tx
    .select({ id: file.id })
    .from(file)
    .where(and(eq(file.about, 'component'), eq(file.aboutId, step.id)));
  if (now.onHand > 0 || paper || (await isUsed(tx, step.id)))
    throw new RuleBroken(`${name} is in use, in stores or has papers by now: undo is not possible any more.`);
  await tx.delete(component).where(eq(component.id, step.id));
  if (step.did === 'revision') {
    const { id, name: was, version: then } = step.before;
    const { rowCount } = await tx
      .update(component)
      .set({ name: was, version: then + 2 })
      .where(and(eq(component.id, id), eq(component.name, sql`${`${was}, revision ${revisionOf(id)}`}`)));
    if (rowCount !== 1) throw new RuleBroken(`${was} has been changed since: undo is not possible any more.`);
  }
}
