import { beforeAll, expect, test } from 'vitest';
import { openWorkshop, type Visitor } from '../api/workshop.ts';

// Five people do everything that can be done to a live stage, at the same moment, hundreds of times. Afterwards a judge
// that shares no code with the server goes through the log of events and through the rows.
const shop = openWorkshop();
const ROUNDS = 130;
const ACTIONS_A_ROUND = 5;
const NAMES = ['soren', 'tove', 'jory', 'ravi', 'mabel'] as const;
let people: Record<string, Visitor>;
let stageId = '';
let stepIds: string[] = [];
let number = '';
const idOf = new Map<string, string>();
const authorised = new Set<string>();

/** Numbers that look random and are the same in every run (mulberry32). */
function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

beforeAll(async () => {
  const entries = await Promise.all(NAMES.map(async (name) => [name, await shop.visitor(name)] as const));
  people = Object.fromEntries(entries);
  const pool = shop.pool();
  await pool.query('update time_entry set "to" = now() where "to" is null');
  const { rows } = await pool.query(
    `select s.id, j.number from stage s join job j on j.id = s.job_id
     where s.live_hv and j.state = 'building' and (select count(*) from step where stage_id = s.id) > 0 order by j.number limit 1`,
  );
  stageId = rows[0].id;
  number = rows[0].number;
  // A stage that can be worked on for a long time: nothing before it, and more steps than anybody finishes.
  await pool.query(`update stage set after = '{}' where id = $1`, [stageId]);
  await pool.query(
    "insert into step (stage_id, position, text) select $1, n, 'look ' || n from generate_series(50, 90) n",
    [stageId],
  );
  const steps = await pool.query('select id from step where stage_id = $1 and limit_kind is null order by position', [
    stageId,
  ]);
  stepIds = steps.rows.map((row) => row.id);
  const known = await pool.query(
    `select p.id, p.sign_in, exists (select 1 from authorisation a where a.person_id = p.id and a.valid_until >= current_date) as hv from person p`,
  );
  for (const row of known.rows) {
    idOf.set(row.sign_in, row.id);
    if (row.hv) authorised.add(row.id);
  }
});

interface Logged {
  readonly what: string;
  readonly person: string;
  readonly after: { kind?: string; personId?: string; people?: string[] } | null;
}

/** Goes through what happened in its order; knows only who is on, for what, and whether the work is confirmed. */
function judge(events: readonly Logged[]): { faults: string[]; confirmations: number; lost: number; readings: number } {
  const on = new Map<string, string>();
  let confirmed = false;
  const faults: string[] = [];
  const counts = { confirmations: 0, lost: 0, readings: 0 };
  const pair = () => {
    const working = [...on].filter(([, kind]) => kind !== 'waiting').map(([id]) => id);
    return working.length >= 2 && working.some((id) => authorised.has(id));
  };
  for (const [i, { what, person, after }] of events.entries()) {
    if (what === 'clocked on') {
      if (on.has(person)) faults.push(`${i}: clocked on twice`);
      on.set(person, after?.kind ?? '');
    } else if (what === 'clocked off') {
      if (!on.has(person)) faults.push(`${i}: clocked off twice`);
      on.delete(person);
      if (confirmed && !pair()) {
        confirmed = false;
        counts.lost++;
      }
    } else if (what === 'confirmed live work') {
      if (!pair()) faults.push(`${i}: confirmed without the pair`);
      if (!authorised.has(person)) faults.push(`${i}: confirmed by somebody without the right`);
      confirmed = true;
      counts.confirmations++;
    } else if (what.startsWith('took a reading')) {
      if (!confirmed || !pair()) faults.push(`${i}: a reading without the pair or the confirmation`);
      if (!on.has(person) || on.get(person) === 'waiting')
        faults.push(`${i}: a reading by somebody who is not at work`);
      counts.readings++;
    } else if (what.startsWith('finished')) {
      if (!confirmed || !pair()) faults.push(`${i}: finished without the pair or the confirmation`);
      on.clear();
      confirmed = false;
    }
  }
  return { faults, ...counts };
}

