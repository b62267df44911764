import { eq, ne, sql } from 'drizzle-orm';
import { clientAddress } from '../../contract/clients.ts';
import type { Tx } from '../db/connect.ts';
import { one } from '../db/one.ts';
import { client, counterSale, kitOrder, kitWish, partnerApproval, vehicle } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { mergePlaces } from '../read/mergePlaces.ts';
import { dataOf } from './dataOf.ts';
import { closePages, removeFiles, removeTraces, tracesOf, typedOnPages } from './removal.ts';
import { clientRows } from './rows.ts';

/** A client, locked; told as stale where it is not as it was seen. */
async function lockClient(tx: Tx, id: string, version: number, what: 'changed' | 'ended' = 'ended') {
  const stored = one(await tx.select().from(client).where(eq(client.id, id)).for('update'), 'client');
  if (stored.version !== version) throw new Stale((await clientRows(tx)).find((row) => row.id === id));
  if (stored.own && what !== 'changed')
    throw new RuleBroken('This is the workshop itself: its vehicles stay with it until they are sold.');
  if (stored.removedAt) throw new RuleBroken('The data of this client was removed: nothing of it is changed any more.');
  return stored;
}

export const clientEndpoints = [
  serve(clientAddress.list, ({ db }) => clientRows(db)),
  serve(clientAddress.change, ({ params, body, change }) =>
    change(async ({ tx, log }) => {
      const { name, contact } = await lockClient(tx, params.id, body.version, 'changed');
      const version = body.version + 1;
      await tx
        .update(client)
        .set({ ...body, version })
        .where(eq(client.id, params.id));
      const what = `changed the client ${body.name}`;
      await log({ what, resource: 'client', id: params.id, before: { name, contact }, after: body });
      return { version };
    }),
  ),
  serve(clientAddress.merge, ({ params, body, change }) =>
    change(async ({ tx, log }) => {
      if (params.id === body.into) throw new BadInput({ into: 'Choose another client than this one.' });
      // Both in one order, whichever way round two people merge them.
      const both = [
        { id: params.id, version: body.version },
        { id: body.into, version: body.intoVersion },
      ].sort((a, b) => a.id.localeCompare(b.id));
      const found = new Map<string, Awaited<ReturnType<typeof lockClient>>>();
      for (const { id, version } of both) found.set(id, await lockClient(tx, id, version));
      const [gone, stays] = [found.get(params.id)!, found.get(body.into)!];
      const moved = await tx
        .update(vehicle)
        .set({ clientId: stays.id })
        .where(eq(vehicle.clientId, gone.id))
        .returning();
      await tx.execute(sql`
        update kit_wish set ended_at = now(), ended_why = 'the same client waits already' where client_id = ${gone.id}
          and kind = 'waiting' and ended_at is null and exists (select 1 from kit_wish other where other.kit_id = kit_wish.kit_id
            and other.client_id = ${stays.id} and other.kind = 'waiting' and other.ended_at is null)`);
      await tx.update(counterSale).set({ clientId: stays.id }).where(eq(counterSale.clientId, gone.id));
      await tx.update(kitWish).set({ clientId: stays.id }).where(eq(kitWish.clientId, gone.id));
      await tx.execute(sql`
        update partner_approval set ended_on = current_date, ended_why = 'the same shop has an approval already'
          where client_id = ${gone.id} and ended_on is null and exists (select 1 from partner_approval other
            where other.kit_id = partner_approval.kit_id and other.client_id = ${stays.id} and other.ended_on is null)`);
      await tx.update(partnerApproval).set({ clientId: stays.id }).where(eq(partnerApproval.clientId, gone.id));
      await tx.update(kitOrder).set({ clientId: stays.id }).where(eq(kitOrder.clientId, gone.id));
      await mergePlaces(tx, 'client', gone.id, stays.id, `${gone.name} is ${stays.name}`);
      await tx.update(kitOrder).set({ partnerId: stays.id }).where(eq(kitOrder.partnerId, gone.id));
      const contact = [...new Set([stays.contact, gone.contact].filter(Boolean))].join('; ').slice(0, 200);
      await tx
        .update(client)
        .set({ contact, version: stays.version + 1 })
        .where(eq(client.id, stays.id));
      await tx.delete(client).where(eq(client.id, gone.id));
      await log({
        what: `merged the client ${gone.name} into ${stays.name}`,
        resource: 'client',
        id: stays.id,
        before: gone,
        after: { vehicles: moved.map(({ id }) => id) },
      });
      return { id: stays.id };
    }),
  ),
  serve(clientAddress.data, async ({ db, params, res }) => {
    const data = await dataOf(db, params.id);
    one(data.client ? [data.client] : [], 'client');
    res
      .type('application/json')
      .setHeader('Content-Disposition', 'attachment; filename="client.json"')
      .send(`${JSON.stringify(data, null, 2)}\n`);
    return undefined;
  }),
  serve(clientAddress.remove, ({ params, body, change, now }) =>
    change(async ({ tx, log }) => {
      const stored = await lockClient(tx, params.id, body.version);
      const { rows: open } = await tx.execute<{ number: string }>(sql`
        select j.number from job j join vehicle v on v.id = j.vehicle_id
        where v.client_id = ${stored.id} and j.state not in ('handedOver', 'cancelled')
        union all select o.number from kit_order o
        where (o.client_id = ${stored.id} or o.partner_id = ${stored.id}) and o.state not in ('signed', 'cancelled') order by 1`);
      if (open.length > 0)
        throw new RuleBroken(
          `${open.map(({ number }) => number).join(', ')} ${open.length === 1 ? 'is' : 'are'} still worked on. Hand over or cancel first.`,
        );
      const vehicles = await tx.select().from(vehicle).where(eq(vehicle.clientId, stored.id));
      // What another client is known by too is not a trace of this one.
      const others = await tx.select().from(client).where(ne(client.id, stored.id));
      const shared = new Set(tracesOf(others.flatMap(({ name, contact }) => [name, contact])));
      const vehicleIds = vehicles.map(({ id }) => id);
      const traces = tracesOf([
        stored.name,
        stored.contact,
        ...vehicles.flatMap(({ registration, chassisNumber }) => [registration, chassisNumber]),
        ...(await typedOnPages(tx, vehicleIds)),
      ]).filter((one) => !shared.has(one));
      await removeFiles(tx, { clientId: stored.id, vehicleIds });
      const places = await removeTraces(tx, traces, { clientId: stored.id, vehicleIds });
      await closePages(tx, vehicleIds);
      await tx
        .update(vehicle)
        .set({ registration: '', chassisNumber: '', version: sql`${vehicle.version} + 1` })
        .where(eq(vehicle.clientId, stored.id));
      await tx
        .update(client)
        .set({ name: 'Removed client', contact: '', removedAt: now(), version: stored.version + 1 })
        .where(eq(client.id, stored.id));
      await log({ what: 'removed the data of a client', resource: 'client', id: stored.id, after: { places } });
      return { places };
    }),
  ),
];
