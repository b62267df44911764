import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { request as ask, type IncomingMessage, type ServerResponse } from 'node:http';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Page, test } from '@playwright/test';
import { generate } from 'selfsigned';
import { backupsOf } from '../../tools/backups.ts';
import { copyTemplate } from '../../tools/copyTemplate.ts';
import { keepWorking } from '../../tools/keepWorking.ts';
import { type Running, serve } from '../../tools/serve.ts';
import { dropDatabase } from '../api/dropDatabase.ts';
import { expect, openJob, signIn } from './fixture.ts';

/**
 * A proxy as a workshop would have one: ends TLS, tells by whom and by what way it was asked, and hands each asking to the
 * next server in turn.
 */
async function proxyBefore(servers: readonly Running[]) {
  const { private: key, cert } = await generate([{ name: 'commonName', value: 'dajo.test' }]);
  let turn = 0;
  const pass = (req: IncomingMessage, res: ServerResponse) => {
    const { hostname, port } = new URL(servers[turn++ % servers.length]!.url);
    const headers = { ...req.headers, 'x-forwarded-proto': 'https', 'x-forwarded-for': '203.0.113.7' };
    const inner = ask({ hostname, port, path: req.url, method: req.method, headers }, (answer) => {
      res.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(res);
    });
    inner.on('error', () => (res.headersSent ? res.destroy() : res.writeHead(502).end()));
    res.on('close', () => inner.destroy());
    req.pipe(inner);
  };
  const server = createServer({ key, cert }, pass);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return {
    url: `https://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: async () => {
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
    },
  };
}

test('two servers and a worker behind a proxy with TLS are one workshop', async ({ browser }) => {
  test.setTimeout(120_000);
  const pattern = process.env.TEST_DATABASE_URL ?? '';
  const name = `browser_${randomUUID().replace(/-/g, '')}`;
  const url = pattern.replace(/DB$/, name);
  await copyTemplate(pattern.replace(/DB$/, 'postgres'), name);
  const folder = mkdtempSync(join(tmpdir(), 'worker-'));
  const before = { proxies: process.env.TRUSTED_PROXIES, secret: process.env.SESSION_SECRET };
  process.env.TRUSTED_PROXIES = 'loopback';
  process.env.SESSION_SECRET = 'the same on both';
  const start = () => serve(url, `${process.cwd()}/dist/web`, 0, { log: 'silent' });
  const servers = [await start(), await start()];
  const proxy = await proxyBefore(servers);
  const worker = keepWorking(url, backupsOf(url, folder, true));
  const open = async (who: string): Promise<Page> => {
    const page = await (await browser.newContext({ ignoreHTTPSErrors: true })).newPage();
    await signIn(page, proxy.url, who);
    return page;
  };
  try {
    const [ilse, mabel] = [await open('ilse'), await open('mabel')];
    await test.step('cookies go by HTTPS alone, and the browser is told to stay with it', async () => {
      const cookies = await ilse.context().cookies();
      expect(cookies.filter(({ name: cookie }) => cookie.startsWith('dajo')).map(({ secure }) => secure)).toEqual([
        true,
      ]);
      const answer = await ilse.request.get(`${proxy.url}/ready`);
      expect(answer.headers()['strict-transport-security']).toBe('max-age=31536000');
      expect(await answer.text()).toBe('ready\n');
    });
    await test.step('what one does at one server, another sees at the other', async () => {
      await openJob(ilse, proxy.url, 'Bakery van', 'build');
      await openJob(mabel, proxy.url, 'Bakery van', 'build');
      await ilse.getByLabel('A fault to put right').fill('Bonnet cable frayed');
      await ilse.getByRole('button', { name: 'Note snag' }).click();
      await expect(mabel.getByText('Bonnet cable frayed')).toBeVisible();
      await mabel.getByRole('button', { name: 'Put right: Bonnet cable frayed' }).click();
      await mabel.getByRole('button', { name: 'It is put right' }).click();
      await expect(ilse.getByText('put right by Mabel', { exact: false })).toBeVisible();
    });
    await test.step('a server is stopped: its people go on at the other', async () => {
      const [first, second] = servers;
      await first!.close();
      servers[0] = second!;
      await ilse.goto(`${proxy.url}/jobs`);
      await expect(ilse.getByRole('link', { name: /Bakery van/ })).toBeVisible();
    });
    await test.step('the worker backs up and tries it, and the manager sees it', async () => {
      expect(await worker.look()).toEqual(['daily', 'trial']);
      expect(readdirSync(folder)).toHaveLength(1);
      await ilse.goto(`${proxy.url}/workshop`);
      await expect(ilse.getByText(/was restored on trial and found whole/)).toBeVisible();
      await expect(ilse.locator('[data-version]')).toContainText('PostgreSQL');
    });
    for (const page of [ilse, mabel]) await page.context().close();
  } finally {
    await worker.stop();
    await proxy.close();
    for (const one of new Set(servers)) await one.close();
    for (const [key, value] of [
      ['TRUSTED_PROXIES', before.proxies],
      ['SESSION_SECRET', before.secret],
    ] as const) {
      if (value === undefined) delete process.env[key];
      else process.env[key] = value;
    }
    await dropDatabase(pattern.replace(/DB$/, 'postgres'), name);
    rmSync(folder, { recursive: true });
  }
});
