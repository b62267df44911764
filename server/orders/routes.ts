import { and, eq, isNull, sql } from 'drizzle-orm';
import { type OrderChange, orderAddress } from '../../contract/orders.ts';
import { kitParts, kitStages } from '../../core/kit/kit.ts';
import { fittingProblems, type OrderKind, usualFittedBy } from '../../core/order/order.ts';
import { pickList } from '../../core/order/packing.ts';
import { fittingSentence } from '../../wording/orders.ts';
import type { Tx } from '../db/connect.ts';
import { made } from '../db/one.ts';
import { client, job, kitOrder, orderLine, partnerApproval, variant, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { libraryOf } from '../read/components.ts';
import { kitRevisionOf } from '../read/kitRevisions.ts';
import { lockOrder } from './lock.ts';
import { orderRows, orderSheet, questionsWhere } from './rows.ts';

/** Orders get their numbers one after the other. */
const NUMBER_LOCK = sql`select pg_advisory_xact_lock(4417034)`;

/** K26-007: the year, then how many there were in it. */
async function nextNumber(tx: Tx, today: string): Promise<string> {
  await tx.execute(NUMBER_LOCK);
  const year = `K${today.slice(2, 4)}-`;
  const { rows } = await tx.execute<{ last: number | null }>(
    sql`select max(substring(number from 5)::int) as last from kit_order where number like ${`${year}%`}`,
  );
  return `${year}${String((rows[0]?.last ?? 0) + 1).padStart(3, '0')}`;
}

async function knownClient(tx: Tx, id: string, field: string): Promise<string> {
  const [known] = await tx.select().from(client).where(eq(client.id, id)).for('no key update');
  if (!known || known.removedAt) throw new BadInput({ [field]: 'There is no such client.' });
  return known.name;
}

async function newClient(tx: Tx, name: string, contact: string): Promise<string> {
  return made(await tx.insert(client).values({ name, contact }).returning({ id: client.id })).id;
}

/** A shop fits a kit only with an approval for it that stands on the day it gets it. */
async function refuseUnapproved(tx: Tx, partnerId: string, kitId: string, promisedOn: string): Promise<void> {
  const name = await knownClient(tx, partnerId, 'partnerId');
  const [approval] = await tx
    .select()
    .from(partnerApproval)
    .where(
      and(eq(partnerApproval.clientId, partnerId), eq(partnerApproval.kitId, kitId), isNull(partnerApproval.endedOn)),
    );
  if (!approval) throw new BadInput({ partnerId: `${name} has no approval for this kit.` });
  if (approval.validUntil < promisedOn)
    throw new BadInput({
      partnerId: `The approval of ${name} ends on ${approval.validUntil}, before the kit is promised.`,
    });
}

/** Where the work is divided in a way nobody may: told at the field that decides it. */
function refuseDivision(problems: ReturnType<typeof fittingProblems>): void {
  const [first] = problems;
  if (first) throw new BadInput({ [first.problem === 'neverComes' ? 'comesOn' : 'fitter']: fittingSentence(first) });
}

async function jobIdOf(tx: Tx, number: string | null, clientId: string): Promise<string | null> {
  if (number === null) return null;
  const [known] = await tx
    .select({ id: job.id, clientId: vehicle.clientId })
    .from(job)
    .innerJoin(vehicle, eq(vehicle.id, job.vehicleId))
    .where(eq(job.number, number));
  if (!known || known.clientId !== clientId) throw new BadInput({ jobNumber: 'This is no job of this client.' });
  return known.id;
}

/** Days are told apart only where they moved: a promise that has passed may be looked after, not made. */
function refusePast(day: string | null, before: string | null, today: string, field: string, label: string): void {
  if (day !== null && day !== before && day < today)
    throw new BadInput({ [field]: `${label} is in the past: today is ${today}.` });
}

export const orderEndpoints = [
  serve(orderAddress.list, ({ db }) => orderRows(db)),
  serve(orderAddress.ofKit, ({ db, params }) => questionsWhere(db, sql`r.kit_id = ${params.kit}`)),
  serve(orderAddress.whole, ({ db, params }) => orderSheet(db, params.order)),
  serve(orderAddress.add, ({ change, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const number = await nextNumber(tx, today);
      const clientId = body.clientId ?? (await newClient(tx, body.clientName, body.clientContact));
      await knownClient(tx, clientId, 'clientId');
      const revision = await kitRevisionOf(tx, body.revisionId);
      if (!revision) throw new BadInput({ revisionId: 'There is no such kit.' });
      if (revision.state !== 'released')
        throw new BadInput({
          revisionId: `Revision ${revision.revision} is ${revision.state}: only a released one is sold.`,
        });
      const [of] = await tx.select().from(variant).where(eq(variant.id, body.variantId));
      if (!of) throw new BadInput({ variantId: 'There is no such model.' });
      const unknown = body.options.find((key) => !revision.options.some(({ id }) => id === key));
      if (unknown) throw new BadInput({ options: 'This kit has no such option.' });
      refusePast(body.promisedOn, null, today, 'promisedOn', 'Promised for');
      if (body.partnerId) await refuseUnapproved(tx, body.partnerId, revision.kitId, body.promisedOn);
      const kind = body.kind as OrderKind;
      const stages = kitStages(revision, of.id, body.options);
      const fittedBy = kind === 'sentThenHere' ? usualFittedBy(stages) : {};
      refuseDivision(fittingProblems(stages, { kind, fitter: body.fitter, fittedBy }));
      const library = await libraryOf(
        tx,
        revision.lines.map(({ componentId }) => componentId),
      );
      const picks = pickList(kitParts(revision, library, of.id, body.options));
      if (picks.length === 0) throw new RuleBroken('Nothing of this kit applies to this model with these options.');
      const { clientName: _, clientContact: __, ...own } = body;
      const row = made(
        await tx
          .insert(kitOrder)
          .values({ ...own, clientId, kind, number, fittedBy, byId: person.id, orderedAt: now() })
          .returning(),
      );
      await tx.insert(orderLine).values(picks.map((pick, position) => ({ ...pick, position, orderId: row.id })));
      await log({ what: `took the order ${number}`, resource: 'order', id: number, after: body });
      return { number };
    }),
  ),
  serve(orderAddress.change, ({ change, params, body, today }) =>
    change(async ({ tx, log }) => {
      const stored = await lockOrder(tx, params.order, {
        ...{ version: body.version, states: ['ordered', 'sent', 'signed'], what: 'changed' },
      });
      const revision = (await kitRevisionOf(tx, stored.revisionId))!;
      refusePast(body.promisedOn, stored.promisedOn, today, 'promisedOn', 'Promised for');
      const moved = body.partnerId !== stored.partnerId || body.promisedOn !== stored.promisedOn;
      if (body.partnerId && moved) await refuseUnapproved(tx, body.partnerId, revision.kitId, body.promisedOn);
      const stages = kitStages(revision, stored.variantId, stored.options);
      const keys = new Set(stages.map(({ key }) => key));
      const fittedBy = Object.fromEntries(Object.entries(body.fittedBy).filter(([key]) => keys.has(key)));
      refuseDivision(fittingProblems(stages, { kind: stored.kind, fitter: body.fitter, fittedBy }));
      if (body.loanBack !== null && !body.loanTool) throw new BadInput({ loanBack: 'No tool went along.' });
      const { jobNumber, version, ...own } = body;
      const jobId = await jobIdOf(tx, jobNumber, stored.clientId);
      const next = { ...own, fittedBy, jobId, version: version + 1 };
      await tx.update(kitOrder).set(next).where(eq(kitOrder.id, stored.id));
      const before: Partial<OrderChange> = Object.fromEntries(
        Object.keys(own).map((key) => [key, stored[key as keyof typeof stored]]),
      );
      await log({
        what: `changed the order ${stored.number}`,
        resource: 'order',
        id: stored.number,
        before,
        after: body,
      });
      return { version: next.version };
    }),
  ),
  serve(orderAddress.cancel, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const stored = await lockOrder(tx, params.order, {
        ...{ version: body.version, states: ['ordered'], what: 'cancelled' },
      });
      const version = stored.version + 1;
      // What was numbered for this order can go with another.
      await tx.execute(
        sql`delete from order_serial where line_id in (select id from order_line where order_id = ${stored.id})`,
      );
      await tx
        .update(kitOrder)
        .set({ state: 'cancelled', cancelledWhy: body.why, version })
        .where(eq(kitOrder.id, stored.id));
      await tx.execute(
        sql`update order_link set revoked_at = now() where order_id = ${stored.id} and revoked_at is null`,
      );
      const what = `cancelled the order ${stored.number}: ${body.why}`;
      await log({ what, resource: 'order', id: stored.number, before: { state: stored.state }, after: body });
      return { version };
    }),
  ),
];
