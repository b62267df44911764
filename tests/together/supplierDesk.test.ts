import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { PurchaseRow, PurchaseSheet } from '../../contract/purchases.ts';
import { connect } from '../../server/db/connect.ts';
import { askDesk, DeskFault, ordersToAsk } from '../../server/purchases/desk.ts';
import { startQueue } from '../../server/queue/queue.ts';
import { createDesk } from '../../server/standins/supplierDesk/desk.ts';
import { FRIENDLY, type Mood, moodsOf } from '../../server/standins/supplierDesk/moods.ts';
import { startSupplierDesk } from '../../tools/supplierDesk.ts';
import { openWorkshop, type Visitor } from '../api/workshop.ts';
import { inDays } from '../day.ts';

const shop = openWorkshop();
let ilse: Visitor;
let mood: Mood = FRIENDLY;
let clock = Date.now();
let server: Server;
let url: string;
let connection: ReturnType<typeof connect>;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  connection = connect(shop.url(), 6);
  const desk = createDesk({ moods: () => mood, now: () => clock, stepMs: 1000 });
  server = await new Promise<Server>((done) => {
    const listening = desk.listen(0, '127.0.0.1', () => done(listening));
  });
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  // The orders of the sample have been spoken of: only those of this test are asked for.
  await shop.pool().query("update supplier set desk_url = ''");
  await shop.pool().query("update supplier set desk_url = 'simulated' where id = 'skerry-cells'");
});
afterAll(async () => {
  server.close();
  await connection.close();
});

const sheet = async (number: string) => (await ilse.get(`/purchases/${number}`)).body as PurchaseSheet;
/** An order of four modules, sent; its number. */
async function sent(quantity = 4): Promise<string> {
  const made = await ilse.send('post', '/purchases', {
    ...{
      supplierId: 'skerry-cells',
      currency: 'EUR',
      rateMillionths: 1_000_000,
      rateDay: null,
      wantedOn: inDays(66),
    },
    ...{ note: '', lines: [{ componentId: 'module-n12', quantity, priceCents: 39_500 }] },
  });
  await ilse.send('post', `/purchases/${made.body.number}/send`, { version: 1 });
  return made.body.number as string;
}
const ask = (number: string) => askDesk({ ...connection, simulatedUrl: url, now: () => new Date(clock) }, number);
const steps = (n: number) => {
  clock += n * 1000;
};

describe('a supplier’s desk', () => {
  test('takes an order once, confirms, sends off, invoices; each word has its effect once, however often it is asked', async () => {
    mood = { ...FRIENDLY, repeats: true };
    const number = await sent();
    expect(await ordersToAsk(shop.db())).toContain(number);
    expect(await ask(number)).toBe(0);
    steps(1);
    // Ten at once: each word is taken by one of them.
    const fresh = await Promise.all(Array.from({ length: 10 }, () => ask(number)));
    expect(fresh.reduce((sum, n) => sum + n, 0)).toBe(1);
    expect(await sheet(number)).toMatchObject({
      state: 'confirmed',
      lines: [{ promisedOn: inDays(66), firstPromisedOn: inDays(66) }],
    });
    steps(10);
    await Promise.all(Array.from({ length: 10 }, () => ask(number)));
    const now = await sheet(number);
    expect(now.announced).toMatchObject([{ note: `${number}/1`, lines: [{ quantity: 4 }] }]);
    expect(now.invoices).toMatchObject([{ number: `R-${number}`, findings: [{ finding: 'notReceived', by: 4 }] }]);
    expect(now.said.length).toBe(3);
    expect(await ask(number)).toBe(0);
  });
  test('short, and the same goods sent twice: counted in once each, the second refused, put right', async () => {
    mood = { ...FRIENDLY, short: 1, sendsTwice: true };
    const number = await sent();
    await ask(number);
    steps(10);
    await ask(number);
    const { announced, lines } = await sheet(number);
    expect(announced.map(({ note, lines: [line] }) => [note, line!.quantity])).toEqual([
      [`${number}/1`, 3],
      [`${number}/1-B`, 3],
      [`${number}/2`, 1],
    ]);
    const receive = (note: string, good: number, wrong = 0) =>
      ilse.send('post', `/purchases/${number}/receive`, {
        ...{ note, keepOver: false },
        lines: [
          {
            ...{
              lineId: lines[0]!.id,
              good,
              damaged: 0,
              wrong,
              announced: good + wrong,
              serials: [],
              batch: '',
              binId: null,
            },
            remark: '',
          },
        ],
      });
    expect((await receive(`${number}/1`, 3)).status).toBe(200);
    const again = await receive(`${number}/1-B`, 3);
    expect(again.body.fields['lines.0.good']).toMatch(/1 of .* are still to come and 3 were counted/);
    // Nobody ordered them twice: they go back at the door.
    expect((await receive(`${number}/1-B`, 0, 3)).status).toBe(200);
    expect((await receive(`${number}/2`, 1)).status).toBe(200);
    const done = await sheet(number);
    expect(done).toMatchObject({ state: 'closed', announced: [], lines: [{ accepted: 4, outstanding: 0 }] });
    expect(done.returns).toMatchObject([{ quantity: 3 }]);
    expect(done.invoices[0]!.findings).toEqual([]);
  });
  test('late: the promise moves, what was promised first stays; dearer: the invoice does not match', async () => {
    mood = { ...FRIENDLY, delayDays: 5, dearerCents: 700 };
    const number = await sent();
    await ask(number);
    steps(10);
    await ask(number);
    const now = await sheet(number);
    expect(now.lines[0]).toMatchObject({ firstPromisedOn: inDays(66), promisedOn: inDays(71) });
    expect(now.invoices[0]!.findings).toContainEqual({
      finding: 'price',
      lineId: now.lines[0]!.id,
      ordered: 39_500,
      invoiced: 40_200,
    });
  });
  test('a price it confirms at is asked about, and is ours only once a person has agreed', async () => {
    mood = { ...FRIENDLY, asksCents: 300 };
    const number = await sent();
    await ask(number);
    steps(1);
    await ask(number);
    const asks = async () =>
      ((await ilse.get('/purchases')).body as PurchaseRow[]).find((row) => row.number === number)!.asks;
    const asked = await sheet(number);
    expect(asked.lines[0]).toMatchObject({ priceCents: 39_500, saidCents: 39_800, promisedOn: inDays(66) });
    expect(await asks()).toContain('price');
    const [line] = asked.lines;
    const agree = await ilse.send('post', `/purchases/${number}/confirm`, {
      lines: [{ lineId: line!.id, promisedOn: line!.promisedOn, priceCents: 39_500 }],
      version: asked.version,
    });
    expect(agree.status).toBe(200);
    // Held to what was ordered: the question is answered, and the dearer invoice does not match.
    expect((await sheet(number)).lines[0]).toMatchObject({ priceCents: 39_500, saidCents: null });
    expect(await asks()).not.toContain('price');
    steps(10);
    await ask(number);
    expect((await sheet(number)).invoices[0]!.findings).toContainEqual({
      ...{ finding: 'price', lineId: line!.id, ordered: 39_500, invoiced: 39_800 },
    });
  });
  test('away, or saying what nobody knows: told, nothing stored, asked again', async () => {
    mood = { ...FRIENDLY, away: 2 };
    const number = await sent();
    for (let i = 0; i < 2; i++) await expect(ask(number)).rejects.toThrow(DeskFault);
    expect(await sheet(number)).toMatchObject({ takenAt: null });
    expect(await ask(number)).toBe(0);
    expect((await sheet(number)).takenAt).not.toBeNull();
    await expect(askDesk({ ...connection, simulatedUrl: null, now: () => new Date() }, number)).rejects.toThrow(
      /no simulated desk/,
    );
    const odd = createOdd();
    await expect(
      askDesk({ ...connection, simulatedUrl: await odd.url, now: () => new Date() }, number),
    ).rejects.toThrow(/does not know/);
    odd.close();
  });
});

