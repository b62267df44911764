import { createHash } from 'node:crypto';
import { and, eq, gt, isNull, sql } from 'drizzle-orm';
import type { InvitationMade, Invited } from '../../contract/people.ts';
import type { Db, Tx } from '../db/connect.ts';
import { invitation, person } from '../db/schema/index.ts';
import { ProblemError } from '../problems.ts';
import { workshopNow } from '../read/workshop.ts';

/** An invitation can be taken up for this long. */
const DAYS = 7;

/** Only the hash is kept: who reads the database cannot take up an invitation. */
const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');

/** Makes an invitation of a person; older ones of theirs end with it. */
export async function makeInvitation(
  tx: Tx,
  personId: string,
  { token, byId, now }: { token: string; byId: string; now: Date },
): Promise<InvitationMade> {
  await tx.delete(invitation).where(and(eq(invitation.personId, personId), isNull(invitation.usedAt)));
  const until = new Date(now.getTime() + DAYS * 86_400_000);
  await tx.insert(invitation).values({ personId, tokenHash: hashOf(token), until, byId });
  return { id: personId, until: until.toISOString() };
}

const gone = () =>
  new ProblemError('notFound', 'This invitation has been used or has run out. Ask a manager for a new one.');

const stillOpen = (token: string, now: Date) =>
  and(
    eq(invitation.tokenHash, hashOf(token)),
    isNull(invitation.usedAt),
    gt(invitation.until, now),
    eq(person.active, true),
  );

/** What an open invitation says; refused once it has been used or has run out. */
export async function lookAtInvitation(db: Db, token: string, now: Date): Promise<Invited> {
  const [row] = await db
    .select({ name: person.name, signIn: person.signIn })
    .from(invitation)
    .innerJoin(person, eq(person.id, invitation.personId))
    .where(stillOpen(token, now));
  if (!row) throw gone();
  return { ...row, workshop: (await workshopNow(db))?.name ?? '' };
}

/** Takes an invitation up with a password of one's own: of several at once the first has it. Answers whose it was. */
export async function takeInvitation(tx: Tx, token: string, passwordHash: string, now: Date): Promise<string> {
  const [row] = await tx
    .select({ id: invitation.id, personId: invitation.personId })
    .from(invitation)
    .innerJoin(person, eq(person.id, invitation.personId))
    .where(stillOpen(token, now))
    .for('update', { of: invitation });
  if (!row) throw gone();
  await tx.update(invitation).set({ usedAt: now }).where(eq(invitation.id, row.id));
  await tx
    .update(person)
    .set({ passwordHash, version: sql`${person.version} + 1` })
    .where(eq(person.id, row.personId));
  // Whoever was signed in with the old password is not any more.
  await tx.execute(sql`delete from session where sess ->> 'personId' = ${row.personId}`);
  return row.personId;
}
