import { isIP } from 'node:net';

/** What a server needs to know about where it stands. */
export interface Config {
  readonly databaseUrl: string;
  readonly workshopName: string;
  readonly timeZone: string;
  readonly rateCents: number;
  /** Person-hours a day that usually go into one vehicle: two people, less breaks and fetching. */
  readonly hoursPerDay: number;
  /** The sample workshop: its sign-ins are shown on the sign-in page. */
  readonly demo: boolean;
  readonly demoPassword: string;
  readonly sessionSecret: string;
  /** Folder of the built page; null when the page is served elsewhere (development). */
  readonly pageFolder: string | null;
  /** Wrong tries at one account from one address in five minutes before it has to wait. */
  readonly signInTries: number;
  /** Proxies whose word about address and HTTPS is taken; an empty list trusts nobody. */
  readonly trustedProxies: readonly string[];
}

export const DEMO_PASSWORD = 'quay-and-copper';

/** A setting that cannot be used, with a sentence that names it and says what to write. */
export class SettingFault extends Error {}

export interface Standing {
  readonly databaseUrl: string;
  readonly pageFolder: string | null;
  readonly sessionSecret: string;
  /** Is the sample workshop in this database, so that its sign-ins may be shown? */
  readonly sample: boolean;
}

/** Reads the settings of the environment; throws a SettingFault for one that cannot be used. */
export function configFrom(env: NodeJS.ProcessEnv, standing: Standing): Config {
  const { sample, ...own } = standing;
  return {
    ...own,
    workshopName: env.WORKSHOP_NAME ?? 'Tarrow Quay Works',
    timeZone: timeZoneFrom(env),
    rateCents: 5800,
    hoursPerDay: 13,
    demo: sample,
    demoPassword: DEMO_PASSWORD,
    signInTries: wholeFrom(env, 'SIGN_IN_TRIES', 10, 1, 1000),
    trustedProxies: proxiesFrom(env.TRUSTED_PROXIES),
  };
}

/** The workshop's time zone from the environment. */
export function timeZoneFrom(env: NodeJS.ProcessEnv): string {
  const zone = env.WORKSHOP_TIME_ZONE ?? 'Europe/Lisbon';
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
  } catch {
    throw new SettingFault(
      `WORKSHOP_TIME_ZONE is “${zone}”, which is no time zone: write one like Europe/Lisbon or America/Denver.`,
    );
  }
  return zone;
}

/** A whole number of the environment, between two ends. */
export function wholeFrom(env: NodeJS.ProcessEnv, name: string, usual: number, least: number, most: number): number {
  const text = env[name];
  if (text === undefined || text === '') return usual;
  const value = Number(text);
  if (!Number.isInteger(value) || value < least || value > most)
    throw new SettingFault(`${name} is “${text}”: write a whole number from ${least} to ${most}.`);
  return value;
}

const NAMED = ['loopback', 'linklocal', 'uniquelocal'];

function proxiesFrom(text: string | undefined): string[] {
  const list = (text ?? '')
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);
  const wrong = list.find((one) => !NAMED.includes(one) && isIP(one.split('/')[0] ?? '') === 0);
  if (wrong !== undefined)
    throw new SettingFault(
      `TRUSTED_PROXIES has “${wrong}”: write addresses like 10.0.0.5 or 10.0.0.0/24, or loopback.`,
    );
  return list;
}
