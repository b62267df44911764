import pg from 'pg';
import type { JobRow, JobSheet } from '../../contract/job.ts';
import { type Passport, signInOver } from '../../tests/api/signInOver.ts';
import { measuredServer } from '../soak/measuredServer.ts';
import { worstBodies } from '../soak/worstBodies.ts';
import { median, type Row } from './row.ts';
import { worstAlone } from './worstAlone.ts';

const CONNECTIONS = 50;
const STREAMS = 300;

const percentile = (values: readonly number[], share: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))] ?? Number.NaN;

async function timed(work: () => Promise<unknown>): Promise<number> {
  const start = performance.now();
  await work();
  return performance.now() - start;
}

/** The statements a job's sheet needs, as plain as they can be asked, one after another. */
async function bareSheet(client: pg.Client, jobId: string, vehicleId: string): Promise<void> {
  await client.query('select * from job where id = $1', [jobId]);
  for (const table of ['vehicle'] as const) await client.query(`select * from ${table} where id = $1`, [vehicleId]);
  for (const table of ['weighing', 'vehicle_figure'])
    await client.query(`select t.*, p.name from ${table} t join person p on p.id = t.by_id where vehicle_id = $1`, [
      vehicleId,
    ]);
  for (const table of ['brief_line', 'design', 'part_line', 'verdict_decision', 'snag', 'check_result', 'route'])
    await client.query(`select * from ${table} where job_id = $1`, [jobId]);
  await client.query('select * from stage where job_id = $1 order by position', [jobId]);
  await client.query('select s.* from step s join stage g on g.id = s.stage_id where g.job_id = $1', [jobId]);
  await client.query(
    'select distinct on (r.step_id) r.* from reading r join step s on s.id = r.step_id join stage g on g.id = s.stage_id where g.job_id = $1 order by r.step_id, r.id desc',
    [jobId],
  );
  await client.query(
    'select t.stage_id, sum(extract(epoch from coalesce(t."to", now()) - t."from")) from time_entry t join stage g on g.id = t.stage_id where g.job_id = $1 group by 1',
    [jobId],
  );
}

/** The server under many people: a job's sheet, a note that reaches another page, and bodies made to hold it up. */
export async function serverRows(databaseUrl: string): Promise<Row[]> {
  const client = new pg.Client({ connectionString: databaseUrl });
  await client.connect();
  const server = await measuredServer(databaseUrl);
  const following = new AbortController();
  try {
    const ilse = await signInOver(server.url, 'ilse');
    const get = async (path: string) => (await fetch(`${server.url}/api${path}`, { headers: ilse.headers })).text();
    const jobs = JSON.parse(await get('/jobs')) as JobRow[];
    const { number } = jobs.find((job) => job.title === 'Bakery van')!;
    const job = JSON.parse(await get(`/jobs/${number}`)) as JobSheet;
    return [
      ...(await sheetRows(client, get, job)),
      await noteRow(server.url, ilse, job, following),
      await worstRow(server, ilse, job),
      worstAlone(job.number, job.version, job.designs[0]?.inputs ?? {}),
    ];
  } finally {
    following.abort();
    await server.close();
    await client.end();
  }
}

async function sheetRows(client: pg.Client, get: (path: string) => Promise<string>, job: JobSheet): Promise<Row[]> {
  const bare: number[] = [];
  const http: number[] = [];
  for (let i = 0; i < 60; i++) {
    bare.push(await timed(() => bareSheet(client, job.id, job.vehicle.id)));
    http.push(await timed(() => get(`/jobs/${job.number}`)));
  }
  const ratio = median(http.slice(10)) / median(bare.slice(10));
  const many: number[] = [];
  // Every connection of the pool has to have planned the statement once before it is measured.
  await Promise.all(Array.from({ length: CONNECTIONS * 2 }, () => get(`/jobs/${job.number}`)));
  await Promise.all(
    Array.from({ length: CONNECTIONS }, async () => {
      for (let i = 0; i < 20; i++) many.push(await timed(() => get(`/jobs/${job.number}`)));
    }),
  );
  const p99 = percentile(many, 0.99);
  return [
    {
      what: 'Job sheet over HTTP against its bare queries, 500 jobs',
      figure: `${ratio.toFixed(2)} × (${median(http.slice(10)).toFixed(1)} ms against ${median(bare.slice(10)).toFixed(1)} ms)`,
      aim: '≤ 3 ×',
      held: ratio <= 3,
    },
    {
      what: `Job sheet, ${CONNECTIONS} connections asking without pause`,
      figure: `p99 ${p99.toFixed(0)} ms, median ${median(many).toFixed(0)} ms`,
      aim: 'p99 ≤ 250 ms',
      held: p99 <= 250,
    },
  ];
}

