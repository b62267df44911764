import { sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { kitStages, type StageTemplate } from '../../core/kit/kit.ts';
import type { FactPart, FactPerson, FactPlace, FactStage, PlanFacts, Priority } from '../../core/plan/facts.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import type { Db, Tx } from '../db/connect.ts';

/** Jobs that are worked on or will be: agreed, and not over. */
const PLANNED = ['agreed', 'waitingForPart', 'waitingOutside', 'building', 'proving'];
/** Moving a vehicle costs half an hour (trade §7.2). */
const MOVE_MINUTES = 30;

interface StoredJobFacts {
  readonly number: string;
  readonly title: string;
  readonly promised: string | null;
  readonly priority: Priority;
  readonly standsIn: string | null;
  readonly stages: readonly FactStage[];
  readonly template: readonly StageTemplate[] | null;
  readonly variantId: string;
  readonly options: readonly string[];
  readonly parts: readonly (Omit<FactPart, 'kind'> & { readonly kind: ComponentKind })[];
}

/** Everything a plan rests on, as it is now: one statement, one moment. */
export async function planFacts(db: Db | Tx, workshop: Workshop, now: Date): Promise<PlanFacts> {
  const { rows } = await db.execute<{
    day: string;
    minute: number;
    people: FactPerson[];
    places: FactPlace[];
    jobs: StoredJobFacts[];
  }>(sql`
    with local as (select ${now.toISOString()}::timestamptz at time zone ${workshop.timeZone} as t)
    select to_char(t, 'YYYY-MM-DD') as day, (extract(hour from t) * 60 + extract(minute from t))::int as minute,
      (select coalesce(json_agg(json_build_object('id', p.id, 'name', p.name, 'initials', p.initials, 'skills', p.skills,
          'dayHours', p.day_hours, 'hvUntil', (select a.until from hv_authorised a where a.person_id = p.id),
          'away', (select coalesce(json_agg(json_build_object('from', b.from_day, 'to', b.to_day) order by b.from_day), '[]'::json)
            from absence b where b.person_id = p.id and b.dropped_at is null and b.to_day >= local.t::date)) order by p.name), '[]'::json)
        from person p where p.active and (p.role = 'technician' or p.role = 'manager'
          -- Where nobody else works, those who lead do.
          and not exists (select from person w where w.active and w.role = 'technician'))) as people,
      (select coalesce(json_agg(json_build_object('id', id, 'name', name, 'lift', lift, 'alignment', alignment) order by y_m, x_m, id), '[]'::json)
        from place where not closed and kind = 'bay') as places,
      (select coalesce(json_agg(json_build_object('number', j.number, 'title', v.name, 'promised', j.promised, 'priority', j.priority,
          'standsIn', (select b.id from place b where b.id = j.place_id and b.kind = 'bay' and not b.closed),
          'variantId', v.variant_id, 'options', j.kit_options,
          'template', (select r.body -> 'stages' from kit_revision r where r.id = j.kit_revision_id
            and not exists (select from stage s where s.job_id = j.id)),
          'stages', (select coalesce(json_agg(json_build_object('id', s.id, 'key', s.key, 'name', s.name, 'traits', s.traits,
              'after', s.after, 'hours', s.hours, 'people', s.people, 'mostPeople', s.most_people, 'skill', s.skill,
              'liveHv', s.live_hv, 'state', s.state, 'notBefore', s.not_before,
              'hoursClocked', (select coalesce(sum(extract(epoch from coalesce(e."to", ${now.toISOString()}::timestamptz) - e."from")) / 3600, 0)
                from time_entry e where e.stage_id = s.id and e.kind in ('work', 'learning')),
              'onIt', (select coalesce(json_agg(e.person_id order by e.person_id), '[]'::json) from time_entry e
                where e.stage_id = s.id and e."to" is null and e.kind <> 'waiting')) order by s.position), '[]'::json)
            from stage s where s.job_id = j.id),
          'parts', (select coalesce(json_agg(json_build_object('componentId', l.component_id, 'name', c.name, 'kind', c.kind,
              'due', case when l.state = 'ordered' then l.due end, 'leadDays', c.lead_days) order by c.name, l.id), '[]'::json)
            from part_line l join component c on c.id = l.component_id where l.job_id = j.id and l.state in ('missing', 'ordered'))
        ) order by j.number), '[]'::json)
        from job j join vehicle v on v.id = j.vehicle_id where j.state = any(${sql.param(PLANNED)}::text[])) as jobs
    from local`);
  const { day, people, places, jobs } = rows[0]!;
  // To the quarter: nobody plans by the minute.
  const minute = Math.ceil(rows[0]!.minute / 15) * 15;
  const { dayStartH, dayEndH, breakH, workingDays, practice } = workshop;
  return {
    ...{ now: { day, minute }, workingDays, people, places, moveMinutes: MOVE_MINUTES },
    closedDays: practiceOf(practice).closedDays.map((one) => one.day),
    open: {
      startMin: Math.round(dayStartH * 60),
      breakMin: Math.round(breakH * 60),
      endMin: Math.round(dayEndH * 60),
    },
    jobs: jobs.map(({ template, variantId, options, stages, ...job }) => ({
      ...job,
      // Until its stages are there, those of the kit it takes.
      stages: template
        ? kitStages({ stages: template }, variantId, options).map((stage) => asFact(job.number, stage))
        : stages,
    })),
  };
}

const asFact = (number: string, stage: StageTemplate): FactStage => ({
  ...{ id: `${number} ${stage.key}`, key: stage.key, name: stage.name, traits: stage.traits, after: stage.after },
  ...{ hours: stage.hours, hoursClocked: 0, people: stage.people, mostPeople: stage.mostPeople ?? null },
  ...{ skill: stage.skill ?? '', liveHv: stage.liveHv, state: 'waiting', notBefore: null, onIt: [] },
});
