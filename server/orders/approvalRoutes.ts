import { and, eq, isNull, sql } from 'drizzle-orm';
import { type ApprovalRow, approvalAddress } from '../../contract/approvals.ts';
import { made, one } from '../db/one.ts';
import { client, kit, partnerApproval } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';

export const approvalEndpoints = [
  serve(approvalAddress.list, async ({ db }) => {
    const { rows } = await db.execute<ApprovalRow & Record<string, unknown>>(sql`
      select a.id, json_build_object('id', c.id, 'name', c.name) as client, k.id as "kitId", k.name as "kitName",
        a.valid_until::text as "validUntil", a.note, a.ended_on::text as "endedOn", a.ended_why as "endedWhy", p.name as by
      from partner_approval a join client c on c.id = a.client_id join kit k on k.id = a.kit_id
      join person p on p.id = a.by_id order by (a.ended_on is not null), c.name, k.name, a.at`);
    return rows;
  }),
  serve(approvalAddress.approve, ({ change, body, person, today, now }) =>
    change(async ({ tx, log }) => {
      const [shop] = await tx.select().from(client).where(eq(client.id, body.clientId)).for('no key update');
      if (!shop || shop.removedAt) throw new BadInput({ clientId: 'There is no such client.' });
      const [of] = await tx.select().from(kit).where(eq(kit.id, body.kitId));
      if (!of) throw new BadInput({ kitId: 'There is no such kit.' });
      if (body.validUntil < today) throw new BadInput({ validUntil: `Until is in the past: today is ${today}.` });
      const [has] = await tx
        .select()
        .from(partnerApproval)
        .where(
          and(eq(partnerApproval.clientId, shop.id), eq(partnerApproval.kitId, of.id), isNull(partnerApproval.endedOn)),
        );
      if (has)
        throw new BadInput({ kitId: `${shop.name} has an approval for it until ${has.validUntil}. End that first.` });
      const row = made(
        await tx
          .insert(partnerApproval)
          .values({ ...body, byId: person.id, at: now() })
          .returning(),
      );
      const what = `approved ${shop.name} to fit the ${of.name}`;
      await log({ what, resource: 'client', id: shop.id, after: body });
      return { id: row.id };
    }),
  ),
  serve(approvalAddress.endApproval, ({ change, params, body, today }) =>
    change(async ({ tx, log }) => {
      const stored = one(
        await tx.select().from(partnerApproval).where(eq(partnerApproval.id, params.id)).for('update'),
        'approval',
      );
      if (stored.endedOn) throw new RuleBroken('This approval was ended already.');
      await tx
        .update(partnerApproval)
        .set({ endedOn: today, endedWhy: body.why })
        .where(eq(partnerApproval.id, stored.id));
      const what = `ended an approval to fit: ${body.why}`;
      await log({ what, resource: 'client', id: stored.clientId, before: stored, after: body });
      return { id: stored.id };
    }),
  ),
];