/** From storing a note until another page that follows has asked for the job again, with many streams open. */
async function noteRow(url: string, who: Passport, job: JobSheet, following: AbortController): Promise<Row> {
  const heard = new Set<() => void>();
  const open = async (listening: boolean) => {
    const people = { cookie: who.cookie };
    const stream = await fetch(`${url}/api/events`, { headers: people, signal: following.signal });
    const reader = stream.body!.getReader();
    void (async () => {
      for (;;) {
        const { done } = await reader.read();
        if (done) return;
        if (listening) for (const tell of heard) tell();
      }
    })().catch(() => {});
  };
  // One session keeps at most twenty streams, so many people follow.
  const sessions: Passport[] = [];
  while (sessions.length < STREAMS / 20) sessions.push(await signInOver(url, 'odo'));
  for (const [i, session] of sessions.entries()) {
    for (let n = 0; n < 20 && i * 20 + n < STREAMS; n++) {
      const stream = await fetch(`${url}/api/events`, {
        headers: { cookie: session.cookie },
        signal: following.signal,
      });
      const reader = stream.body!.getReader();
      void (async () => {
        while (!(await reader.read()).done);
      })().catch(() => {});
    }
  }
  await open(true);
  await new Promise((done) => setTimeout(done, 300));
  const times: number[] = [];
  for (let i = 0; i < 30; i++) {
    const start = performance.now();
    const told = new Promise<void>((done) => {
      const tell = () => {
        heard.delete(tell);
        done();
      };
      heard.add(tell);
    });
    await fetch(`${url}/api/jobs/${job.number}/snags`, {
      method: 'POST',
      headers: who.headers,
      body: JSON.stringify({ text: `heard ${i}` }),
    });
    await told;
    await (await fetch(`${url}/api/jobs/${job.number}`, { headers: who.headers })).text();
    times.push(performance.now() - start);
  }
  const ms = median(times);
  return {
    what: `Note stored until another page has it, ${STREAMS} streams`,
    figure: `${ms.toFixed(0)} ms median`,
    aim: '≤ 150 ms',
    held: ms <= 150,
  };
}

async function worstRow(
  server: Awaited<ReturnType<typeof measuredServer>>,
  who: Passport,
  job: JobSheet,
): Promise<Row> {
  const bodies = worstBodies(job.number, job.version, job.designs[0]!.inputs);
  const papers = Array.from(
    { length: 10 },
    () => () => fetch(`${server.url}/api/jobs/${job.number}/sign-off.pdf`, { headers: who.headers }),
  );
  const ask = ({ method, path, body }: (typeof bodies)[number]) =>
    fetch(`${server.url}${path}`, { method, headers: who.headers, body }).then((answer) => answer.arrayBuffer());
  // Once for nothing: what is compiled and loaded at first is no work of a body.
  for (const body of bodies) await ask(body);
  await server.report();
  for (let round = 0; round < 5; round++) for (const body of bodies) await ask(body);
  await Promise.all(papers.map((paper) => paper().then((answer) => answer.arrayBuffer())));
  const { delayP99Ms, delayMaxMs } = await server.report();
  return {
    what: `Delay of the event loop under the worst ${bodies.length} bodies and ten papers at once`,
    figure: `p99 ${delayP99Ms.toFixed(0)} ms, longest ${delayMaxMs.toFixed(0)} ms`,
    aim: 'p99 ≤ 50 ms',
    held: delayP99Ms <= 50,
  };
}
