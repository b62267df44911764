import { randomUUID } from 'node:crypto';
import type { Express } from 'express';
import type pg from 'pg';
import { pino } from 'pino';
import request, { type Test } from 'supertest';
import type TestAgent from 'supertest/lib/agent.js';
import { afterAll, beforeAll, inject } from 'vitest';
import type { JobRow, JobSheet } from '../../contract/job.ts';
import type { SessionInfo } from '../../contract/session.ts';
import { createApp } from '../../server/app.ts';
import type { Backups } from '../../server/backups/backups.ts';
import { type Config, configFrom, DEMO_PASSWORD } from '../../server/config.ts';
import { connect, type Db, type Patience } from '../../server/db/connect.ts';
import { type Press, startPress } from '../../server/documents/press.ts';
import { type Live, startLive } from '../../server/events/live.ts';
import { type PlanMaker, startPlanMaker } from '../../server/workPlan/planner.ts';
import { copyTemplate } from '../../tools/copyTemplate.ts';
import { dropDatabase } from './dropDatabase.ts';

/** A person's browser: keeps the cookie and the token, and speaks JSON. */
export interface Visitor {
  readonly get: (path: string) => Test;
  readonly send: (
    method: 'post' | 'put' | 'delete',
    path: string,
    body?: object,
    headers?: Record<string, string>,
  ) => Test;
  readonly job: (title: string) => Promise<JobSheet>;
}

export interface Workshop {
  readonly app: () => Express;
  readonly db: () => Db;
  readonly pool: () => pg.Pool;
  readonly url: () => string;
  readonly visitor: (signIn: string) => Promise<Visitor>;
  /** Somebody with a browser and no account. */
  readonly anybody: () => Promise<Visitor>;
  /** The clock of the server; null for the real one. */
  setNow: (now: Date | null) => void;
}

/** A browser with its token, signed in or not. */
function visitorWith(agent: TestAgent, csrf: string): Visitor {
  const get = (path: string) => agent.get(`/api${path}`);
  return {
    get,
    send: (method, path, body = {}, headers = {}) =>
      agent[method](`/api${path}`)
        .set({ 'X-CSRF-Token': csrf, ...headers })
        .send(body),
    job: async (title) => {
      const rows = (await get('/jobs')).body as JobRow[];
      const number = rows.find((row) => row.title === title)?.number;
      return (await get(`/jobs/${number}`)).body as JobSheet;
    },
  };
}

async function agentFor(app: Express): Promise<{ agent: TestAgent; token: string }> {
  const agent = request.agent(app);
  const info = (await agent.get('/api/session')).body as SessionInfo;
  return { agent, token: info.csrfToken };
}

/** A server on its own copy of the sample, for one test file. */
export function openWorkshop({
  patience,
  backups,
  ...settings
}: { patience?: Patience; backups?: (url: string) => Backups } & Partial<Config> = {}): Workshop {
  const name = `test_${randomUUID().replace(/-/g, '')}`;
  const url = () => inject('databaseUrl').replace(/DB$/, name);
  const admin = () => inject('databaseUrl').replace(/DB$/, 'postgres');
  let app: Express;
  let live: Live;
  let press: Press;
  let plans: PlanMaker;
  let connection: ReturnType<typeof connect>;
  let now: Date | null = null;
  beforeAll(async () => {
    await copyTemplate(admin(), name);
    connection = connect(url(), 10, patience);
    live = await startLive(url());
    press = startPress();
    plans = startPlanMaker();
    const standing = { databaseUrl: url(), pageFolder: null, sessionSecret: 'secret for tests', sample: true };
    const config = { ...configFrom({}, standing), signInTries: 4, ...settings };
    app = createApp({
      ...connection,
      config,
      live,
      press,
      plans,
      backups: backups?.(url()) ?? null,
      version: 'test',
      startedAt: new Date(),
      isEnding: () => false,
      now: () => now ?? new Date(),
      logger: pino({ level: 'silent' }),
    });
  });
  afterAll(async () => {
    await live?.close();
    await press?.close();
    await plans?.close();
    await connection?.close();
    await dropDatabase(admin(), name);
  });
  return {
    app: () => app,
    db: () => connection.db,
    pool: () => connection.pool,
    url,
    setNow: (next) => {
      now = next;
    },
    visitor: async (signIn) => {
      const { agent, token } = await agentFor(app);
      const answer = await agent
        .post('/api/session')
        .set('X-CSRF-Token', token)
        .send({ signIn, password: DEMO_PASSWORD });
      return visitorWith(agent, (answer.body as SessionInfo).csrfToken);
    },
    anybody: async () => {
      const { agent, token } = await agentFor(app);
      return visitorWith(agent, token);
    },
  };
}
