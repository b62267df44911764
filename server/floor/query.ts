import { clockEnd, clockedSeconds } from '../read/clockedSql.ts';
import { instantText } from '../read/instant.ts';
import { MATCH_HOURS_SQL, PLANNED_JOBS_SQL } from '../read/sheetSql.ts';

/**
 * Everything the Floor draws and judges, as one statement: open jobs with what they need, people and their day, the
 * clock. One round trip, however many jobs are over. When today began is written into the statement, not given to it: a
 * plan that must do for any day would read every hour ever clocked.
 *
 * @param start of today · @param hoursADay planned in this workshop
 */
export const floorSql = (start: Date, hoursADay: number): string => `
with open_job as (
  select * from job where state not in ('handedOver', 'cancelled')
), planned as materialized (${PLANNED_JOBS_SQL}), hours as (
  select s.job_id, sum(${clockedSeconds('t')}) / 3600 as h
  from stage s join time_entry t on t.stage_id = s.id
  where s.job_id in (select id from open_job) group by s.job_id
), today as (
  select t.person_id, t.kind, s.live_hv,
    greatest(0, extract(epoch from ${clockEnd('t')} - greatest(t."from", '${start.toISOString()}'::timestamptz)) / 3600) as h
  from time_entry t join stage s on s.id = t.stage_id
  where t."from" >= '${start.toISOString()}'::timestamptz or t."to" is null
)
select json_build_object(
  'building', (select json_build_object('widthM', building_width_m, 'lengthM', building_length_m, 'version', plan_version) from workshop),
  'places', (select coalesce(json_agg(json_build_object('id', id, 'name', name, 'kind', kind, 'lift', lift, 'alignment', alignment, 'xM', x_m, 'yM', y_m,
      'widthM', width_m, 'lengthM', length_m, 'slots', slots, 'slotDays', slot_days) order by y_m, x_m), '[]') from place where not closed),
  'jobs', (select coalesce(json_agg(json_build_object(
      'number', j.number, 'title', v.name, 'state', j.state, 'placeId', j.place_id, 'promised', j.promised, 'version', j.version, 'use', j.use,
      'route', case when exists (select 1 from brief_line b where b.job_id = j.id and b.dropped_at is null and b.kind = 'rangeRoute')
          then (select r.body from route r where r.job_id = j.id) end, 'cover', j.cover,
      'vehicle', json_build_object('id', v.id, 'name', v.name, 'variantId', v.variant_id, 'chassisNumber', v.chassis_number,
        'registration', v.registration, 'builtYear', v.built_year, 'colour', v.colour,
        'weighings', (select coalesce(json_agg(json_build_object('id', w.id, 'frontLeftKg', w.front_left_kg, 'frontRightKg', w.front_right_kg,
            'rearLeftKg', w.rear_left_kg, 'rearRightKg', w.rear_right_kg, 'state', w.state, 'note', w.note, 'by', wp.name, 'at', w.at)
            order by w.at desc), '[]') from weighing w join person wp on wp.id = w.by_id where w.vehicle_id = v.id),
        'measured', (select coalesce(json_object_agg(f.figure, json_build_object('value', f.value, 'source', f.source)), '{}')
            from vehicle_figure f where f.vehicle_id = v.id)),
      'brief', (select coalesce(json_agg(json_build_object('id', b.id, 'kind', b.kind, 'firm', b.firm, 'amount', b.amount, 'school', b.school,
          'tolerance', b.tolerance, 'text', b.text, 'done', b.done, 'seen', b.seen, 'version', b.version) order by b.position), '[]')
          from brief_line b where b.job_id = j.id and b.dropped_at is null),
      'design', (select json_build_object('id', d.id, 'name', d.name, 'inputs', d.inputs, 'version', d.version)
          from design d where d.id = j.chosen_design_id),
      'kit', case when j.kit_revision_id is null then null
          else json_build_object('revisionId', j.kit_revision_id, 'options', j.kit_options) end,
      'stages', (select coalesce(json_agg(json_build_object('name', s.name, 'traits', s.traits, 'state', s.state, 'hours', s.hours, 'liveHv', s.live_hv, 'finishedAt', s.finished_at)
          order by s.position), '[]') from stage s where s.job_id = j.id),
      'hoursClocked', coalesce((select h from hours where hours.job_id = j.id), 0)::float8,
      'waitingParts', (select coalesce(json_agg(json_build_object('componentId', p.component_id, 'due', p.due, 'state', p.state)), '[]')
          from part_line p where p.job_id = j.id and p.state in ('missing', 'ordered')),
      'register', (select coalesce(json_agg(json_build_object('kind', g.kind, 'goes', g.goes, 'undoneAt', g.undone_at)), '[]')
          from register_entry g where g.vehicle_id = v.id),
      'matchHours', ${MATCH_HOURS_SQL}, 'region', j.region,
      'planned', (select json_build_object('readyOn', p.ready_on) from planned p where p.number = j.number),
      'out', (select json_build_object('holder', u.holder, 'dueBack', ${instantText('u.due_back')}) from custody u
          where u.job_id = j.id and u.back_at is null),
      'openSnags', (select count(*) from snag n where n.job_id = j.id and n.closed_at is null),
      'checksSigned', (select count(*) from (select distinct on (check_id) verdict from check_result c
          where c.job_id = j.id order by check_id, id desc) newest where verdict = 'passed')
    ) order by j.number), '[]') from open_job j join vehicle v on v.id = j.vehicle_id),
  'onTheClock', (select coalesce(json_agg(json_build_object('personId', p.id, 'initials', p.initials, 'name', p.name, 'jobNumber', j.number,
      'stage', s.name, 'since', t."from", 'kind', t.kind, 'liveHv', s.live_hv, 'finishedAt', s.finished_at) order by t."from"), '[]')
    from time_entry t join person p on p.id = t.person_id join stage s on s.id = t.stage_id join job j on j.id = s.job_id
    where t."to" is null),
  'people', (select coalesce(json_agg(json_build_object('personId', p.id, 'name', p.name, 'initials', p.initials, 'role', p.role,
      'hvUntil', (select a.until from hv_authorised a where a.person_id = p.id),
      'hoursPlanned', case when p.role = 'technician' then coalesce(p.day_hours, ${Number(hoursADay)})::float8 else 0 end,
      'workHours', coalesce((select sum(h) from today where person_id = p.id and kind <> 'rework' and not live_hv), 0)::float8,
      'liveHours', coalesce((select sum(h) from today where person_id = p.id and kind <> 'rework' and live_hv), 0)::float8,
      'reworkHours', coalesce((select sum(h) from today where person_id = p.id and kind = 'rework'), 0)::float8
    ) order by p.name), '[]') from person p where p.active)
)::text as floor`;
