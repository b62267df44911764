import type { Request } from 'express';
import type { SignedIn } from '../../contract/session.ts';
import { type Db, prepared } from '../db/connect.ts';
import { sharedBy } from '../read/together.ts';

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

const PERSON_SQL = `select p.id, p.name, p.initials, p.role, p.skills, p.unit_set as "unitSet",
    (select max(a.valid_until)::text from authorisation a where a.person_id = p.id) as "hvUntil"
  from person p where p.id = $1 and p.active`;

/** Every request asks who it is from, so this one is prepared, and shared by those that come at the same moment. */
export const personById = (db: Db, id: string): Promise<SignedIn | null> =>
  sharedBy(db)(`person ${id}`, async () => {
    const [row] = await prepared<SignedIn>(db, 'person by id', PERSON_SQL, [id]);
    return row ?? null;
  });
