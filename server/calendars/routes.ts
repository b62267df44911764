import { and, eq, isNull, sql } from 'drizzle-orm';
import { Router } from 'express';
import { calendarAddress, type FeedRow } from '../../contract/calendars.ts';
import { made, one } from '../db/one.ts';
import { absence, calendarLink, person } from '../db/schema/index.ts';
import { type House, serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { instant } from '../read/instant.ts';
import { hashOf, isWord, linkGone } from '../read/secretWord.ts';
import { workshopNow } from '../read/workshop.ts';
import { personFeed, promisesFeed } from './feed.ts';

export const calendarEndpoints = [
  serve(calendarAddress.mine, async ({ db, person: me }) => {
    const { rows } = await db.execute<FeedRow & Record<string, unknown>>(sql`
      select l.id, l.about, ${instant('l.at')} as at, ${instant('l.last_used_at')} as "lastUsedAt" from calendar_link l
      where l.person_id = ${me.id} and l.revoked_at is null order by l.about`);
    return rows;
  }),
  serve(calendarAddress.open, ({ change, body, person: me, now }) =>
    change(async ({ tx, log }) => {
      await tx.select({ id: person.id }).from(person).where(eq(person.id, me.id)).for('no key update');
      const tokenHash = hashOf(body.token);
      const [same] = await tx.select().from(calendarLink).where(eq(calendarLink.tokenHash, tokenHash));
      if (same?.personId === me.id && !same.revokedAt) return { id: same.id };
      if (same) throw new BadInput({ token: 'This word was used before. Open the calendar anew.' });
      // A new address closes the one before.
      await tx
        .update(calendarLink)
        .set({ revokedAt: now() })
        .where(
          and(eq(calendarLink.personId, me.id), eq(calendarLink.about, body.about), isNull(calendarLink.revokedAt)),
        );
      const { id } = made(
        await tx.insert(calendarLink).values({ about: body.about, personId: me.id, tokenHash, at: now() }).returning(),
      );
      await log({ what: 'opened a calendar', resource: 'person', id: me.id, after: { about: body.about } });
      return { id };
    }),
  ),
  serve(calendarAddress.close, ({ change, params, person: me, now }) =>
    change(async ({ tx, log }) => {
      const closed = await tx
        .update(calendarLink)
        .set({ revokedAt: now() })
        .where(and(eq(calendarLink.id, params.id), eq(calendarLink.personId, me.id), isNull(calendarLink.revokedAt)))
        .returning();
      if (closed.length === 0) throw new RuleBroken('This calendar is closed already.');
      await log({ what: 'closed a calendar', resource: 'person', id: me.id });
      return { id: params.id };
    }),
  ),
  serve(calendarAddress.away, ({ change, params, body, person: by }) =>
    change(async ({ tx, log }) => {
      const who = one(await tx.select().from(person).where(eq(person.id, params.id)).for('no key update'), 'person');
      const known = await tx
        .select()
        .from(absence)
        .where(and(eq(absence.personId, who.id), isNull(absence.droppedAt)));
      const fresh = body.days.filter(
        ({ from, to }, i) =>
          !known.some((row) => row.fromDay <= from && row.toDay >= to) &&
          !body.days.slice(0, i).some((other) => other.from <= from && other.to >= to),
      );
      if (fresh.length === 0) return { added: 0 };
      await tx
        .insert(absence)
        .values(fresh.map(({ from, to, why }) => ({ personId: who.id, fromDay: from, toDay: to, why, byId: by.id })));
      const what = `entered ${fresh.length} days away of ${who.name} from a calendar`;
      await log({ what, resource: 'person', id: who.id, after: { days: fresh } });
      return { added: fresh.length };
    }),
  ),
];

/** Feeds as calendars read them: by their word alone. What was closed, or never was, says nothing. */
export function calendarRouter({ db, now }: House): Router {
  const router = Router();
  router.get('/calendar/:word.ics', async (req, res) => {
    const word = String(req.params.word);
    if (!isWord(word)) throw linkGone();
    const [link] = await db
      .select({ link: calendarLink, active: person.active })
      .from(calendarLink)
      .innerJoin(person, eq(person.id, calendarLink.personId))
      .where(and(eq(calendarLink.tokenHash, hashOf(word)), isNull(calendarLink.revokedAt)));
    const workshop = await workshopNow(db);
    // Whoever is switched off reads nothing any more.
    if (!link?.active || !workshop) throw linkGone();
    await db.update(calendarLink).set({ lastUsedAt: now() }).where(eq(calendarLink.id, link.link.id));
    const { about, personId } = link.link;
    const text = await (about === 'person' ? personFeed(db, personId, workshop) : promisesFeed(db, workshop));
    res.set('Cache-Control', 'no-store').type('text/calendar; charset=utf-8').send(text);
  });
  return router;
}