test('live work is never confirmed, read or finished without its pair, whatever five people do at once', async () => {
  const random = seeded(20261125);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const statuses = new Map<number, number>();
  const act = async (): Promise<void> => {
    const who = people[pick(NAMES)]!;
    const kind = random() < 0.2 ? 'waiting' : 'work';
    const doing = random();
    const answer =
      doing < 0.34
        ? await who.send('post', `/stages/${stageId}/clock-on`, { kind, cause: kind === 'waiting' ? 'part' : null })
        : doing < 0.52
          ? await who.send('post', '/clock-off')
          : doing < 0.76
            ? await who.send('post', `/stages/${stageId}/confirm-live`)
            : doing < 0.97
              ? await who.send('post', `/steps/${pick(stepIds)}/readings`, { value: 1 })
              : await who.send('post', `/stages/${stageId}/finish`, { version: 1 + Math.floor(random() * 4) });
    statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
  };
  for (let round = 0; round < ROUNDS; round++) {
    await Promise.all(Array.from({ length: ACTIONS_A_ROUND }, act));
    const { rows } = await shop.pool().query(
      `select s.hv_confirmed as confirmed, count(distinct e.person_id)::int as people, count(distinct a.person_id)::int as authorised
       from stage s left join time_entry e on e.stage_id = s.id and e."to" is null and e.kind <> 'waiting'
       left join authorisation a on a.person_id = e.person_id and a.valid_until >= current_date
       where s.id = $1 group by s.id`,
      [stageId],
    );
    const { confirmed, people: working, authorised: entitled } = rows[0];
    if (confirmed) expect([working >= 2, entitled >= 1], `round ${round}`).toEqual([true, true]);
  }
  const { rows } = await shop.pool().query(
    `select e.what, e.person_id as person, e.after from event e
     where e.job_number = $1 and e.resource = 'stage' and e.resource_id = $2 order by e.id`,
    [number, stageId],
  );
  const verdict = judge(rows);
  expect(verdict.faults).toEqual([]);
  // The test has teeth only where the work really was confirmed, left and read.
  expect(verdict.confirmations).toBeGreaterThan(5);
  expect(verdict.lost).toBeGreaterThan(3);
  expect(verdict.readings).toBeGreaterThan(5);
  expect([...statuses.keys()].every((status) => status < 500)).toBe(true);
}, 120_000);

test('confirming while the second person leaves ends without a confirmation, sixty times of sixty', async () => {
  const pool = shop.pool();
  const { soren, jory } = people as { soren: Visitor; jory: Visitor };
  for (let i = 0; i < 60; i++) {
    await pool.query('update time_entry set "to" = now() where "to" is null');
    await pool.query("update stage set state = 'waiting', hv_confirmed = false, started_at = null where id = $1", [
      stageId,
    ]);
    const work = { kind: 'work', cause: null };
    await soren.send('post', `/stages/${stageId}/clock-on`, work);
    await jory.send('post', `/stages/${stageId}/clock-on`, work);
    await Promise.all([soren.send('post', `/stages/${stageId}/confirm-live`), jory.send('post', '/clock-off')]);
    const { rows } = await pool.query('select hv_confirmed from stage where id = $1', [stageId]);
    expect(rows[0].hv_confirmed, `try ${i}`).toBe(false);
  }
}, 60_000);

test('the database alone ends a confirmation whose pair is gone', async () => {
  const pool = shop.pool();
  const { soren, jory } = people as { soren: Visitor; jory: Visitor };
  await pool.query('update time_entry set "to" = now() where "to" is null');
  for (const who of [soren, jory]) await who.send('post', `/stages/${stageId}/clock-on`, { kind: 'work', cause: null });
  expect((await soren.send('post', `/stages/${stageId}/confirm-live`)).status).toBe(200);
  await pool.query('update time_entry set "to" = now() where "to" is null and person_id = $1', [idOf.get('jory')]);
  expect((await pool.query('select hv_confirmed from stage where id = $1', [stageId])).rows[0].hv_confirmed).toBe(
    false,
  );
  await expect(pool.query('update stage set hv_confirmed = true where id = $1', [stageId])).rejects.toThrow(
    /authorised person and a second/,
  );
});
