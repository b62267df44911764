import { sql } from 'drizzle-orm';
import ical, { ICalCalendarMethod } from 'ical-generator';
import type { Workshop } from '../../contract/workshop.ts';
import type { StoredPlan } from '../../core/plan/storedPlan.ts';
import { dayAfter, localInstant } from '../../wording/zoneDays.ts';
import type { Db } from '../db/connect.ts';

/** How long a calendar waits before it reads again, seconds. */
const AGAIN_S = 1800;

const begun = (name: string) => {
  const calendar = ical({ name, prodId: { company: 'Dajo', product: 'Dajo', language: 'EN' }, ttl: AGAIN_S });
  calendar.method(ICalCalendarMethod.PUBLISH);
  return calendar;
};

/** "2026-12-01 10:30", local time of the workshop. */
const instantOf = (local: string, timeZone: string) => {
  const [day = '', time = ''] = local.split(' ');
  return new Date(localInstant(day, time, timeZone));
};

const wholeDays = (from: string, to: string) => ({
  allDay: true,
  start: new Date(`${from}T00:00:00Z`),
  // The end of whole days is the day after the last.
  end: new Date(`${dayAfter(to)}T00:00:00Z`),
});

/** What somebody is to do, as the plan in force has it, and the days they are away. */
export async function personFeed(db: Db, personId: string, workshop: Workshop): Promise<string> {
  const { rows } = await db.execute<{ name: string; plan: StoredPlan | null; madeAt: Date | null }>(sql`
    select p.name, w.body as plan, w.at as "madeAt" from person p
    left join lateral (select body, at from work_plan order by id desc limit 1) w on true where p.id = ${personId}`);
  const { rows: stages } = await db.execute<{ id: string; name: string; title: string; live: boolean }>(sql`
    select s.id::text as id, s.name, v.name as title, s.live_hv as live from stage s join job j on j.id = s.job_id
    join vehicle v on v.id = j.vehicle_id where s.state <> 'done'`);
  const { rows: places } = await db.execute<{ id: string; name: string }>(sql`select id, name from place`);
  const { rows: away } = await db.execute<{ id: string; from: string; to: string; why: string }>(sql`
    select id::text as id, from_day::text as "from", to_day::text as "to", why from absence
    where person_id = ${personId} and dropped_at is null and to_day >= current_date - 60 order by from_day`);
  const [who] = rows;
  const calendar = begun(`${workshop.name}: ${who?.name ?? ''}`);
  const stageOf = new Map(stages.map((stage) => [stage.id, stage]));
  const placeOf = new Map(places.map(({ id, name }) => [id, name]));
  for (const planned of who?.plan?.stages ?? []) {
    if (!planned.people.includes(personId)) continue;
    const stage = stageOf.get(planned.id);
    calendar.createEvent({
      id: `stage-${planned.id.replace(/ /g, '-')}@dajo`,
      start: instantOf(planned.from, workshop.timeZone),
      end: instantOf(planned.to, workshop.timeZone),
      stamp: who?.madeAt ? new Date(who.madeAt) : new Date(),
      summary: `${planned.job} ${stage?.title ?? ''}: ${stage?.name ?? planned.id.split(' ').slice(1).join(' ')}`,
      location: planned.placeId ? (placeOf.get(planned.placeId) ?? '') : '',
      description: stage?.live ? 'Live high-voltage work: two people, one of them authorised.' : '',
    });
  }
  for (const { id, from, to, why } of away)
    calendar.createEvent({ id: `away-${id}@dajo`, ...wholeDays(from, to), summary: why ? `Away: ${why}` : 'Away' });
  return calendar.toString();
}

/** The days jobs are promised for, with the day the plan has them ready. */
export async function promisesFeed(db: Db, workshop: Workshop): Promise<string> {
  const { rows } = await db.execute<{ number: string; title: string; promised: string; show: boolean }>(sql`
    select j.number, v.name as title, j.promised::text as promised, j.priority = 'show' as show from job j
    join vehicle v on v.id = j.vehicle_id
    where j.promised is not null and j.state not in ('handedOver', 'cancelled') order by j.promised, j.number`);
  const { rows: plans } = await db.execute<{ plan: StoredPlan }>(
    sql`select body as plan from work_plan order by id desc limit 1`,
  );
  const calendar = begun(`${workshop.name}: promised`);
  for (const { number, title, promised, show } of rows) {
    const ready = plans[0]?.plan.jobs.find((one) => one.number === number)?.to.slice(0, 10);
    calendar.createEvent({
      ...{ id: `promise-${number}@dajo`, ...wholeDays(promised, promised) },
      summary: `${number} ${title} promised${show ? ', for a show' : ''}`,
      description: ready ? `The plan has it ready on ${ready}.` : '',
    });
  }
  return calendar.toString();
}
