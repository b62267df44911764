import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { type Passport, signInOver } from '../../tests/api/signInOver.ts';
import { serve } from '../serve.ts';
import { median, type Row } from './row.ts';

const PEOPLE = 200;
const WARM = 20;
/** They all come within this, ms: faster than the minute of any gate. */
const WITHIN_MS = 10_000;
const p99 = (times: readonly number[]): number =>
  times.toSorted((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * 0.99))] ?? Number.NaN;

const inMs = (times: readonly number[]): string =>
  `${median(times).toFixed(0)} ms median, p99 ${p99(times).toFixed(0)} ms`;

const wait = (ms: number) => new Promise((done) => setTimeout(done, ms));

/** Everybody does something at a moment of their own; how long each took, ms. */
async function everybody(count: number, work: (i: number) => Promise<void>): Promise<number[]> {
  return Promise.all(
    Array.from({ length: count }, async (_, i) => {
      await wait((i / count) * WITHIN_MS);
      const start = performance.now();
      await work(i);
      return performance.now() - start;
    }),
  );
}

/** Two hundred people clock in at one server and at two, beside the same transaction through pg alone. */
export async function clockingRows(databaseUrl: string): Promise<Row[]> {
  const pool = new pg.Pool({ connectionString: databaseUrl, max: 10 });
  try {
    await pool.query('update time_entry set "to" = greatest("from", now()) where "to" is null');
    await pool.query(`insert into person (sign_in, name, initials, role, skills, password_hash)
      select 'gate-' || n, 'Gate ' || n, 'G', 'technician', '{}', (select password_hash from person where sign_in = 'jory')
      from generate_series(1, ${PEOPLE}) n`);
    await pool.query(
      "update stage set after = '{}', tools = '{}' where job_id in (select id from job where state in ('building', 'proving'))",
    );
    const { rows: stages } = await pool.query<{ id: string; jobId: string }>(
      `select s.id, s.job_id as "jobId" from stage s join job j on j.id = s.job_id
       where j.state in ('building', 'proving') and s.state <> 'done' and not s.live_hv order by s.id`,
    );
    const { rows: people } = await pool.query<{ id: string }>("select id from person where sign_in like 'gate-%'");
    const stageOf = (i: number) => stages[i % stages.length]!;
    const bare = await everybody(PEOPLE, async (i) => {
      const client = await pool.connect();
      try {
        await client.query('begin');
        await client.query('select * from job where id = $1 for no key update', [stageOf(i).jobId]);
        await client.query('select * from stage where id = $1 for no key update', [stageOf(i).id]);
        await client.query('select active from person where id = $1 for share', [people[i]!.id]);
        await client.query("insert into time_entry (person_id, stage_id, kind) values ($1, $2, 'work')", [
          ...[people[i]!.id, stageOf(i).id],
        ]);
        await client.query(
          "insert into event (person_id, what, resource, resource_id) values ($1, 'clocked on', 'stage', $2)",
          [...[people[i]!.id, stageOf(i).id]],
        );
        await client.query('commit');
      } finally {
        client.release();
      }
    });
    const rows: Row[] = [];
    for (const count of [1, 2]) {
      await pool.query("delete from time_entry where person_id in (select id from person where sign_in like 'gate-%')");
      const servers = await Promise.all(
        Array.from({ length: count }, () => serve(databaseUrl, null, 0, { log: 'silent', queue: false })),
      );
      try {
        const passports: Passport[] = [];
        for (let i = 0; i < PEOPLE; i++) passports.push(await signInOver(servers[i % count]!.url, `gate-${i + 1}`));
        const clockOn = async (i: number): Promise<void> => {
          const answer = await fetch(`${servers[i % count]!.url}/api/stages/${stageOf(i).id}/clock-on`, {
            method: 'POST',
            headers: { ...passports[i]!.headers, 'Idempotency-Key': randomUUID() },
            body: JSON.stringify({ kind: 'work', cause: null }),
          });
          if (!answer.ok) throw new Error(`${answer.status} ${await answer.text()}`);
        };
        // As a server that has been in use since yesterday: the first of its life are not those of the gate.
        for (let i = 0; i < WARM; i++) await clockOn(i);
        await pool.query(
          "delete from time_entry where person_id in (select id from person where sign_in like 'gate-%')",
        );
        const times = await everybody(PEOPLE, clockOn);
        const { rows: on } = await pool.query<{ n: number }>(
          `select count(*)::int as n from time_entry t join person p on p.id = t.person_id where p.sign_in like 'gate-%' and t."to" is null`,
        );
        rows.push({
          what: `${PEOPLE} people clocking in within ${WITHIN_MS / 1000} s at ${count === 1 ? 'one server' : 'two servers'}, all stored`,
          // Of two hundred the ninety-ninth of a hundred is the third worst: told, not held to.
          figure: `${on[0]!.n} stored, ${inMs(times)}; bare ${inMs(bare)}`,
          ...{ aim: 'all stored', held: on[0]!.n === PEOPLE },
        });
      } finally {
        for (const server of servers) await server.close();
      }
    }
    return rows;
  } finally {
    await pool.end();
  }
}
