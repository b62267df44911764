import { hash, verify } from '@node-rs/argon2';
import { eq, sql } from 'drizzle-orm';
import { type OpenSession, peopleAddress } from '../../contract/people.ts';
import { one } from '../db/one.ts';
import { person } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput } from '../problems.ts';

/** What a person does with their own account. */
export const myEndpoints = [
  serve(peopleAddress.password, async ({ db, change, body, person: me, res, tries }) => {
    // Whoever sits at a page that was left open guesses no longer than somebody at the door.
    const [account, address] = [`own ${me.id}`, res.req.ip ?? ''];
    await tries.count(account, address);
    const [stored] = await db.select({ hash: person.passwordHash }).from(person).where(eq(person.id, me.id));
    const right = await verify(stored?.hash ?? '', body.now).catch(() => false);
    if (!right) throw new BadInput({ now: 'This is not your password until now.' });
    await tries.forgive(account, address);
    const passwordHash = await hash(body.next);
    const here = res.req.sessionID;
    return change(async ({ tx, log }) => {
      const before = one(
        await tx.select({ hash: person.passwordHash }).from(person).where(eq(person.id, me.id)).for('no key update'),
        'person',
      );
      if (before.hash !== stored?.hash) throw new BadInput({ now: 'Your password was changed a moment ago.' });
      await tx.update(person).set({ passwordHash }).where(eq(person.id, me.id));
      await tx.execute(sql`delete from session where sess ->> 'personId' = ${me.id} and sid <> ${here}`);
      await log({ what: 'chose a new password', resource: 'person', id: me.id });
      return { changed: true as const };
    });
  }),
  serve(peopleAddress.sessions, async ({ db, person: me, res }) => {
    const { rows } = await db.execute<{ [K in keyof OpenSession]: OpenSession[K] }>(sql`
      select sess ->> 'since' as since, coalesce(sess ->> 'with', '') as "with", sid = ${res.req.sessionID} as here,
        to_char((expire - interval '12 hours') at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') as seen
      from session where sess ->> 'personId' = ${me.id} and expire > now() order by expire desc limit 50`);
    return rows;
  }),
  serve(peopleAddress.signOutElsewhere, ({ change, person: me, res }) =>
    change(async ({ tx, log }) => {
      const { rowCount } = await tx.execute(
        sql`delete from session where sess ->> 'personId' = ${me.id} and sid <> ${res.req.sessionID}`,
      );
      await log({ what: 'signed out everywhere else', resource: 'person', id: me.id });
      return { ended: rowCount ?? 0 };
    }),
  ),
];
