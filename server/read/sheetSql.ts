import type { JobPart } from '../../contract/job.ts';
import { clockedSeconds } from './clockedSql.ts';
import { instantText } from './instant.ts';

/**
 * The pieces of a job's sheet, each as one SQL expression over `j` (the job), `v` (its vehicle) and `c` (the client). The
 * database writes the JSON: a sheet is one round trip, and its text goes to whoever asked without being read in between.
 */

/** An instant as the page writes it: UTC, milliseconds. Whatever is compared with it must be written the same way. */

const list = (entry: string, from: string, order: string) =>
  `(select coalesce(json_agg(${entry} order by ${order}), '[]'::json) from ${from})`;

const seconds = clockedSeconds('t');

/** Hours accepted in Match and not taken back: of each finding the newest word counts. */
export const MATCH_HOURS_SQL = `(select coalesce(sum((work->>'hours')::float8), 0) from (select distinct on (rule, subject) decision, work
  from verdict_decision where job_id = j.id order by rule, subject, at desc, id desc) newest where decision = 'accepted')`;

/** The newest offer of job `j` that was not withdrawn; one that was accepted with its accepted changes. */
const OFFER_SQL = `(select json_build_object('number', o.number, 'state', o.state, 'sentAt', ${instantText('o.sent_at')},
    'totalCents', o.total_cents + case when o.state = 'accepted' then
      (select coalesce(sum(a.total_cents), 0) from addition a where a.job_id = j.id and a.state = 'accepted') else 0 end,
    'changesWaiting', (select count(*)::int from addition a where a.job_id = j.id and a.state = 'priced'))
  from offer o where o.job_id = j.id and o.state <> 'withdrawn' order by o.number desc limit 1)`;

/** The plan in force, as a table of its jobs; `ready_on` is null where something of a job cannot be planned. */
export const PLANNED_JOBS_SQL = `select key as number, value as ready_on
  from jsonb_each_text((select ready from work_plan order by id desc limit 1))`;

const HEAD_SQL = `json_build_object(
  'id', j.id, 'number', j.number, 'title', v.name, 'state', j.state, 'version', j.version,
  'client', json_build_object('id', c.id, 'name', c.name, 'contact', c.contact),
  'use', j.use, 'useVersion', j.use_version, 'chosenDesignId', j.chosen_design_id, 'placeId', j.place_id, 'promised', j.promised,
  'kit', case when j.kit_revision_id is not null
    then json_build_object('revisionId', j.kit_revision_id, 'options', j.kit_options) end,
  'offer', ${OFFER_SQL},
  'cover', j.cover, 'region', j.region, 'evidence', j.evidence, 'matchHours', ${MATCH_HOURS_SQL},
  'planned', (select json_build_object('readyOn', p.ready_on) from (${PLANNED_JOBS_SQL}) p where p.number = j.number))`;

/** The register of changes of a vehicle `v`. */
export const REGISTER_SQL = list(
  `json_build_object('id', g.id, 'jobNumber', (select number from job where id = g.job_id), 'kind', g.kind, 'what', g.what,
    'place', g.place, 'agreedBy', g.agreed_by, 'undo', g.undo, 'goes', g.goes, 'by', p.name, 'at', ${instantText('g.at')},
    'undoneBy', (select u.name from person u where u.id = g.undone_by_id), 'undoneAt', ${instantText('g.undone_at')},
    'undoneHow', g.undone_how, 'version', g.version)`,
  'register_entry g join person p on p.id = g.by_id where g.vehicle_id = v.id',
  'g.at, g.id',
);

