import { createContext, type ReactNode, useContext, useEffect } from 'react';
import useSWR, { mutate } from 'swr';
import { pathOf } from '../../contract/address.ts';
import { type SessionInfo, type SignedIn, sessionAddress } from '../../contract/session.ts';
import type { UnitSet } from '../../core/quantity/units.ts';
import { ask, send, setCsrfToken } from './client.ts';

const SESSION = pathOf(sessionAddress.now, {});
const SessionContext = createContext<SessionInfo | null>(null);

/** Knows who is signed in; shows nothing until the server has said so. */
export function SessionProvider({
  children,
  failed,
}: {
  children: ReactNode;
  failed: (retry: () => void) => ReactNode;
}) {
  const { data, error, mutate: again } = useSWR<SessionInfo, Error>(SESSION, ask, { revalidateOnFocus: false });
  useEffect(() => {
    if (data) setCsrfToken(data.csrfToken);
  }, [data]);
  if (!data) return error ? failed(() => void again()) : null;
  return <SessionContext value={data}>{children}</SessionContext>;
}

export function useSession(): SessionInfo {
  const session = useContext(SessionContext);
  if (!session) throw new Error('no session above this');
  return session;
}

/** The signed-in person; only used below the sign-in page. */
export function usePerson(): SignedIn {
  const { person } = useSession();
  if (!person) throw new Error('nobody is signed in');
  return person;
}

export const useUnitSet = (): UnitSet => useSession().person?.unitSet ?? 'metric';

export async function signIn(name: string, password: string): Promise<void> {
  // The session may have run out, and its token with it: fetch the one that belongs to this moment.
  setCsrfToken((await ask<SessionInfo>(SESSION)).csrfToken);
  const info = await send(sessionAddress.signIn, {}, { signIn: name, password });
  setCsrfToken(info.csrfToken);
  await mutate(SESSION, info, { revalidate: false });
}

export async function signOut(): Promise<void> {
  const info = await send(sessionAddress.signOut, {});
  setCsrfToken(info.csrfToken);
  await mutate((key) => key !== SESSION, undefined, { revalidate: false });
  await mutate(SESSION, info, { revalidate: false });
}

/** Changes the unit set for this person, everywhere at once. */
export async function setUnitSet(unitSet: UnitSet): Promise<void> {
  await mutate(
    SESSION,
    (info?: SessionInfo) => (info?.person ? { ...info, person: { ...info.person, unitSet } } : info),
    { revalidate: false },
  );
  await send(sessionAddress.prefer, {}, { unitSet });
}
