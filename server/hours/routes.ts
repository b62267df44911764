import { and, eq, isNull, sql } from 'drizzle-orm';
import { hoursAddress, type MyClock } from '../../contract/hours.ts';
import { isForgotten } from '../../core/hours/sums.ts';
import { hoursTable } from '../../wording/hours.ts';
import { dayAfter, dayBegins, zoneDays } from '../../wording/zoneDays.ts';
import { stage, timeEntry } from '../db/schema/index.ts';
import { serve } from '../endpoint.ts';
import { BadInput, RuleBroken } from '../problems.ts';
import { leftStage } from '../read/leftStage.ts';
import { sendCsv } from '../read/sendCsv.ts';
import { hoursSheet, hoursWhere } from './rows.ts';
import { correct, enterLate, holdSpan, keepTrace, lockEntry, saidOf, stageOf, strike } from './write.ts';

/** The longest stretch that is asked for at once, days. */
const MOST_DAYS = 400;

const stretch = (params: { readonly from: string; readonly to: string }, timeZone: string) => {
  const days = (Date.parse(params.to) - Date.parse(params.from)) / 86_400_000;
  if (!(days >= 0 && days <= MOST_DAYS))
    throw new BadInput({ to: `Ask for one day to ${MOST_DAYS}, the last not before the first.` });
  return [new Date(dayBegins(params.from, timeZone)), new Date(dayBegins(dayAfter(params.to), timeZone))] as const;
};

export const hoursEndpoints = [
  serve(hoursAddress.mine, async ({ db, person, workshop, now }): Promise<MyClock> => {
    const [open] = await hoursWhere(db, sql`t.person_id = ${person.id} and t."to" is null`);
    const [last] = await hoursWhere(
      db,
      sql`t.id = (select id from time_entry where person_id = ${person.id} order by "from" desc, id desc limit 1)
        and t.paused and t."to" > now() - interval '14 hours'`,
    );
    const days = zoneDays(workshop.timeZone);
    const forgotten = open ? isForgotten({ from: Date.parse(open.from), to: null }, now().getTime(), days) : false;
    return { open: open ?? null, forgotten, paused: !open && last ? last : null };
  }),
  serve(hoursAddress.forgotten, ({ change, body, person, now, today }) =>
    change(async (c) => {
      const { tx, log } = c;
      const { stored, job } = await lockEntry(c, body.entryId, null);
      if (stored.personId !== person.id) throw new RuleBroken('Only they know when they stopped.');
      if (stored.to !== null) throw new RuleBroken('These hours were ended already.');
      const of = await stageOf(tx, stored.stageId);
      const to = new Date(body.to);
      await holdSpan(tx, { personId: person.id, from: stored.from, to }, now(), stored.id);
      const before = saidOf(stored, of);
      const after = saidOf({ ...stored, to }, of);
      await tx
        .update(timeEntry)
        .set({ to, version: stored.version + 1 })
        .where(and(eq(timeEntry.id, stored.id), isNull(timeEntry.to)));
      await leftStage(tx, (await tx.select().from(stage).where(eq(stage.id, stored.stageId)))[0]!, today);
      const why = 'forgot to clock off';
      await keepTrace(tx, { entryId: stored.id, personId: person.id, byId: person.id, at: now(), why, before, after });
      await log({ what: why, resource: 'stage', id: stored.stageId, job: job.number, before, after });
      return { id: stored.id };
    }),
  ),
  serve(hoursAddress.list, ({ db, params, workshop }) => hoursSheet(db, ...stretch(params, workshop.timeZone))),
  serve(hoursAddress.table, async ({ db, params, workshop, now, res }) => {
    const [from, to] = stretch(params, workshop.timeZone);
    const { entries } = await hoursSheet(db, from, to);
    const span = { from: from.getTime(), to: to.getTime(), now: now().getTime() };
    return sendCsv(res, `hours-${params.from}-${params.to}.csv`, hoursTable(entries, span, workshop.timeZone));
  }),
  serve(hoursAddress.add, ({ change, body, person, now }) => change((c) => enterLate(c, body, person, now()))),
  serve(hoursAddress.correct, ({ change, params, body, person, now, today }) =>
    change(async (c) => {
      const { stored, was, version } = await correct(c, Number(params.entry), body, person, now());
      if (stored.to === null && body.to !== null) await leftStage(c.tx, was, today);
      return { version };
    }),
  ),
  serve(hoursAddress.strike, ({ change, params, body, person, now }) =>
    change((c) => strike(c, Number(params.entry), body, person, now())),
  ),
];