const PART_SQL = {
  vehicle: `json_build_object(
    'id', v.id, 'name', v.name, 'variantId', v.variant_id, 'chassisNumber', v.chassis_number,
    'registration', v.registration, 'builtYear', v.built_year, 'colour', v.colour,
    'weighings', ${list(
      `json_build_object('id', w.id, 'frontLeftKg', w.front_left_kg, 'frontRightKg', w.front_right_kg,
        'rearLeftKg', w.rear_left_kg, 'rearRightKg', w.rear_right_kg, 'state', w.state, 'note', w.note, 'by', p.name, 'at', ${instantText('w.at')})`,
      'weighing w join person p on p.id = w.by_id where w.vehicle_id = v.id',
      'w.at desc',
    )},
    'measured', (select coalesce(json_object_agg(f.figure, json_build_object(
        'value', f.value, 'source', f.source, 'says', f.says, 'by', p.name, 'at', ${instantText('f.at')}) order by f.figure), '{}'::json)
      from vehicle_figure f join person p on p.id = f.by_id where f.vehicle_id = v.id),
    'claims', ${list(
      `json_build_object('id', q.id, 'figure', q.figure, 'value', q.value, 'source', q.source, 'says', q.says,
        'whyNot', q.why_not, 'by', p.name, 'at', ${instantText('q.at')})`,
      'vehicle_claim q join person p on p.id = q.by_id where q.vehicle_id = v.id',
      'q.at, q.id',
    )},
    'findings', ${list(
      `json_build_object('id', q.id, 'figure', q.figure, 'predicted', q.predicted, 'measured', q.measured,
        'error', q.error, 'log', q.log, 'by', p.name, 'at', ${instantText('q.at')})`,
      'log_finding q join person p on p.id = q.by_id where q.vehicle_id = v.id',
      'q.at desc, q.figure',
    )})`,

  brief: list(
    `json_build_object('id', b.id, 'kind', b.kind, 'firm', b.firm, 'amount', b.amount, 'school', b.school,
      'tolerance', b.tolerance, 'text', b.text, 'done', b.done, 'seen', b.seen, 'version', b.version)`,
    'brief_line b where b.job_id = j.id and b.dropped_at is null',
    'b.position',
  ),

  designs: list(
    `json_build_object('id', d.id, 'name', d.name, 'inputs', d.inputs, 'version', d.version,
      'frozenAt', ${instantText('d.frozen_at')}, 'followsId', d.follows_id)`,
    'design d where d.job_id = j.id',
    'd.created_at, d.name',
  ),

  route: `(select r.body from route r where r.job_id = j.id)`,

  decisions: list(
    `json_build_object('rule', x.rule, 'subject', x.subject, 'decision', x.decision, 'reason', x.reason, 'work', x.work,
      'by', p.name, 'at', ${instantText('x.at')})`,
    'verdict_decision x join person p on p.id = x.by_id where x.job_id = j.id',
    'x.at, x.id',
  ),

  parts: list(
    `json_build_object('id', l.id, 'componentId', l.component_id, 'quantity', l.quantity, 'from', l."from",
      'packedIn', l.packed_in, 'state', l.state, 'due', l.due, 'version', l.version,
      'serials', (select coalesce(json_agg(i.serial order by i.serial), '[]'::json) from serial_item i where i.part_line_id = l.id),
      'batches', (select coalesce(json_agg(distinct i.batch order by i.batch), '[]'::json) from serial_item i where i.part_line_id = l.id and i.batch <> ''),
      'pickedBy', (select q.name from person q where q.id = l.picked_by_id), 'pickedAt', ${instantText('l.picked_at')},
      'fittedBy', p.name, 'fittedAt', ${instantText('l.fitted_at')})`,
    'part_line l join component k on k.id = l.component_id left join person p on p.id = l.fitted_by_id where l.job_id = j.id',
    'l.packed_in, k.name',
  ),

  stages: list(
    `json_build_object('id', s.id, 'key', s.key, 'name', s.name, 'traits', s.traits, 'after', s.after, 'hours', s.hours,
      'skill', s.skill, 'people', s.people, 'mostPeople', s.most_people, 'liveHv', s.live_hv, 'tools', s.tools, 'needs', s.needs, 'note', s.note, 'state', s.state,
      'hvConfirmed', s.hv_confirmed, 'version', s.version, 'startedAt', ${instantText('s.started_at')},
      'finishedAt', ${instantText('s.finished_at')}, 'finishedBy', (select p.name from person p where p.id = s.finished_by_id),
      'hoursClocked', h.clocked, 'hoursRework', h.rework,
      'onIt', ${list(
        `json_build_object('personId', t.person_id, 'initials', p.initials, 'since', ${instantText('t."from"')}, 'kind', t.kind)`,
        'time_entry t join person p on p.id = t.person_id where t.stage_id = s.id and t."to" is null',
        't."from"',
      )},
      'steps', ${list(
        `json_build_object('id', e.id, 'text', e.text, 'note', e.note, 'tool', e.tool, 'second', e.second, 'bolts', e.bolts,
          'limit', case when e.limit_kind is not null
            then json_build_object('min', e.limit_min, 'max', e.limit_max, 'kind', e.limit_kind, 'source', e.limit_source) end,
          'reading', (select json_build_object('value', r.value, 'verdict', r.verdict, 'by', p.initials, 'at', ${instantText('r.at')},
              'decidedBy', (select d.name from person d where d.id = r.decided_by_id), 'reason', r.reason,
              'tool', (select concat_ws(' ', w.name, nullif(w.number, '')) from tool w where w.id = r.tool_id),
              'secondBy', (select d.name from person d where d.id = r.second_by_id))
            from reading r join person p on p.id = r.by_id where r.step_id = e.id order by r.id desc limit 1))`,
        'step e where e.stage_id = s.id',
        'e.position',
      )})`,
    `stage s cross join lateral (select coalesce(sum(${seconds}) / 3600, 0)::float8 as clocked,
        coalesce(sum(${seconds}) filter (where t.kind = 'rework') / 3600, 0)::float8 as rework
      from time_entry t where t.stage_id = s.id) h where s.job_id = j.id`,
    's.position',
  ),

  snags: list(
    `json_build_object('id', n.id, 'text', n.text, 'by', p.name, 'at', ${instantText('n.at')},
      'closedBy', (select q.name from person q where q.id = n.closed_by_id), 'closedAt', ${instantText('n.closed_at')},
      'cause', n.cause, 'costHours', n.cost_hours, 'costCents', n.cost_cents, 'closedHow', n.closed_how)`,
    'snag n join person p on p.id = n.by_id where n.job_id = j.id',
    'n.at, n.id',
  ),

  lessons: list(
    `json_build_object('id', l.id, 'jobNumber', j.number, 'about', l.about, 'aboutText', l.about_text, 'text', l.text,
      'costHours', l.cost_hours, 'costCents', l.cost_cents, 'kitId', l.kit_id, 'by', p.name, 'at', ${instantText('l.at')},
      'state', l.state, 'revisionId', l.revision_id, 'why', l.why,
      'settledBy', (select s.name from person s where s.id = l.settled_by_id), 'settledAt', ${instantText('l.settled_at')},
      'version', l.version)`,
    'lesson l join person p on p.id = l.by_id where l.job_id = j.id',
    'l.at, l.id',
  ),

  register: REGISTER_SQL,

  checks: list(
    `json_build_object('checkId', x.check_id, 'value', x.value, 'verdict', x.verdict, 'limitMin', x.limit_min,
      'limitMax', x.limit_max, 'limitSource', x.limit_source, 'designName', x.design_name,
      'designVersion', x.design_version, 'note', x.note, 'by', p.name, 'at', ${instantText('x.at')})`,
    'check_result x join person p on p.id = x.by_id where x.job_id = j.id',
    'x.id desc',
  ),
} as const satisfies Record<JobPart, string>;

const FROM = 'from job j join vehicle v on v.id = j.vehicle_id join client c on c.id = v.client_id';

/** The statement for some pieces of one job: a column of JSON text for each. $1 is the job's number or id. */
export const sheetStatement = (parts: readonly (JobPart | 'head')[], by: 'number' | 'id'): string =>
  `select ${parts
    .map((part) => `(${part === 'head' ? HEAD_SQL : PART_SQL[part]})::text as "${part}"`)
    .join(', ')} ${FROM} where j.${by} = $1`;
