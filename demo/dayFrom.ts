const DAY_MS = 86_400_000;

/** ISO date so many days from a moment (UTC); negative days lie in the past. */
export const dayFrom = (now: Date, days: number): string =>
  new Date(now.getTime() + days * DAY_MS).toISOString().slice(0, 10);
