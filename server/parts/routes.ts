import { eq } from 'drizzle-orm';
import { partAddress } from '../../contract/parts.ts';
import { type PartMoveProblem, partMove, partsToAdd } from '../../core/stores/partMove.ts';
import type { Change } from '../change.ts';
import { made, one } from '../db/one.ts';
import { component, partLine, serialItem } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { addLines } from '../read/addLines.ts';
import { freeStockLocked } from '../read/freeStock.ts';
import { partOf } from '../read/sheet.ts';
import { wantedParts } from '../read/wantedParts.ts';
import { moveGoods } from './moveGoods.ts';

/** A line with its job locked, read under the lock. */
async function partForChange({ tx, job: lock }: Change, id: string) {
  const { jobId } = one(
    await tx.select({ jobId: partLine.jobId }).from(partLine).where(eq(partLine.id, id)),
    'line of the parts list',
  );
  const { number } = await lock({ id: jobId });
  const [row] = await tx
    .select({ line: partLine, name: component.name })
    .from(partLine)
    .innerJoin(component, eq(component.id, partLine.componentId))
    .where(eq(partLine.id, id));
  return { ...one(row ? [row] : [], 'line of the parts list'), number };
}

/** Says why a line cannot go where it should. */
function refuseMove(problem: PartMoveProblem, name: string, quantity: number, free: number, today: string): never {
  switch (problem) {
    case 'takingOutNotAllowed':
      throw new RuleBroken('A fitted part is taken out again by a manager.');
    case 'dueInPast':
      throw new BadInput({ due: `The due day is in the past: today is ${today}.` });
    case 'notInStores':
      throw new RuleBroken(`${name} is not in stores yet. Book it in before it is fitted.`);
    case 'notFree':
      throw new RuleBroken(
        `Stores have ${Math.max(0, free)} free of ${name}; this line needs ${quantity}. Order it, or take one held for another job.`,
      );
  }
}

export const partEndpoints = [
  serve(partAddress.fill, ({ change, params }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const wanted = await wantedParts(tx, stored);
      if (wanted.length === 0)
        throw new RuleBroken('Take a kit in Match or choose a design in Size first: the list is made from them.');
      const added = await addLines(tx, stored.id, partsToAdd(wanted, await partOf(tx, { id: stored.id }, 'parts')));
      if (added.length === 0) return { added: 0 };
      await log({
        what: 'filled the parts list',
        resource: 'parts',
        id: stored.id,
        job: stored.number,
        after: { added: added.length },
      });
      return { added: added.length };
    }),
  ),
  serve(partAddress.add, ({ change, params, body }) =>
    change(async ({ tx, log, job: lock }) => {
      const stored = await lock({ number: params.number });
      const [known] = await tx.select({ id: component.id }).from(component).where(eq(component.id, body.componentId));
      if (!known) throw new BadInput({ componentId: 'Choose a component from the library.' });
      const row = made(await addLines(tx, stored.id, [{ ...body, from: 'added', packedIn: '' }]));
      await log({ what: 'added a part', resource: 'parts', id: row.id, job: stored.number, after: row });
      return { id: row.id };
    }),
  ),
  serve(
    partAddress.change,
    ({ change, params, body: { version, fromShelf, serials = [], ...body }, person, today, now }) =>
      change(async (work) => {
        const { tx, log } = work;
        const { line, number, name } = await partForChange(work, params.id);
        if (line.version !== version) throw new Stale(line);
        // What comes with an order is counted in there, against its note.
        if (line.purchaseLineId && body.state === 'inStores' && !fromShelf)
          throw new RuleBroken(
            `${name} comes with an order: count it in under Stores, Orders. Or take free stock for it.`,
          );
        const free = await freeStockLocked(tx, line.componentId);
        const move = partMove({
          from: line.state,
          to: body.state,
          quantity: line.quantity,
          free,
          fromShelf: fromShelf ?? false,
          due: body.due,
          dueBefore: line.due,
          today,
          mayTakeOut: person.role === 'manager',
        });
        if ('problem' in move) refuseMove(move.problem, name, line.quantity, free, today);
        if (move.goods) await moveGoods(tx, { line, goods: move.goods, serials, number, byId: person.id, at: now() });
        // What is given up is held by number no more.
        if (body.state === 'missing' || body.state === 'ordered')
          await tx.update(serialItem).set({ partLineId: null }).where(eq(serialItem.partLineId, line.id));
        const picked =
          body.state === 'picked'
            ? line.state === 'picked'
              ? {}
              : { pickedById: person.id, pickedAt: now() }
            : body.state === 'fitted'
              ? {}
              : { pickedById: null, pickedAt: null };
        const fitted =
          body.state !== 'fitted'
            ? { fittedById: null, fittedAt: null }
            : line.state === 'fitted'
              ? {}
              : { fittedById: person.id, fittedAt: now() };
        const after = made(
          await tx
            .update(partLine)
            .set({
              ...body,
              due: body.state === 'ordered' ? body.due : null,
              ...(body.state === 'ordered' ? {} : { purchaseLineId: null }),
              ...picked,
              ...fitted,
              version: version + 1,
            })
            .where(eq(partLine.id, line.id))
            .returning(),
        );
        await log({ what: `${name}: ${body.state}`, resource: 'parts', id: line.id, job: number, before: line, after });
        return { version: after.version };
      }),
  ),
];
