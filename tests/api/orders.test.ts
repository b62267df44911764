import { beforeAll, describe, expect, test } from 'vitest';
import type { OrderRow, OrderSheet } from '../../contract/orders.ts';
import { inDays } from '../day.ts';
import { putAllOnHand, putOnHand } from './stock.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
const visitors = {} as Record<'ilse' | 'jory' | 'mabel' | 'odo', Visitor>;
beforeAll(async () => {
  for (const name of ['ilse', 'jory', 'mabel', 'odo'] as const) visitors[name] = await shop.visitor(name);
});
const orderOf = async (number: string): Promise<OrderSheet> => (await visitors.ilse.get(`/orders/${number}`)).body;
const clientOf = async (name: string): Promise<string> =>
  (await sql('select id from client where name = $1', [name])).rows[0].id;
const partner = () => clientOf('Ferry Yard Conversions');
const terms = async (part: object = {}) => ({
  ...{ clientId: await clientOf('Round Bay Grocers'), clientName: '', clientContact: '' },
  ...{ revisionId: 'wren-kit-c', variantId: 'wren-11', options: [], kind: 'sent', fitter: 'partner' },
  ...{ partnerId: await partner(), vehicle: 'of 1971', promisedOn: inDays(20), comesOn: null, note: '' },
  ...part,
});
const take = async (part: object = {}) => {
  const made = await visitors.ilse.send('post', '/orders', await terms(part));
  expect(made.status).toBe(200);
  return (made.body as { number: string }).number;
};
const changeOf = (order: OrderSheet, part: object = {}) => ({
  ...{ fitter: order.fitter, partnerId: order.partner?.id ?? null, vehicle: order.vehicle, note: order.note },
  ...{ promisedOn: order.promisedOn, comesOn: order.comesOn, fittedBy: order.fittedBy, jobNumber: order.jobNumber },
  ...{ loanTool: order.loanTool, loanDue: order.loanDue, loanBack: order.loanBack, version: order.version },
  ...part,
});
const TOKEN = 'abcdefghijklmnopqrstuvwxyz012345';
/** Enough of everything on the shelf. */
const stock = () => putAllOnHand(shop.pool(), 200);

/** Counts, numbers, weighs and papers everything of an order, by two people. */
async function pack(number: string, but: { readonly uncounted?: string; readonly lithium?: false } = {}) {
  const { lines, crates } = await orderOf(number);
  expect(crates).toEqual([]);
  const counting = lines.filter(({ name }) => name !== but.uncounted);
  for (const { id, pieces } of counting) {
    await visitors.jory.send('put', `/order-lines/${id}/count`, { which: 'first', pieces });
    await visitors.mabel.send('put', `/order-lines/${id}/count`, { which: 'second', pieces });
  }
  for (const { id, pieces, kind, name } of counting)
    if (
      [
        'module',
        'drive',
        'inverter',
        'charger',
        'combinedUnit',
        'contactorBox',
        'bmsMain',
        'bmsSatellite',
        'dcdc',
      ].includes(kind)
    ) {
      const serials = Array.from({ length: pieces }, (_, i) => `${number} ${name} ${i}`);
      expect((await visitors.jory.send('put', `/order-lines/${id}/serials`, { serials })).status).toBe(200);
    }
  for (const name of new Set(lines.map(({ crate }) => crate)))
    await visitors.jory.send('put', `/orders/${number}/crates`, {
      ...{ name, lengthMm: 1200, widthMm: 800, heightMm: 600, massKg: 900 },
    });
  for (const kind of ['lithium', 'instructions', 'notIncluded'] as const)
    if (kind !== 'lithium' || but.lithium !== false)
      await visitors.jory.send('put', `/orders/${number}/papers`, {
        ...{ kind, reference: 'UN 3481, 17', givenBy: 'freight agent', day: inDays(-1) },
      });
  const order = await orderOf(number);
  await visitors.ilse.send('put', `/orders/${number}`, changeOf(order, { loanTool: '' }));
}

