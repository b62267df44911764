import { type SessionInfo, SIGNED_OUT_TOKEN } from '../../contract/session.ts';
import { DEMO_PASSWORD } from '../../server/config.ts';

/** What a signed-in browser sends along with every request. */
export interface Passport {
  readonly cookie: string;
  readonly token: string;
  readonly headers: Readonly<Record<string, string>>;
}

/** Signs a person of the sample in over HTTP; `base` is the server's address. */
export async function signInOver(base: string, signIn: string): Promise<Passport> {
  const answer = await fetch(`${base}/api/session`, {
    method: 'POST',
    headers: { 'X-CSRF-Token': SIGNED_OUT_TOKEN, 'Content-Type': 'application/json' },
    body: JSON.stringify({ signIn, password: DEMO_PASSWORD }),
  });
  if (!answer.ok) throw new Error(`${signIn} was not signed in: ${answer.status} ${await answer.text()}`);
  const cookie = answer.headers.getSetCookie()[0]!.split(';')[0]!;
  const { csrfToken: token } = (await answer.json()) as SessionInfo;
  return { cookie, token, headers: { cookie, 'X-CSRF-Token': token, 'Content-Type': 'application/json' } };
}
