import { createContext, type ReactNode, useContext, useEffect } from 'react';
import useSWR, { mutate } from 'swr';
import { pathOf } from '../../contract/address.ts';
import { HOUSE_COOKIE, type House, type SessionInfo, type SignedIn, sessionAddress } from '../../contract/session.ts';
import type { Workshop } from '../../contract/workshop.ts';
import type { UnitChoice, UnitSet } from '../../core/quantity/units.ts';
import { dayOf } from '../../wording/dates.ts';
import { ask, send, setCsrfToken } from './client.ts';
import { forgetKept } from './offline.ts';

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

/** The workshop's record; only used where one has been begun. */
export function useWorkshop(): Workshop {
  const { workshop } = useSession();
  if (!workshop) throw new Error('no workshop has been begun');
  return workshop;
}

/** How the person reads figures: their units, the workshop's currency. */
export function useUnitSet(): UnitSet {
  const { person, workshop } = useSession();
  return workshop ? `${person?.unitSet ?? workshop.unitSet} ${workshop.currency}` : 'metric';
}

/** Whether this workshop types decimals with a comma; null where it has not said. */
/** Today where the workshop is, ISO. */
export const useToday = (): string => dayOf(new Date(), useWorkshop().timeZone);

export const useDecimalComma = (): boolean | null => useSession().workshop?.practice.decimalComma ?? null;

/** Begins a workshop in this empty database and signs its manager in. */
export async function begin(send: () => Promise<SessionInfo | null>): Promise<boolean> {
  const info = await send();
  if (!info) return false;
  setCsrfToken(info.csrfToken);
  await mutate(SESSION, info, { revalidate: false });
  return true;
}

/** Goes to the sample or to the own workshop, and remembers it. */
export function chooseHouse(house: House, path = '/'): void {
  // biome-ignore lint/suspicious/noDocumentCookie: the one that all browsers have
  document.cookie = `${HOUSE_COOKIE}=${house}; path=/; max-age=31536000; samesite=lax`;
  location.assign(path);
}

/** Has somebody here chosen between the two before? */
export const houseChosen = (): boolean => document.cookie.includes(`${HOUSE_COOKIE}=`);

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
  await forgetKept();
  await mutate((key) => key !== SESSION, undefined, { revalidate: false });
  await mutate(SESSION, info, { revalidate: false });
}

/** Changes the unit set for this person, everywhere at once. */
export async function setUnitSet(unitSet: UnitChoice): Promise<void> {
  await mutate(
    SESSION,
    (info?: SessionInfo) => (info?.person ? { ...info, person: { ...info.person, unitSet } } : info),
    { revalidate: false },
  );
  await send(sessionAddress.prefer, {}, { unitSet });
}