describe('kit orders', () => {
  test('the order book has what is open first, by the day it is promised for', async () => {
    const rows = (await visitors.odo.get('/orders')).body as OrderRow[];
    expect(rows.map(({ number, state }) => [number.slice(4), state])).toEqual([
      ['002', 'sent'],
      ['003', 'ordered'],
      ['001', 'signed'],
    ]);
    expect(rows[0]).toMatchObject({
      questions: 1,
      stagesDone: 4,
      kind: 'sent',
      partner: { name: 'Ferry Yard Conversions' },
    });
  });

  test.each<[string, object | (() => Promise<object>), Record<string, string | RegExp>]>([
    [
      'a client with nobody’s name',
      { clientId: null },
      { clientName: 'Name of the client is needed, or choose one who is known.' },
    ],
    ['a draft', { revisionId: 'wren-kit-d' }, { revisionId: 'Revision D is draft: only a released one is sold.' }],
    [
      'a withdrawn one',
      { revisionId: 'wren-kit-a' },
      { revisionId: 'Revision A is withdrawn: only a released one is sold.' },
    ],
    ['an option it has not', { options: ['gold'] }, { options: 'This kit has no such option.' }],
    ['a day that has passed', { promisedOn: inDays(-326) }, { promisedOn: /^Promised for is in the past/ }],
    [
      'a vehicle that comes first',
      { comesOn: inDays(1) },
      { comesOn: 'Vehicle comes on is before the kit is promised.' },
    ],
    [
      'live work by a client',
      { fitter: 'client', partnerId: null },
      { fitter: /live high-voltage work: a client does not do it/ },
    ],
    ['a shop without a name', { partnerId: null }, { partnerId: 'Shop that fits it is needed.' }],
    [
      'a shop nobody approved',
      async () => ({ partnerId: await clientOf('Round Bay Grocers') }),
      { partnerId: 'Round Bay Grocers has no approval for this kit.' },
    ],
    [
      'a shop whose approval will be over',
      { promisedOn: inDays(400) },
      { partnerId: /ends on .*, before the kit is promised/ },
    ],
  ])('refuses %s, at its field', async (_, part, fields) => {
    const asked = await terms(typeof part === 'function' ? await part() : part);
    const answer = await visitors.ilse.send('post', '/orders', asked);
    expect(answer.status).toBe(400);
    for (const [field, sentence] of Object.entries(fields))
      expect(answer.body.fields[field]).toMatch(typeof sentence === 'string' ? new RegExp(`^${sentence}$`) : sentence);
  });

  test('a client who fits it lets the vehicle come: live work and all after it stays here', async () => {
    const number = await take({ kind: 'sentThenHere', fitter: 'client', partnerId: null });
    const order = await orderOf(number);
    const live = order.stages.find(({ liveHv }) => liveHv)!;
    expect(order.fittedBy[live.key]).toBe('here');
    const wrong = await visitors.ilse.send('put', `/orders/${number}`, changeOf(order, { fittedBy: {} }));
    expect(wrong.body.fields.fitter).toMatch(/a client does not do it/);
  });

  test('what is counted first is held; the second count is somebody else’s; too many are refused', async () => {
    await stock();
    const number = await take();
    const line = (await orderOf(number)).lines.find(({ kind }) => kind === 'drive')!;
    const count = (who: Visitor, which: string, pieces: number | null) =>
      who.send('put', `/order-lines/${line.id}/count`, { which, pieces });
    expect((await count(visitors.mabel, 'second', 1)).body.detail).toMatch(/has not been counted once/);
    expect((await count(visitors.jory, 'first', 9)).body.fields.pieces).toBe('9 is more than the 1 on the list.');
    expect((await count(visitors.jory, 'first', 1)).status).toBe(200);
    expect((await count(visitors.jory, 'second', 1)).body.detail).toMatch(/Somebody else counts it/);
    expect((await count(visitors.mabel, 'second', 1)).status).toBe(200);
    // A first count anew asks for the second again; free stock follows.
    const free = async () =>
      (await visitors.ilse.get('/library')).body.components.find(({ id }: { id: string }) => id === line.componentId)
        .free;
    const before = await free();
    expect((await count(visitors.jory, 'first', 0)).status).toBe(200);
    expect(await free()).toBe(before + 1);
    expect((await orderOf(number)).lines.find(({ id }) => id === line.id)).toMatchObject({
      first: { pieces: 0, by: 'Jory Opie' },
      second: null,
    });
    const { rows: held } = await sql(
      `select (select coalesce(sum(quantity), 0) from part_line where component_id = $1 and state = 'inStores')
        + (select coalesce(sum(first_pieces), 0) from order_line l join kit_order o on o.id = l.order_id
          where component_id = $1 and o.state = 'ordered') as n`,
      [line.componentId],
    );
    await putOnHand(shop.pool(), line.componentId, Number(held[0].n));
    await expect(
      sql('update order_line set first_pieces = 1, first_by_id = (select id from person limit 1) where id = $1', [
        line.id,
      ]),
    ).rejects.toThrow(/more held than on hand/);
    expect((await count(visitors.jory, 'first', 1)).body.fields.pieces).toMatch(/^Stores have 0 free of/);
    await stock();
  });

  test('a number is in one crate; one that is cancelled gives its numbers back', async () => {
    const [first, second] = [await take(), await take()];
    const lineOf = async (number: string) => (await orderOf(number)).lines.find(({ kind }) => kind === 'drive')!;
    const write = async (number: string, serials: string[]) =>
      visitors.jory.send('put', `/order-lines/${(await lineOf(number)).id}/serials`, { serials });
    expect((await write(first, ['H80-77'])).status).toBe(200);
    expect((await write(second, ['h80-77'])).body.fields.serials).toBe(`h80-77 is in ${first} already.`);
    expect((await write(second, ['x', 'X'])).body.fields).toEqual({
      'serials.1': 'Serial numbers has an entry twice.',
    });
    expect((await write(second, ['x', 'y'])).body.fields.serials).toBe('2 numbers for 1 pieces.');
    const { version } = await orderOf(first);
    expect((await visitors.ilse.send('post', `/orders/${first}/cancel`, { why: 'they sold it', version })).status).toBe(
      200,
    );
    expect((await write(second, ['H80-77'])).status).toBe(200);
    expect((await write(first, ['z'])).body.detail).toBe(`${first} is cancelled: it cannot be packed now.`);
  });

  test('a line short leaves as a manager’s decision only, with a reason that stays; lithium without papers by nobody’s', async () => {
    await stock();
    const number = await take();
    const short = (await orderOf(number)).lines.find(({ kind }) => kind === 'fuse')!.name;
    await pack(number, { uncounted: short, lithium: false });
    const { version } = await orderOf(number);
    const send = (who: Visitor, missing: string[], why: string) =>
      who.send('post', `/orders/${number}/send`, { carrier: 'Island freight', missing, why, version });
    const papers = await send(visitors.ilse, [], 'papers at the quay');
    expect(papers.body.detail).toBe(`${number} stays here: transport papers for the modules.`);
    await visitors.jory.send('put', `/orders/${number}/papers`, {
      ...{ kind: 'lithium', reference: 'UN 3481, 17', givenBy: 'freight agent', day: inDays(-1) },
    });
    expect((await send(visitors.jory, [], '')).status).toBe(403);
    expect((await send(visitors.ilse, [], '')).body.fields.why).toMatch(/^Say why it leaves although this is missing/);
    const unseen = await send(visitors.ilse, ['Counted once, whole: something'], 'follows by post');
    expect(unseen.body.detail).toMatch(/^Something else is missing since you looked/);
    const missing = [`Counted once, whole: ${short}: 0 of 1`, `Counted again by somebody else: ${short}`];
    expect((await send(visitors.ilse, missing, 'fuse follows by post')).status).toBe(200);
    expect((await orderOf(number)).dispatch).toMatchObject({
      missing,
      why: 'fuse follows by post',
    });
    await expect(sql('update order_dispatch set missing = $1', ['[]'])).rejects.toThrow(/never change/);
    await expect(
      sql('update order_line set pieces = pieces + 1 where order_id = (select id from kit_order where number = $1)', [
        number,
      ]),
    ).rejects.toThrow(/a packing that has left/);
    await expect(sql("update kit_order set revision_id = 'wren-kit-b' where number = $1", [number])).rejects.toThrow(
      /what was sold/,
    );
  });

  test('a revision withdrawn meanwhile stays here, whoever says otherwise', async () => {
    const number = await take({ revisionId: 'wren-kit-b' });
    await sql("update kit_revision set state = 'withdrawn', withdrawn_why = 'cracks' where id = 'wren-kit-b'");
    const { version } = await orderOf(number);
    const answer = await visitors.ilse.send('post', `/orders/${number}/send`, {
      ...{ carrier: 'Island freight', missing: [], why: 'urgent', version },
    });
    expect(answer.body.detail).toBe(`${number} stays here: revision B was withdrawn.`);
  });

  test('papers print', async () => {
    const number = (await visitors.ilse.get('/orders')).body[0].number;
    for (const paper of ['packing', 'labels', 'fitting']) {
      const pdf = await visitors.odo.get(`/orders/${number}/${paper}.pdf`);
      expect(pdf.status).toBe(200);
      expect(String(pdf.body.subarray(0, 5))).toBe('%PDF-');
    }
  });
});

