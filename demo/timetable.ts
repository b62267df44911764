/** Who is where when, as the sample is made: nobody is in two places. */
export interface Timetable {
  /** Of these people, those who are nowhere in this time. */
  readonly free: (people: readonly string[], from: Date, to: Date) => string[];
  readonly take: (personId: string, from: Date, to: Date) => void;
}

export function timetable(): Timetable {
  const taken = new Map<string, { readonly from: number; readonly to: number }[]>();
  return {
    free: (people, from, to) =>
      people.filter((id) => !(taken.get(id) ?? []).some((one) => one.from < to.getTime() && from.getTime() < one.to)),
    take: (id, from, to) => {
      const span = { from: from.getTime(), to: to.getTime() };
      taken.set(id, [...(taken.get(id) ?? []), span]);
    },
  };
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A working day of the sample, UTC. */
const [BEGINS_H, ENDS_H] = [8, 16];

/** The evening of the working day before this one. */
function eveningBefore(at: Date): Date {
  const back = at.getUTCDay() === 1 ? 3 : at.getUTCDay() === 0 ? 2 : 1;
  const day = new Date(at.getTime() - back * DAY_MS);
  day.setUTCHours(ENDS_H, 0, 0, 0);
  return day;
}

/** The latest time before an instant, within one working day, in which so many of these people are free. */
export function spanBefore(
  at: Date,
  hours: number,
  people: { readonly of: readonly string[]; readonly many: number },
  { free }: Timetable,
): { from: Date; to: Date } {
  let to = at;
  for (;;) {
    const from = new Date(to.getTime() - hours * HOUR_MS);
    const begins = new Date(to);
    begins.setUTCHours(BEGINS_H, 0, 0, 0);
    if (from < begins) to = eveningBefore(to);
    else if (free(people.of, from, to).length >= people.many) return { from, to };
    else to = new Date(to.getTime() - HOUR_MS / 2);
  }
}
