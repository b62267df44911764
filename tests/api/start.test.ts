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
async function start(port: number): Promise<Started> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'tools/start.ts'], {
    env: { ...process.env, DATABASE_URL: url(), PORT: String(port) },
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

test('a wanted port that is busy gives another one', async () => {
  const port = await freePort();
  expect(await freePort(port)).toBe(port);
});
