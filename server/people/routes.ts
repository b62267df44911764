import { and, eq, isNull, sql } from 'drizzle-orm';
import { type PersonRow, peopleAddress } from '../../contract/people.ts';
import type { SignedIn } from '../../contract/session.ts';
import { locksOutLastManager } from '../../core/people/managers.ts';
import { initialsOf } from '../../wording/initials.ts';
import type { Change } from '../change.ts';
import type { Db, Tx } from '../db/connect.ts';
import { made, one } from '../db/one.ts';
import { authorisation, person, stage, timeEntry } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken, Stale } from '../problems.ts';
import { makeInvitation } from '../read/invitations.ts';

/** Everybody, with their authorisations; rates are for managers, sign-in names too. */
async function everybody(db: Db | Tx, who: SignedIn): Promise<PersonRow[]> {
  const { rows } = await db.execute<{ person: PersonRow }>(sql`
    select json_build_object('id', p.id, 'name', p.name, 'initials', p.initials,
      'signIn', case when ${who.role} = 'manager' then p.sign_in else '' end,
      'role', p.role, 'skills', p.skills, 'active', p.active, 'joined', p.password_hash is not null,
      'invitedUntil', (select to_char(max(i.until) at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') from invitation i
        where i.person_id = p.id and i.used_at is null and i.until > now()),
      'dayHours', p.day_hours,
      'rateCents', case when ${who.role} = 'manager' then p.rate_cents end,
      'authorisations', (select coalesce(json_agg(json_build_object('id', a.id, 'validFrom', a.valid_from,
          'validUntil', a.valid_until, 'givenBy', a.given_by, 'paper', a.paper, 'endedOn', a.ended_on, 'endedWhy', a.ended_why)
          order by a.valid_until desc, a.id), '[]') from authorisation a where a.person_id = p.id),
      'version', p.version) as person
    from person p order by not p.active, p.name, p.id`);
  return rows.map((row) => row.person);
}

type StoredPerson = typeof person.$inferSelect;

/** Everybody who could run the workshop is locked, in one order: two managers cannot each switch the other off. */
async function lockPeople(tx: Tx, id: string): Promise<{ all: StoredPerson[]; stored: StoredPerson }> {
  const all = await tx.select().from(person).orderBy(person.id).for('no key update');
  const stored = one(
    all.filter((row) => row.id === id),
    'person',
  );
  return { all, stored };
}

const joined = (row: StoredPerson) => ({ ...row, joined: row.passwordHash !== null });

function holdLastManager(all: readonly StoredPerson[], changed: StoredPerson): void {
  if (locksOutLastManager(all.map(joined), joined(changed)))
    throw new RuleBroken('This is the last manager who can sign in. Make somebody else a manager first.');
}

async function holdFreeName(tx: Tx, signIn: string, id: string | null): Promise<void> {
  const [same] = await tx.select({ id: person.id }).from(person).where(eq(person.signIn, signIn));
  if (same && same.id !== id) throw new BadInput({ signIn: 'Somebody else signs in with this name.' });
}

/**
 * The live stages on which the person of an authorisation is, locked with their jobs in the one order (job, stage) before
 * the authorisation itself, so that ending it and confirming do not wait for each other.
 */
async function lockLiveWork(tx: Tx, lock: Change['job'], authorisationId: string): Promise<void> {
  const live = await tx
    .select({ id: stage.id, jobId: stage.jobId })
    .from(authorisation)
    .innerJoin(timeEntry, and(eq(timeEntry.personId, authorisation.personId), isNull(timeEntry.to)))
    .innerJoin(stage, and(eq(stage.id, timeEntry.stageId), eq(stage.liveHv, true)))
    .where(eq(authorisation.id, authorisationId));
  for (const { id, jobId } of live) {
    await lock({ id: jobId });
    await tx.select({ id: stage.id }).from(stage).where(eq(stage.id, id)).for('no key update');
  }
}

/** What of a person may stand in the history: never a password, hashed or not. */
const told = ({ passwordHash: _, ...rest }: StoredPerson) => rest;

