import type { Request } from 'express';
import type { SignedIn } from '../../contract/session.ts';
import type { Workshop } from '../../contract/workshop.ts';
import { type Db, prepared } from '../db/connect.ts';
import { sharedBy } from '../read/together.ts';
import { WORKSHOP_SQL } from '../read/workshop.ts';

declare module 'express-session' {
  interface SessionData {
    personId: string;
    csrfToken: string;
    /** Instant of signing in, and what with. */
    since: string;
    with: string;
  }
}

/** Who asks, and the workshop they ask in. */
export interface Visitor {
  readonly person: SignedIn;
  readonly workshop: Workshop;
}

/** Who is behind a request's session, with what they may do today; null when nobody is signed in. */
export async function visitorOf(db: Db, req: Request): Promise<Visitor | null> {
  const id = req.session?.personId;
  return id ? visitorById(db, id) : null;
}

const VISITOR_SQL = `select json_build_object('id', p.id, 'name', p.name, 'initials', p.initials, 'role', p.role,
      'skills', p.skills, 'unitSet', p.unit_set, 'hvUntil', (select a.until from hv_authorised a where a.person_id = p.id)) as person,
    ${WORKSHOP_SQL} as workshop
  from person p where p.id = $1 and p.active`;

/** Every request asks who it is from, so this one is prepared, and shared by those that come at the same moment. */
export const visitorById = (db: Db, id: string): Promise<Visitor | null> =>
  sharedBy(db)(`person ${id}`, async () => {
    const [row] = await prepared<Visitor>(db, 'visitor by id', VISITOR_SQL, [id]);
    return row ?? null;
  });
