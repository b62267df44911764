import { sql } from 'drizzle-orm';
import type { Workshop } from '../../contract/workshop.ts';
import type { ComponentKind } from '../../core/component/sheets.ts';
import { kitStages, type StageTemplate } from '../../core/kit/kit.ts';
import { adoptedFor, withAdopted } from '../../core/learning/learnt.ts';
import type {
  FactFirm,
  FactJob,
  FactPart,
  FactPerson,
  FactPlace,
  FactStage,
  FactTool,
  PlanFacts,
  Priority,
} from '../../core/plan/facts.ts';
import { practiceOf } from '../../core/practice/practice.ts';
import { rootOf } from '../../core/vehicle/revisions.ts';
import type { Db, Tx } from '../db/connect.ts';
import { clockedSeconds } from '../read/clockedSql.ts';
import { adoptedEstimates } from '../read/estimates.ts';
import { FIRST_OF_KIND, LESSONS_WAITING } from '../read/firstOfKind.ts';
import { supplierLateness } from '../read/netting.ts';

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
  readonly overruled: readonly string[];
  readonly follows: FactJob['follows'];
  readonly out: FactJob['out'];
  readonly template: readonly StageTemplate[] | null;
  readonly variantId: string;
  readonly options: readonly string[];
  readonly kitId: string | null;
  readonly parts: readonly (Omit<FactPart, 'kind' | 'late'> & {
    readonly kind: ComponentKind;
    readonly supplierId: string;
  })[];
}

