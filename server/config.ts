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
  readonly signInTries: number;
}

export const DEMO_PASSWORD = 'quay-and-copper';

export function configFrom(
  env: NodeJS.ProcessEnv,
  databaseUrl: string,
  pageFolder: string | null,
  sessionSecret: string,
): Config {
  return {
    databaseUrl,
    workshopName: env.WORKSHOP_NAME ?? 'Tarrow Quay Works',
    timeZone: env.WORKSHOP_TIME_ZONE ?? 'Europe/Lisbon',
    rateCents: 5800,
    hoursPerDay: 13,
    demo: env.DAJO_DEMO !== '0',
    demoPassword: DEMO_PASSWORD,
    sessionSecret,
    pageFolder,
    signInTries: Number(env.SIGN_IN_TRIES ?? 10),
  };
}

/** Today's ISO date in a time zone. */
export function todayIn(timeZone: string, now: Date): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone }).format(now);
}