export const peopleEndpoints = [
  serve(peopleAddress.list, ({ db, person: who }) => everybody(db, who)),
  serve(peopleAddress.add, ({ change, body, person: who, workshop, now }) =>
    change(async ({ tx, log }) => {
      // One at a time: a name to sign in with is taken by the first, and the next is told.
      await tx.execute(sql`select pg_advisory_xact_lock(4417030)`);
      await holdFreeName(tx, body.signIn, null);
      const { token, ...own } = body;
      const row = made(
        await tx
          .insert(person)
          .values({ ...own, skills: [...own.skills], initials: initialsOf(own.name), unitSet: workshop.unitSet })
          .returning(),
      );
      await log({ what: `added ${body.name}`, resource: 'person', id: row.id, after: told(row) });
      return makeInvitation(tx, row.id, { token, byId: who.id, now: now() });
    }),
  ),
  serve(peopleAddress.change, ({ change, params, body, person: who }) =>
    change(async ({ tx, log }) => {
      const { all, stored } = await lockPeople(tx, params.id);
      if (stored.version !== body.version)
        throw new Stale((await everybody(tx, who)).find((row) => row.id === params.id));
      await tx.execute(sql`select pg_advisory_xact_lock(4417030)`);
      await holdFreeName(tx, body.signIn, stored.id);
      holdLastManager(all, { ...stored, role: body.role });
      const next = { ...body, skills: [...body.skills], version: stored.version + 1 };
      const row = made(await tx.update(person).set(next).where(eq(person.id, stored.id)).returning());
      const what = `changed ${body.name}`;
      await log({ what, resource: 'person', id: row.id, before: told(stored), after: told(row) });
      return { version: row.version };
    }),
  ),
  serve(peopleAddress.activate, ({ change, params, body, person: who }) =>
    change(async ({ tx, log }) => {
      const { all, stored } = await lockPeople(tx, params.id);
      if (stored.version !== body.version)
        throw new Stale((await everybody(tx, who)).find((row) => row.id === params.id));
      holdLastManager(all, { ...stored, active: body.active });
      const [on] = body.active
        ? []
        : await tx
            .select({ id: timeEntry.id })
            .from(timeEntry)
            .where(and(eq(timeEntry.personId, stored.id), isNull(timeEntry.to)));
      if (on) throw new RuleBroken(`${stored.name} is clocked on. Clock off first, then switch them off.`);
      const version = stored.version + 1;
      await tx.update(person).set({ active: body.active, version }).where(eq(person.id, stored.id));
      if (!body.active) await tx.execute(sql`delete from session where sess ->> 'personId' = ${stored.id}`);
      const what = body.active ? `took ${stored.name} back` : `switched ${stored.name} off`;
      await log({ what, resource: 'person', id: stored.id, before: told(stored), after: { active: body.active } });
      return { version };
    }),
  ),
  serve(peopleAddress.invite, ({ change, params, body, person: who, now }) =>
    change(async ({ tx, log }) => {
      const { stored } = await lockPeople(tx, params.id);
      if (!stored.active) throw new RuleBroken(`${stored.name} is switched off. Take them back first.`);
      const invited = await makeInvitation(tx, stored.id, { token: body.token, byId: who.id, now: now() });
      await log({ what: `invited ${stored.name}`, resource: 'person', id: stored.id });
      return invited;
    }),
  ),
  serve(peopleAddress.authorise, ({ change, params, body }) =>
    change(async ({ tx, log }) => {
      const { stored } = await lockPeople(tx, params.id);
      const row = made(
        await tx
          .insert(authorisation)
          .values({ ...body, personId: stored.id })
          .returning({ id: authorisation.id }),
      );
      const what = `authorised ${stored.name} for high voltage until ${body.validUntil}`;
      await log({ what, resource: 'person', id: stored.id, after: body });
      return row;
    }),
  ),
  serve(peopleAddress.endAuthorisation, ({ change, params, body, today }) =>
    change(async ({ tx, log, job: lock }) => {
      await lockLiveWork(tx, lock, params.id);
      const stored = one(
        await tx.select().from(authorisation).where(eq(authorisation.id, params.id)).for('no key update'),
        'authorisation',
      );
      if (stored.endedOn) throw new Stale(stored);
      await tx.update(authorisation).set({ endedOn: today, endedWhy: body.why }).where(eq(authorisation.id, stored.id));
      const what = 'ended a high-voltage authorisation';
      await log({ what, resource: 'person', id: stored.personId, before: stored, after: body });
      return { id: stored.id };
    }),
  ),
];
