import { isIP } from 'node:net';
import type { House } from '../contract/session.ts';

/** What a server needs to know about where it stands. */
export interface Config {
  readonly databaseUrl: string;
  /** The sample workshop: its sign-ins are shown on the sign-in page. */
  readonly demo: boolean;
  readonly demoPassword: string;
  readonly sessionSecret: string;
  /** Folder of the built page; null when the page is served elsewhere (development). */
  readonly pageFolder: string | null;
  /** Wrong tries at one account from one address in five minutes before it has to wait. */
  readonly signInTries: number;
  /** The session's cookie: two workshops on one address need two. */
  readonly cookieName: string;
  /** Word that whoever begins a workshop must know; null where only this machine can ask. */
  readonly beginWord: string | null;
  /** The other workshop of this installation; null where there is one. */
  readonly houses: HousesNow | null;
  readonly logLevel: LogLevel;
  /** How much all photographs and papers together may take, bytes. */
  readonly filesQuotaBytes: number;
  /** Proxies whose word about address and HTTPS is taken; an empty list trusts nobody. */
  readonly trustedProxies: readonly string[];
}

export const DEMO_PASSWORD = 'quay-and-copper';

/** A setting that cannot be used, with a sentence that names it and says what to write. */
export class SettingFault extends Error {}

/** Which of two workshops this is, and whether the own one has been begun. */
export interface HousesNow {
  readonly here: House;
  readonly ownBegun: () => Promise<boolean>;
}

export interface Standing {
  readonly databaseUrl: string;
  readonly pageFolder: string | null;
  readonly sessionSecret: string;
  /** Is the sample workshop in this database, so that its sign-ins may be shown? */
  readonly sample: boolean;
  /** @default null */
  readonly beginWord?: string | null;
  /** @default null */
  readonly houses?: HousesNow | null;
}

/** Reads the settings of the environment; throws a SettingFault for one that cannot be used. */
export function configFrom(env: NodeJS.ProcessEnv, standing: Standing): Config {
  const { sample, beginWord = null, houses = null, ...own } = standing;
  return {
    ...own,
    beginWord,
    houses,
    cookieName: houses?.here === 'own' ? 'dajo-own' : 'dajo',
    demo: sample,
    demoPassword: DEMO_PASSWORD,
    signInTries: wholeFrom(env, 'SIGN_IN_TRIES', 10, 1, 1000),
    logLevel: levelFrom(env.LOG_LEVEL),
    filesQuotaBytes: wholeFrom(env, 'FILES_QUOTA_MB', 10_240, 1, 10_000_000) * 1e6,
    trustedProxies: proxiesFrom(env.TRUSTED_PROXIES),
  };
}

export const LOG_LEVELS = ['silent', 'error', 'warn', 'info', 'debug'] as const;
export type LogLevel = (typeof LOG_LEVELS)[number];

function levelFrom(text: string | undefined): LogLevel {
  if (text === undefined || text === '') return 'warn';
  const level = LOG_LEVELS.find((one) => one === text);
  if (!level) throw new SettingFault(`LOG_LEVEL is “${text}”: write one of ${LOG_LEVELS.join(', ')}.`);
  return level;
}

/** Settings of the process, not of a house. */
export interface Settings {
  readonly backupFolder: string;
  /** Does this server do what is to be done by itself, or is there a worker for it? */
  readonly work: boolean;
}

export function settingsOf(env: NodeJS.ProcessEnv): Settings {
  const work = env.WORK ?? '';
  if (work !== '' && work !== 'on' && work !== 'off')
    throw new SettingFault(`WORK is “${work}”: write on, or off where npm run work does it.`);
  return { backupFolder: env.BACKUP_FOLDER || 'backups', work: work !== 'off' };
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