describe('the page of a fitter', () => {
  const anybody = () => shop.anybody();
  let number: string;
  beforeAll(async () => {
    await stock();
    number = await take();
    await pack(number);
    const opened = await visitors.ilse.send('post', `/orders/${number}/link`, { token: TOKEN, days: 30 });
    expect(opened.status).toBe(200);
  });
  const send = async (path: string, body: object) => (await anybody()).send('post', `/fitting/${TOKEN}${path}`, body);
  const reading = (value: number, part: object = {}) =>
    send('/readings', { stageKey: 'clean', step: 1, value, instrument: '', by: 'Senna Rowe', ...part });
  const done = (stageKey: string) => send('/stages', { stageKey, hours: 2, by: 'Senna Rowe' });

  test('is opened by its word alone, shows the order and nothing else, and does nothing before the kit has left', async () => {
    const page = await anybody();
    const { body, status } = await page.get(`/fitting/${TOKEN}`);
    expect(status).toBe(200);
    expect(body).toMatchObject({ number, kitName: 'Wren front-drive kit', revision: 'C', client: 'Round Bay Grocers' });
    expect(JSON.stringify(body)).not.toMatch(/cents|price|Ilse|rateC/i);
    expect((await page.get(`/fitting/${TOKEN.replace('a', 'b')}`)).status).toBe(404);
    expect((await page.get('/fitting/short')).status).toBe(404);
    expect((await page.get('/orders')).status).toBe(401);
    expect((await done('receive')).body.detail).toBe(`${number} is to pack: it cannot be fitted now.`);
    const { version } = await orderOf(number);
    const sent = await visitors.jory.send('post', `/orders/${number}/send`, {
      ...{ carrier: 'Island freight', missing: [], why: '', version },
    });
    expect(sent.status).toBe(200);
  });

  test('takes what went off the shelf', async () => {
    const { lines } = await orderOf(number);
    const module = lines.find(({ kind }) => kind === 'module')!;
    const { rows } = await sql('select on_hand from component where id = $1', [module.componentId]);
    expect(rows[0].on_hand).toBeLessThanOrEqual(200 - module.pieces);
  });

  test('stages come in their order, readings first; the same thing twice is done once', async () => {
    expect((await done('clean')).body.detail).toMatch(/^Other stages come first\. Strip out/);
    expect((await done('receive')).status).toBe(200);
    expect((await done('receive')).status).toBe(200);
    expect((await done('strip')).status).toBe(200);
    expect((await done('clean')).body.detail).toBe('A reading is still missing.');
    // A telephone with a bad line sends again and again.
    const ten = await Promise.all(Array.from({ length: 10 }, () => reading(2)));
    expect(ten.map(({ status }) => status)).toEqual(ten.map(() => 200));
    expect((await done('clean')).body.detail).toMatch(/^A reading is outside its limits/);
    const { readings } = await orderOf(number);
    expect(readings).toHaveLength(1);
    const allowed = await visitors.ilse.send('post', `/order-readings/${readings[0]!.id}/allow`, {
      why: 'old thread, glued',
    });
    expect(allowed.status).toBe(200);
    expect((await done('clean')).status).toBe(200);
    expect((await reading(8)).body.detail).toMatch(/^This stage is done/);
    expect((await reading(8, { stageKey: 'strip', step: 0 })).body.fields.step).toBe(
      'Nothing is measured at this step.',
    );
  });

  test('questions are answered for everybody who fits the revision, without saying who asked', async () => {
    const ask = { stageKey: 'run-looms', text: 'Left or right of the tunnel?', by: 'Senna Rowe' };
    await send('/questions', ask);
    await send('/questions', ask);
    const [question, ...more] = (await orderOf(number)).questions;
    expect(more).toEqual([]);
    await visitors.jory.send('post', `/order-questions/${question!.id}/answer`, { answer: 'Left.' });
    const other = await take();
    const word = TOKEN.replace('abc', 'xyz');
    await visitors.ilse.send('post', `/orders/${other}/link`, { token: word, days: 5 });
    const { body } = await (await anybody()).get(`/fitting/${word}`);
    expect(body.questions).toContainEqual(
      expect.objectContaining({ text: ask.text, by: 'another fitter', answer: 'Left.' }),
    );
    const ofKit = (await visitors.odo.get('/kits/wren-kit/questions')).body;
    expect(ofKit.map(({ text }: { text: string }) => text)).toContain(ask.text);
  });

  test('the sheet is signed once everything is done, and never changes after', async () => {
    expect((await send('/sign', { by: 'Senna Rowe', remark: '' })).body.detail).toMatch(/^Not done yet: /);
    const { stages } = await orderOf(number);
    for (const { key, steps } of stages) {
      for (const [step, { limit }] of steps.entries())
        if (limit && key !== 'clean') await reading(limit.min ?? limit.max ?? 0, { stageKey: key, step });
      await done(key);
    }
    const ten = await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        send('/sign', { by: i < 5 ? 'Senna Rowe' : 'Tam Rowe', remark: 'runs well' }),
      ),
    );
    expect(ten.filter(({ status }) => status === 200)).toHaveLength(1);
    expect(await orderOf(number)).toMatchObject({ state: 'signed', sign: { remark: 'runs well' } });
    expect((await send('/sign', { by: 'Senna Rowe', remark: '' })).status).toBe(422);
    await expect(sql("update order_sign set by = 'somebody'")).rejects.toThrow(/never change/);
    const { rows } = await sql(
      "select what from event where resource_id = $1 and person_id is null and what like '%signed%'",
      [number],
    );
    expect(rows).toHaveLength(1);
  });

  test('a link that was closed or replaced opens nothing', async () => {
    const other = await take();
    const word = (i: number) => `${'q'.repeat(31)}${i}`;
    await visitors.ilse.send('post', `/orders/${other}/link`, { token: word(1), days: 5 });
    await visitors.ilse.send('post', `/orders/${other}/link`, { token: word(2), days: 5 });
    const page = await anybody();
    expect((await page.get(`/fitting/${word(1)}`)).status).toBe(404);
    expect((await page.get(`/fitting/${word(2)}`)).status).toBe(200);
    await visitors.ilse.send('post', `/orders/${other}/revoke`);
    expect((await page.get(`/fitting/${word(2)}`)).body.detail).toMatch(/^This page has been closed/);
    await sql("update order_link set until = now() - interval '1 hour'");
    expect((await page.get(`/fitting/${TOKEN}`)).status).toBe(404);
  });
});

describe('shops that may fit', () => {
  test('an approval is given until a day, once a kit, and ended with a reason', async () => {
    const clientId = await clientOf('Round Bay Grocers');
    const give = (part: object = {}) =>
      visitors.ilse.send('post', '/approvals', {
        clientId,
        kitId: 'wren-kit',
        validUntil: inDays(90),
        note: '',
        ...part,
      });
    expect((await give({ validUntil: inDays(-330) })).body.fields.validUntil).toMatch(/in the past/);
    const { body } = await give();
    expect((await give()).body.fields.kitId).toMatch(/has an approval for it until/);
    expect((await visitors.ilse.send('post', `/approvals/${body.id}/end`, { why: 'moved away' })).status).toBe(200);
    expect((await visitors.ilse.send('post', `/approvals/${body.id}/end`, { why: 'again' })).status).toBe(422);
    const list = (await visitors.odo.get('/approvals')).body;
    expect(list.at(-1)).toMatchObject({ kitName: 'Wren front-drive kit', endedWhy: 'moved away' });
  });
});