/** Everything a plan rests on, as it is now; what has been learnt and how late suppliers are, a moment later. */
export async function planFacts(db: Db | Tx, workshop: Workshop, now: Date): Promise<PlanFacts> {
  const { rows } = await db.execute<{
    day: string;
    minute: number;
    people: FactPerson[];
    places: FactPlace[];
    firms: FactFirm[];
    tools: FactTool[];
    kinds: string[];
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
      (select coalesce(json_agg(json_build_object('id', id, 'name', name, 'slots', slots, 'slotDays', slot_days) order by name, id), '[]'::json)
        from place where not closed and kind = 'outside') as firms,
      (select coalesce(json_agg(json_build_object('id', t.id, 'kind', t.kind, 'name', t.name,
          'until', case when t.calibrated then t.calibrated_until end) order by t.kind, t.name, t.id), '[]'::json)
        from tool t where t.out_why is null and (not t.calibrated or t.calibrated_until >= local.t::date)) as tools,
      (select coalesce(json_agg(distinct kind), '[]'::json) from tool) as kinds,
      (select coalesce(json_agg(json_build_object('number', j.number, 'title', v.name, 'promised', j.promised, 'priority', j.priority,
          'standsIn', (select b.id from place b where b.id = j.place_id and b.kind = 'bay' and not b.closed),
          'variantId', v.variant_id, 'options', j.kit_options,
          'follows', (select json_build_object('number', f.number, ${FIRST_OF_KIND},
              'lessons', ${LESSONS_WAITING}) from job f where f.id = j.follows_id),
          'out', (select json_build_object('holder', c.holder, 'dueBack', to_char(c.due_back at time zone ${workshop.timeZone}, 'YYYY-MM-DD'))
            from custody c where c.job_id = j.id and c.back_at is null),
          'overruled', (select coalesce(json_agg(d.rule || ' ' || d.subject order by d.rule, d.subject), '[]'::json) from
            (select distinct on (rule, subject) rule, subject, decision from verdict_decision
              where job_id = j.id and rule like 'order-%' order by rule, subject, at desc, id desc) d where d.decision = 'overridden'),
          'kitId', (select r.kit_id from kit_revision r where r.id = j.kit_revision_id),
          'template', (select r.body -> 'stages' from kit_revision r where r.id = j.kit_revision_id
            and not exists (select from stage s where s.job_id = j.id)),
          'stages', (select coalesce(json_agg(json_build_object('id', s.id, 'key', s.key, 'name', s.name, 'traits', s.traits,
              'after', s.after, 'hours', s.hours, 'people', s.people, 'mostPeople', s.most_people, 'skill', s.skill,
              'liveHv', s.live_hv, 'tools', s.tools, 'state', s.state, 'notBefore', s.not_before,
              'firm', case when s.firm_id is not null then json_build_object('id', s.firm_id, 'days', s.firm_days) end,
              'hoursClocked', (select coalesce(sum(${sql.raw(clockedSeconds('e', `'${now.toISOString()}'::timestamptz`))}) / 3600, 0)
                from time_entry e where e.stage_id = s.id and e.kind in ('work', 'learning')),
              'onIt', (select coalesce(json_agg(e.person_id order by e.person_id), '[]'::json) from time_entry e
                where e.stage_id = s.id and e."to" is null and e.kind <> 'waiting')) order by s.position), '[]'::json)
            from stage s where s.job_id = j.id),
          'parts', (select coalesce(json_agg(json_build_object('componentId', l.component_id, 'name', c.name, 'kind', c.kind,
              'due', case when l.state = 'ordered' then l.due end, 'leadDays', c.lead_days, 'supplierId', c.supplier_id) order by c.name, l.id), '[]'::json)
            from part_line l join component c on c.id = l.component_id where l.job_id = j.id and l.state in ('missing', 'ordered'))
        ) order by j.number), '[]'::json)
        from job j join vehicle v on v.id = j.vehicle_id where j.state = any(${sql.param(PLANNED)}::text[])) as jobs
    from local`);
  const { day, people, places, firms, tools, kinds, jobs } = rows[0]!;
  // Of a kind of which the register has none, nothing is known: it holds nothing up.
  const known = (stage: FactStage): FactStage => ({
    ...stage,
    tools: stage.tools.filter((kind) => kinds.includes(kind)),
  });
  // To the quarter: nobody plans by the minute.
  const minute = Math.ceil(rows[0]!.minute / 15) * 15;
  const adopted = await adoptedEstimates(db);
  const ofKit = (kitId: string | null) => adopted.filter((one) => one.kitId === kitId);
  // Hours somebody has changed for this job alone are of other work: what vehicles took says nothing of them.
  const tookOf = (kitId: string | null, { key, hours }: { key: string; hours: number }, variantId: string) => {
    const held = adoptedFor(ofKit(kitId), key, rootOf(variantId));
    return held && held.hours === hours ? { low: held.lowHours, high: held.highHours } : null;
  };
  const lateness = await supplierLateness(db);
  const { dayStartH, dayEndH, breakH, workingDays, practice } = workshop;
  return {
    ...{ now: { day, minute }, workingDays, people, places, firms, tools, moveMinutes: MOVE_MINUTES },
    closedDays: practiceOf(practice).closedDays.map((one) => one.day),
    toldHours: practiceOf(practice).toldHours,
    open: {
      startMin: Math.round(dayStartH * 60),
      breakMin: Math.round(breakH * 60),
      endMin: Math.round(dayEndH * 60),
    },
    jobs: jobs.map(({ template, variantId, options, stages, kitId, parts, ...job }) => ({
      ...job,
      parts: parts.map(({ supplierId, ...part }) => ({ ...part, late: lateness.get(supplierId) ?? null })),
      // Until its stages are there, those of the kit it takes.
      stages: template
        ? withAdopted(kitStages({ stages: template }, variantId, options), ofKit(kitId), rootOf(variantId)).map(
            (stage) => known(asFact(job.number, stage, tookOf(kitId, stage, variantId))),
          )
        : stages.map((stage) => known({ ...stage, took: tookOf(kitId, stage, variantId) })),
    })),
  };
}

const asFact = (number: string, stage: StageTemplate, took: FactStage['took']): FactStage => ({
  took,
  ...{ id: `${number} ${stage.key}`, key: stage.key, name: stage.name, traits: stage.traits, after: stage.after },
  ...{ hours: stage.hours, hoursClocked: 0, people: stage.people, mostPeople: stage.mostPeople ?? null },
  ...{
    skill: stage.skill ?? '',
    liveHv: stage.liveHv,
    tools: stage.tools ?? [],
    state: 'waiting',
    notBefore: null,
    firm: null,
    onIt: [],
  },
});
