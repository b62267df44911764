import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import pg from 'pg';
import { afterAll, beforeAll, describe, expect, inject, test } from 'vitest';
import { freePort } from '../../tools/freePort.ts';
import { dropDatabase } from './dropDatabase.ts';

const name = 'start_test';
const url = () => inject('databaseUrl').replace(/DB$/, name);
const admin = () => inject('databaseUrl').replace(/DB$/, 'postgres');

interface Started {
  readonly child: ChildProcess;
  readonly address: string;
  readonly printed: () => string;
}

/** Starts the application as `npm start` does, on an existing database and port. */
async function start(port: number, args = ['--sample'], env: NodeJS.ProcessEnv = {}): Promise<Started> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'tools/start.ts', ...args], {
    env: { ...process.env, DATABASE_URL: url(), PORT: String(port), ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let printed = '';
  const address = await new Promise<string>((done, fail) => {
    const take = (chunk: Buffer) => {
      printed += chunk.toString();
      const found = /Dajo is at (\S+)/.exec(printed)?.[1];
      if (found && printed.includes('Ctrl-C stops')) done(found);
    };
    child.stdout?.on('data', take);
    child.stderr?.on('data', take);
    child.on('exit', (code) => fail(new Error(`ended with ${code}: ${printed}`)));
  });
  return { child, address, printed: () => printed };
}

async function stop({ child }: Started): Promise<number | null> {
  const ended = new Promise<number | null>((done) => child.once('exit', (code) => done(code)));
  child.kill('SIGINT');
  return ended;
}

beforeAll(async () => {
  await dropDatabase(admin(), name);
  const client = new pg.Client({ connectionString: admin() });
  await client.connect();
  await client.query(`create database "${name}"`);
  await client.end();
});
afterAll(() => dropDatabase(admin(), name));

describe('the start command on an existing server', () => {
  test('migrates, loads the sample once, serves compressed and cached, keeps the data, stops on Ctrl-C', async () => {
    const first = await start(await freePort());
    expect(first.printed()).toContain('Loading the sample workshop');
    expect(first.printed()).toContain('quay-and-copper');
    const page = await fetch(first.address);
    const html = await page.text();
    expect(page.headers.get('cache-control')).toBe('no-cache');
    expect(page.headers.get('content-security-policy')).toContain("default-src 'self'");
    const script = /assets\/index-[\w-]+\.js/.exec(html)?.[0];
    const asset = await fetch(`${first.address}/${script}`, { headers: { 'Accept-Encoding': 'br' } });
    expect(asset.headers.get('content-encoding')).toBe('br');
    expect(asset.headers.get('cache-control')).toContain('immutable');
    expect((await fetch(`${first.address}/jobs/26-101/size`)).status).toBe(200);
    expect((await fetch(`${first.address}/assets/nothing.js`)).status).toBe(404);
    expect(existsSync(join('dist', 'web', 'index.html'))).toBe(true);
    const client = new pg.Client({ connectionString: url() });
    await client.connect();
    await client.query("update vehicle set colour = 'striped' where name = 'Bakery van'");
    expect(await stop(first)).toBe(0);

    const second = await start(await freePort());
    expect(second.printed()).not.toContain('Loading the sample');
    expect(second.printed()).not.toContain('Building the page');
    const { rows } = await client.query("select colour from vehicle where name = 'Bakery van'");
    expect(rows[0].colour).toBe('striped');
    await client.end();
    expect(await stop(second)).toBe(0);
  }, 120_000);

  test('a port that is taken is said in one line', async () => {
    const port = await freePort();
    const first = await start(port);
    await expect(start(port)).rejects.toThrow(/Port \d+ is taken: set PORT to another one\./);
    await stop(first);
  }, 60_000);
});

/** Runs a command of the tools to its end. */
async function run(tool: string, args: string[], env: NodeJS.ProcessEnv) {
  const child = spawn(process.execPath, ['--import', 'tsx', `tools/${tool}.ts`, ...args], {
    env: { ...process.env, ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let printed = '';
  const take = (chunk: Buffer) => {
    printed += chunk.toString();
  };
  child.stdout.on('data', take);
  child.stderr.on('data', take);
  const code = await new Promise<number | null>((done) => child.once('exit', done));
  return { code, printed: printed.trim() };
}

describe('what stops a start is said in one sentence', () => {
  const elsewhere = (change: (address: URL) => void) => {
    const address = new URL(url());
    change(address);
    return address.href;
  };
  test.each([
    [
      'the database is down',
      () => ({ DATABASE_URL: 'postgres://a:b@127.0.0.1:9/dajo' }),
      /at 127\.0\.0\.1:9 does not answer/,
    ],
    [
      'the password is wrong',
      () => ({
        DATABASE_URL: elsewhere((a) => {
          a.password = 'wrong';
        }),
      }),
      /refuses this name and password/,
    ],
    [
      'there is no such database',
      () => ({
        DATABASE_URL: elsewhere((a) => {
          a.pathname = '/nowhere';
        }),
      }),
      /has no such database/,
    ],
    ['the address is none', () => ({ DATABASE_URL: 'somewhere' }), /DATABASE_URL is not an address/],
    ['the port is nonsense', () => ({ DATABASE_URL: url(), PORT: 'eighty' }), /PORT is “eighty”/],
  ] as const)('%s', async (_what, env, sentence) => {
    const { code, printed } = await run('start', [], env());
    expect(code).toBe(1);
    expect(printed).toMatch(sentence);
    expect(printed.split('\n')).toHaveLength(1);
  });
});

describe('a database of one’s own', () => {
  const own = 'own_test';
  const ownUrl = () => inject('databaseUrl').replace(/DB$/, own);
  const ask = async (text: string) => {
    const client = new pg.Client({ connectionString: ownUrl() });
    await client.connect();
    const { rows } = await client.query(text);
    await client.end();
    return rows;
  };
  beforeAll(async () => {
    await dropDatabase(admin(), own);
    const client = new pg.Client({ connectionString: admin() });
    await client.connect();
    await client.query(`create database "${own}"`);
    await client.end();
  });
  afterAll(() => dropDatabase(admin(), own));
  test('gets no sample without the word, asks whoever begins for what it printed, and is not erased without its name', async () => {
    const open = await start(await freePort(), [], { DATABASE_URL: ownUrl(), HOST: '0.0.0.0' });
    const session = await (await fetch(`${open.address}/api/session`)).json();
    expect(session).toMatchObject({ workshop: null, asksWord: true, demoSignIns: [], demoPassword: null });
    expect(await ask('select 1 from person')).toEqual([]);
    const word = /asked for this word: (\S+)/.exec(open.printed())?.[1];
    const begin = (said: string | undefined) =>
      fetch(`${open.address}/api/beginning`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-CSRF-Token': session.csrfToken },
        body: JSON.stringify({
          ...{ name: 'Pier Works', region: 'uk', timeZone: 'Europe/London', currency: 'GBP', taxShare: 0.2 },
          ...{ unitSet: 'uk', workingDays: [1, 2, 3, 4], lend: false, word: said },
          person: { name: 'Me', signIn: 'me', password: 'tide and timber' },
        }),
      });
    const wrong = await begin('open sesame');
    expect([wrong.status, (await wrong.json()).fields]).toEqual([
      400,
      { word: 'This is not the word that the start has printed.' },
    ]);
    expect((await begin(word)).status).toBe(200);
    await stop(open);
    const unasked = await run('demo', [], { DATABASE_URL: ownUrl() });
    expect(unasked.printed).toBe(
      'This erases everything in the database “own_test”: say so with npm run demo -- --erase own_test',
    );
    const misnamed = await run('demo', ['--erase', 'dajo'], { DATABASE_URL: ownUrl() });
    expect(misnamed.printed).toBe('That is not its name. Nothing was changed in “own_test”.');
    expect(await ask('select name from person')).toEqual([{ name: 'Me' }]);
    const named = await run('demo', ['--erase', own], { DATABASE_URL: ownUrl() });
    expect(named.code).toBe(0);
    expect(await ask("select 1 from person where name = 'Me'")).toEqual([]);
    expect(await ask('select sample from installation')).toEqual([{ sample: true }]);
  }, 60_000);
});

test('a wanted port that is busy gives another one', async () => {
  const port = await freePort();
  expect(await freePort(port)).toBe(port);
});
