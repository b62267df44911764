/** A backup that is kept: when it was made. */
export interface KeptBackup {
  readonly id: string;
  /** Milliseconds since 1970. */
  readonly at: number;
}

const DAY_MS = 86_400_000;
/** Every one of so many days; then one a week for so many weeks; then one a month for so many months. */
export const KEEP_DAYS = 14;
export const KEEP_WEEKS = 8;
export const KEEP_MONTHS = 12;

/**
 * Which daily backups may go: all of the last fortnight stay, then the newest of each week for eight weeks, then the newest
 * of each month for a year. The newest of all always stays, however old it is. Common practice.
 */
export function toThrowAway<B extends KeptBackup>(backups: readonly B[], now: number): B[] {
  const newestFirst = [...backups].sort((a, b) => b.at - a.at);
  const taken = new Set<string>();
  return newestFirst.filter((one, i) => {
    const days = Math.floor((now - one.at) / DAY_MS);
    if (i === 0 || days < KEEP_DAYS) return false;
    const week = `week ${Math.floor(days / 7)}`;
    const month = `month ${Math.floor(days / 30)}`;
    const slot = days < KEEP_WEEKS * 7 ? week : days < KEEP_MONTHS * 30 ? month : null;
    if (slot === null || taken.has(slot)) return true;
    taken.add(slot);
    return false;
  });
}