/** A desk that speaks another language. */
function createOdd() {
  let close = () => {};
  const odd = new Promise<string>((done) => {
    import('node:http').then(({ createServer }) => {
      const one = createServer((_req, res) => res.end(JSON.stringify({ messages: [{ key: 'x', kind: 'dancing' }] })));
      close = () => one.close();
      one.listen(0, '127.0.0.1', () => done(`http://127.0.0.1:${(one.address() as AddressInfo).port}`));
    });
  });
  return { url: odd, close: () => close() };
}

describe('the queue', () => {
  test('asks by itself, in two servers at once, and the desk is a process of its own that goes down in the middle', async () => {
    mood = FRIENDLY;
    const own = await startSupplierDesk();
    await shop.pool().query("update supplier set desk_url = $1 where id = 'skerry-cells'", [own.url]);
    const faults: unknown[] = [];
    const options = {
      url: shop.url(),
      connection,
      simulatedUrl: null,
      plans: null,
      onFault: (error: unknown) => faults.push(error),
      lookMs: 300,
    };
    const queues = await Promise.all([startQueue(options), startQueue(options)]);
    const number = await sent(2);
    await expect.poll(async () => (await sheet(number)).takenAt, { timeout: 30_000 }).not.toBeNull();
    own.stop();
    const other = await sent(2);
    await new Promise((later) => setTimeout(later, 1500));
    expect(await sheet(other)).toMatchObject({ state: 'sent', takenAt: null });
    // It is back: at another door, where the workshop is told to look.
    mood = FRIENDLY;
    await shop.pool().query('update supplier set desk_url = $1 where id = $2', [url, 'skerry-cells']);
    await expect.poll(async () => (await sheet(other)).takenAt, { timeout: 40_000 }).not.toBeNull();
    steps(10);
    await expect.poll(async () => (await sheet(other)).invoices.length, { timeout: 40_000 }).toBe(1);
    expect((await sheet(other)).said.length).toBe(3);
    for (const queue of queues) await queue.stop();
    expect(faults).toEqual([]);
  });
});

test('a mood belongs to its order: the same seed, the same supplier', () => {
  const moods = moodsOf(7);
  expect(Array.from({ length: 40 }, (_, i) => moods(`P26-${i}`))).toEqual(
    Array.from({ length: 40 }, (_, i) => moodsOf(7)(`P26-${i}`)),
  );
  const all = Array.from({ length: 300 }, (_, i) => moods(`P26-${i}`));
  for (const trait of ['away', 'delayDays', 'short', 'dearerCents'] as const) {
    const share = all.filter((one) => one[trait] > 0).length / all.length;
    expect(share).toBeGreaterThan(0.1);
    expect(share).toBeLessThan(0.6);
  }
});
