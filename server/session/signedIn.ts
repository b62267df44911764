import { and, eq, max } from 'drizzle-orm';
import type { Request } from 'express';
import type { SignedIn } from '../../contract/session.ts';
import type { Db } from '../db/connect.ts';
import { authorisation, person } from '../db/schema/index.ts';

declare module 'express-session' {
  interface SessionData {
    personId: string;
    csrfToken: string;
  }
}

/** The person behind a request's session, with what they may do today; null when nobody is signed in. */
export async function signedInPerson(db: Db, req: Request): Promise<SignedIn | null> {
  const id = req.session?.personId;
  return id ? personById(db, id) : null;
}

export async function personById(db: Db, id: string): Promise<SignedIn | null> {
  const [row] = await db
    .select({
      id: person.id,
      name: person.name,
      initials: person.initials,
      role: person.role,
      skills: person.skills,
      unitSet: person.unitSet,
      hvUntil: max(authorisation.validUntil),
    })
    .from(person)
    .leftJoin(authorisation, eq(authorisation.personId, person.id))
    .where(and(eq(person.id, id), eq(person.active, true)))
    .groupBy(person.id);
  return row ?? null;
}
