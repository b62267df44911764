import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { ClientAccess, ClientSheet } from '../../contract/clientPage.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { ActualSheet, PriceSheet } from '../../contract/offers.ts';
import type { OfferBody, OfferLine } from '../../core/offer/offer.ts';
import { offerSums } from '../../core/offer/sums.ts';
import { inDays } from '../day.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
beforeAll(async () => {
  [ilse, jory] = [await shop.visitor('ilse'), await shop.visitor('jory')];
});
const price = async (number: string) => (await ilse.get(`/jobs/${number}/price`)).body as PriceSheet;
const own = (more: Partial<OfferLine> = {}): OfferLine => ({
  ...{ key: 'own a', kind: 'own', group: 'own', text: 'Ferry', componentId: null, skill: null, quantity: 1 },
  ...{ unitCents: 18_000, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  ...more,
});
/** An offer of a job as it is written now. */
const written = async (number: string) => {
  const { body } = await ilse.send('post', `/jobs/${number}/offers`);
  return (await price(number)).offers.find(({ id }) => id === body.id)!;
};
const sent = async (number: string) => {
  const draft = await written(number);
  await ilse.send('post', `/offers/${draft.id}/send`, { version: draft.version });
  return (await price(number)).offers.find(({ id }) => id === draft.id)!;
};
const accept = (id: string, version: number, more: object = {}) =>
  ilse.send('post', `/offers/${id}/answer`, { accepted: true, name: 'Mara Quill', why: '', version, ...more });

describe('an offer', () => {
  let number: string;
  beforeAll(async () => {
    ({ number } = await ilse.job('Ice-cream van'));
  });
  test('from today’s figures has a line for each part and the hours as earlier vehicles took them', async () => {
    const sheet = await price(number);
    const job = await ilse.job('Ice-cream van');
    expect(sheet.offers).toEqual([]);
    const pieces = new Map<string, number>();
    for (const { componentId, quantity } of job.parts)
      pieces.set(componentId, (pieces.get(componentId) ?? 0) + quantity);
    const lines = sheet.fresh!.lines.filter(({ kind }) => kind === 'part');
    expect(new Map(lines.map((line) => [line.componentId, line.quantity]))).toEqual(pieces);
    expect(sheet.hours!.vehicles).toBeGreaterThanOrEqual(2);
    expect(sheet.hours!.lowHours).toBeLessThanOrEqual(sheet.hours!.hours);
    expect(sheet.bracket).toMatchObject({ basis: 'kit' });
  });
  test('is written, priced by the workshop’s rules and sent; then it never changes', async () => {
    const draft = await written(number);
    expect(draft).toMatchObject({ number: 1, state: 'draft' });
    expect((await ilse.send('post', `/jobs/${number}/offers`)).body.detail).toMatch(/being written already/);
    const body: OfferBody = { ...draft.body, lines: [...draft.body.lines, own()], open: true, note: 'With the ferry.' };
    const change = (more: object) => ilse.send('put', `/offers/${draft.id}`, { body, version: 1, ...more });
    expect((await change({})).body).toEqual({ version: 2 });
    expect((await change({})).status).toBe(409);
    const stored = (await price(number)).offers[0]!;
    const { netCents, taxCents, totalCents } = offerSums(body);
    expect(stored).toMatchObject({ netCents, taxCents, totalCents, body: { note: 'With the ferry.' } });
    expect((await ilse.send('post', `/offers/${draft.id}/send`, { version: 2 })).status).toBe(200);
    expect((await change({ version: 3 })).body.detail).toMatch(/never changes/);
    expect((await ilse.job('Ice-cream van')).state).toBe('offered');
    await expect(sql("update offer set body = '{}' where id = $1", [draft.id])).rejects.toMatchObject({
      code: 'DJ001',
    });
    await expect(sql('delete from offer where id = $1', [draft.id])).rejects.toMatchObject({ code: 'DJ001' });
  });
  test('a newer one takes its place, and keeps what was typed by hand', async () => {
    const [before] = (await price(number)).offers;
    const second = await written(number);
    expect(second.body.lines.at(-1)).toMatchObject({ key: 'own a', text: 'Ferry' });
    await ilse.send('post', `/offers/${second.id}/send`, { version: second.version });
    const { offers } = await price(number);
    expect(offers.map(({ number: n, state }) => [n, state])).toEqual([
      [2, 'sent'],
      [1, 'withdrawn'],
    ]);
    expect((await accept(before!.id, before!.version)).body.detail).toMatch(/does not stand any more/);
  });
  test('bad lines are told at the field, and nothing is lost', async () => {
    const { offers } = await price(number);
    await ilse.send('post', `/offers/${offers[0]!.id}/withdraw`, {
      why: 'a mistake in it',
      version: offers[0]!.version,
    });
    const draft = await written(number);
    const change = async (line: Partial<OfferLine>, body: Partial<OfferBody> = {}) =>
      (
        await ilse.send('put', `/offers/${draft.id}`, {
          body: { ...draft.body, lines: [own(line)], ...body },
          version: draft.version,
        })
      ).body.fields;
    expect(await change({ taxShare: 1.2 })).toEqual({ 'body.lines.0.taxShare': 'Tax must be at most 1.' });
    expect(await change({ unitCents: 0.5 })).toHaveProperty('body.lines.0.unitCents');
    expect(await change({ text: '' })).toHaveProperty('body.lines.0.text');
    expect(await change({ kind: 'part', componentId: 'no-such', group: 'main' })).toEqual({
      'body.lines.0.componentId': 'Choose a part from the catalogue.',
    });
    expect(
      await change({ foreign: { currency: 'QQQ' as 'EUR', cents: 1, rateMillionths: 1, rateDay: inDays(-26) } }),
    ).toHaveProperty('body.lines.0.foreign.currency');
    expect(await change({}, { contingencyShare: 2 })).toHaveProperty('body.contingencyShare');
    expect(await change({}, { validUntil: '2026-02-30' })).toHaveProperty('body.validUntil');
    const empty = { ...draft.body, lines: [] };
    await ilse.send('put', `/offers/${draft.id}`, { body: empty, version: draft.version });
    expect((await ilse.send('post', `/offers/${draft.id}/send`, { version: 2 })).body.detail).toMatch(/no line yet/);
    await ilse.send('post', `/offers/${draft.id}/refresh`, { version: 2 });
    const again = (await price(number)).offers[0]!;
    expect(again.body.lines.length).toBeGreaterThan(5);
    const old = { ...again.body, validUntil: inDays(-330) };
    await ilse.send('put', `/offers/${draft.id}`, { body: old, version: 3 });
    expect((await ilse.send('post', `/offers/${draft.id}/send`, { version: 4 })).body.fields).toHaveProperty(
      'validUntil',
    );
    await ilse.send('post', `/offers/${draft.id}/withdraw`, { why: 'tried enough', version: 4 });
  });
  test('goes out as PDF and CSV; the table adds up', async () => {
    const offer = await sent(number);
    const paper = await ilse.get(`/offers/${offer.id}/paper`).buffer(true);
    expect(paper.headers['content-type']).toMatch(/pdf/);
    const table = Papa.parse<string[]>((await ilse.get(`/offers/${offer.id}/table`)).text.trim()).data;
    const at = table[0]!.indexOf('before tax');
    const sums = table.filter(([, group]) => group === 'Sum');
    const lines = table.slice(1).filter(([, group]) => group !== 'Sum' && group !== 'To pay');
    const added = lines.reduce((sum, row) => sum + Math.round(Number(row[at]) * 100), 0);
    expect(added).toBe(Math.round(Number(sums[0]![at]) * 100));
    expect(added).toBe(offer.netCents);
  });
});

describe('accepted', () => {
  let van: JobSheet;
  let offerId: string;
  test('the design is frozen as it was offered, although somebody went on with it', async () => {
    const { number } = await ilse.job('Ice-cream van');
    const offer = (await price(number)).offers.find(({ state }) => state === 'sent')!;
    offerId = offer.id;
    const before = await ilse.job('Ice-cream van');
    const design = before.designs.find(({ id }) => id === before.chosenDesignId)!;
    const changed = { ...design.inputs, usableShare: design.inputs.usableShare - 0.05 };
    const body = { name: design.name, inputs: changed, version: design.version };
    expect((await ilse.send('put', `/designs/${design.id}`, body)).status).toBe(200);
    expect((await accept(offer.id, offer.version, { name: '' })).body.fields).toHaveProperty('name');
    expect((await accept(offer.id, offer.version, { accepted: false })).body.fields).toHaveProperty('why');
    expect((await accept(offer.id, offer.version)).status).toBe(200);
    van = await ilse.job('Ice-cream van');
    expect(van.state).toBe('agreed');
    const sold = van.designs.find(({ id }) => id === van.chosenDesignId)!;
    expect(sold.frozenAt).not.toBeNull();
    expect(sold.inputs.usableShare).toBe(design.inputs.usableShare);
    expect(sold.followsId).toBe(design.id);
  });
  test('once: the same person again changes nothing, another one is told who it was', async () => {
    expect((await accept(offerId, 3)).status).toBe(200);
    expect((await accept(offerId, 3, { name: 'Olu Brand' })).body.detail).toMatch(
      /was accepted by Mara Quill on \d{4}-\d{2}-\d{2} already/,
    );
    expect((await ilse.send('post', `/jobs/${van.number}/offers`)).body.detail).toMatch(/priced as a change/);
  });
  test('another design or kit is refused until a change of it is accepted', async () => {
    const other = van.designs.find(({ id }) => id !== van.chosenDesignId)!;
    const choose = await ilse.send('put', `/jobs/${van.number}/chosen-design`, {
      ...{ designId: other.id, version: van.version },
    });
    expect([choose.status, choose.body.detail]).toEqual([422, expect.stringMatching(/agreed by offer/)]);
    const kit = await ilse.send('put', `/jobs/${van.number}/kit`, {
      ...{ revisionId: van.kit!.revisionId, options: ['larger-charger'], version: van.version },
    });
    expect([kit.status, kit.body.detail]).toEqual([422, expect.stringMatching(/agreed by offer/)]);
  });
});

describe('a change', () => {
  let number: string;
  const wish = async (body: object) =>
    (await jory.send('post', `/jobs/${number}/wishes`, { askedBy: '', kit: null, ...body })).body.id as string;
  const addition = async (id: string) => (await price(number)).additions.find((one) => one.id === id)!;
  const answer = (id: string, more: object = {}) =>
    ilse.send('post', `/wishes/${id}/answer`, { accepted: true, name: 'Mara Quill', why: '', version: 3, ...more });
  beforeAll(async () => {
    ({ number } = await ilse.job('Ice-cream van'));
  });
  test('is wished only after something was agreed', async () => {
    const tug = await ilse.job('Luggage tug');
    await sql("update job set state = 'sizing' where number = $1", [tug.number]);
    const { body } = await jory.send('post', `/jobs/${tug.number}/wishes`, { wish: 'A horn', askedBy: '', kit: null });
    expect(body.detail).toMatch(/Nothing is agreed yet/);
  });
  test('of a kit option brings its parts and hours, and what it does to the figures', async () => {
    const job = await ilse.job('Ice-cream van');
    const id = await wish({ wish: 'Larger charger', kit: { ...job.kit!, options: ['larger-charger'] } });
    const asked = await addition(id);
    expect(asked.state).toBe('asked');
    const pieces = Object.fromEntries(asked.body.lines.map((line) => [line.componentId, line.quantity]));
    expect(pieces['charger-66']).toBe(1);
    expect(pieces['charger-33']).toBe(-1);
    expect(asked.effect!.massKg).toBeGreaterThan(0);
    expect((await ilse.send('post', `/wishes/${id}/price`, { version: asked.version })).status).toBe(200);
    const before = await ilse.job('Ice-cream van');
    expect(before.parts.some(({ componentId }) => componentId === 'charger-66')).toBe(false);
    expect((await answer(id, { version: 2 })).status).toBe(200);
    const after = await ilse.job('Ice-cream van');
    expect(after.kit!.options).toEqual(['larger-charger']);
    expect(after.parts.some(({ componentId }) => componentId === 'charger-66')).toBe(true);
  });
  test('of mass and hours: nothing is built before it is accepted, then it is a stage', async () => {
    const id = await wish({ wish: 'Third row of seats back in', askedBy: 'Mara' });
    const lines = [
      own({
        key: 'work trim',
        kind: 'work',
        group: 'work',
        skill: 'trim',
        text: 'Seats',
        quantity: 4,
        unitCents: 5800,
      }),
      own({ key: 'part gauge-soc', kind: 'part', group: 'small', componentId: 'cable-95', text: 'Cable', quantity: 2 }),
    ];
    const body = { wish: 'Third row of seats back in', lines, designId: null, massKg: 34, xMm: 2600, note: '' };
    expect((await ilse.send('put', `/wishes/${id}`, { ...body, version: 1 })).status).toBe(200);
    const asked = await addition(id);
    expect(asked.effect!.massKg).toBeGreaterThan(33.9);
    expect(asked.effect!.rangeKm).toBeLessThan(0);
    expect(asked.effect!.hours).toBe(4);
    const stagesBefore = (await ilse.job('Ice-cream van')).stages.length;
    expect((await answer(id)).body.detail).toMatch(/not been priced yet/);
    await ilse.send('post', `/wishes/${id}/price`, { version: 2 });
    expect((await ilse.send('put', `/wishes/${id}`, { ...body, version: 3 })).body.detail).toMatch(/never changes/);
    expect((await ilse.job('Ice-cream van')).stages.length).toBe(stagesBefore);
    expect((await answer(id)).status).toBe(200);
    const { stages, parts } = await ilse.job('Ice-cream van');
    // Nothing is planned yet: its hours come with the stages, behind those of the kit.
    expect(stages).toHaveLength(stagesBefore);
    if (stagesBefore === 0) expect((await ilse.send('post', `/jobs/${number}/stages/from-kit`)).status).toBe(200);
    expect((await ilse.job('Ice-cream van')).stages.at(-1)).toMatchObject({
      hours: 4,
      skill: 'trim',
      key: 'addition-2',
    });
    expect(parts.filter(({ from }) => from === 'added').map(({ componentId }) => componentId)).toContain('cable-95');
    await expect(sql("update addition set wish = 'x' where id = $1", [id])).rejects.toMatchObject({ code: 'DJ001' });
  });
  test('of the kit is priced against the kit as it is: one that was accepted since stands against it', async () => {
    const job = await ilse.job('Ice-cream van');
    const kit = (options: readonly string[]) => ({ revisionId: job.kit!.revisionId, options });
    const first = await wish({ wish: 'The usual charger after all', kit: kit([]) });
    const second = await wish({ wish: 'The usual charger, and soon', kit: kit([]) });
    await ilse.send('post', `/wishes/${first}/price`, { version: 1 });
    await ilse.send('post', `/wishes/${second}/price`, { version: 1 });
    expect((await answer(first, { version: 2 })).status).toBe(200);
    expect((await answer(second, { version: 2 })).body.detail).toMatch(
      /has changed the kit since change \d was wished/,
    );
    expect((await ilse.job('Ice-cream van')).kit!.options).toEqual([]);
  });
  test('refused stays refused, withdrawn stays withdrawn', async () => {
    const id = await wish({ wish: 'Outlet' });
    expect((await ilse.send('post', `/wishes/${id}/price`, { version: 1 })).body.detail).toMatch(/no line yet/);
    expect((await ilse.send('post', `/wishes/${id}/withdraw`, { why: 'no room', version: 1 })).status).toBe(200);
    expect((await ilse.send('post', `/wishes/${id}/withdraw`, { why: 'no room', version: 2 })).status).toBe(422);
    expect((await answer(id)).body.detail).toMatch(/does not stand any more/);
  });
});

describe('what it takes', () => {
  test('is held against what was sold, with other costs by their rate and day', async () => {
    const { number } = await ilse.job('Ice-cream van');
    const look = async () => (await ilse.get(`/jobs/${number}/actual`)).body as ActualSheet;
    const before = await look();
    const sums = before.actual!.cost;
    const costs = [before.actual!.work, before.actual!.partsCost, before.actual!.outside];
    expect(costs.reduce((sum, one) => sum + one.forecastCents, 0)).toBe(sums.forecastCents);
    expect(before.actual!.soldCents).toBe(
      (await price(number)).offers
        .filter(({ state }) => state === 'accepted')
        .reduce((sum, { netCents }) => sum + netCents, 0) +
        (await price(number)).additions
          .filter(({ state }) => state === 'accepted')
          .reduce((sum, { netCents }) => sum + netCents, 0),
    );
    const foreign = { currency: 'GBP', cents: 10_000, rateMillionths: 1_150_000, rateDay: inDays(-7) };
    const cost = { text: 'Alignment on the mainland', cents: 0, foreign, day: inDays(-7) };
    const post = (more: object) => ilse.send('post', `/jobs/${number}/costs`, { ...cost, ...more });
    expect((await post({ foreign: null })).body.fields).toHaveProperty('cents');
    expect((await post({ day: '2199-01-01' })).body.fields).toHaveProperty('day');
    const { id } = (await post({})).body;
    const after = await look();
    expect(after.costs).toMatchObject([{ cents: 11_500, foreign }]);
    expect(after.actual!.outside.spentCents).toBe(11_500);
    const table = Papa.parse<string[]>((await ilse.get(`/jobs/${number}/actual.csv`)).text.trim()).data;
    expect(table.find(([kind]) => kind === 'cost')).toEqual(['cost', cost.text, '', '115', '', 'money']);
    expect((await ilse.send('post', `/costs/${id}/drop`, { why: 'twice' })).status).toBe(200);
    expect((await ilse.send('post', `/costs/${id}/drop`, { why: 'twice' })).status).toBe(422);
    expect((await look()).costs).toEqual([]);
  });
});

describe('the page of a client', () => {
  const word = (n: number) => `${'w'.repeat(31)}${n}`;
  let number: string;
  const page = async (n: number) => (await shop.anybody()).get(`/client-page/${word(n)}`);
  const post = async (n: number, path: string, body: object) =>
    (await shop.anybody()).send('post', `/client-page/${word(n)}${path}`, body);
  beforeAll(async () => {
    ({ number } = await ilse.job('Tour car'));
  });
  test('opens by its word alone, and shows its job and nothing else of the workshop', async () => {
    expect((await page(1)).status).toBe(404);
    const open = await ilse.send('post', `/jobs/${number}/client-page`, { token: word(1), days: 30 });
    expect(open.status).toBe(200);
    const offer = await sent(number);
    const { status, body, text } = await page(1);
    expect(status).toBe(200);
    const sheet = body as ClientSheet;
    expect(sheet).toMatchObject({ number, title: 'Tour car', client: 'Lighthouse Rounds', agreed: false });
    expect(sheet.offers).toMatchObject([{ number: offer.number, totalCents: offer.totalCents, over: false }]);
    const lines = sheet.offers[0]!.lines.reduce((sum, line) => sum + line.netCents, 0);
    expect(lines).toBe(offer.netCents);
    // Nothing of cost, margin, other jobs or people.
    for (const secret of ['costCents', 'addShare', 'unitCents', 'marginShare', 'Ice-cream', 'Ilse', 'priceCeiling'])
      expect(text).not.toContain(secret);
    expect((await shop.anybody().then((one) => one.get(`/jobs/${number}`))).status).toBe(401);
  });
  test('a word that was guessed, closed, replaced or has run out opens nothing', async () => {
    expect((await page(7)).status).toBe(404);
    await ilse.send('post', `/jobs/${number}/client-page`, { token: word(2), days: 30 });
    expect((await page(1)).body.detail).toMatch(/^This page has been closed/);
    expect((await page(2)).status).toBe(200);
    expect(
      (await ilse.send('post', `/jobs/${number}/client-page`, { token: word(1), days: 30 })).body.fields,
    ).toHaveProperty('token');
    expect((await ilse.send('post', `/jobs/${number}/client-page/close`)).status).toBe(200);
    expect((await page(2)).status).toBe(404);
    expect((await post(2, '/questions', { text: 'Hello?', by: 'Tam' })).status).toBe(404);
    await ilse.send('post', `/jobs/${number}/client-page`, { token: word(3), days: 1 });
    shop.setNow(new Date(Date.now() + 2 * 86_400_000));
    expect((await page(3)).status).toBe(404);
    shop.setNow(null);
    const { rows } = await sql('select token_hash from client_link');
    for (const { token_hash } of rows) expect(token_hash).not.toMatch(/^w+/);
  });
  test('an offer is declined with a word, the next one accepted by name; the address is kept', async () => {
    await ilse.send('post', `/jobs/${number}/client-page`, { token: word(4), days: 30 });
    const [offer] = ((await page(4)).body as ClientSheet).offers;
    const say = (id: string, more: object) =>
      post(4, `/offers/${id}`, { accepted: true, by: 'Tam Reddle', why: '', totalCents: offer!.totalCents, ...more });
    expect((await say(offer!.id, { by: '' })).body.fields).toHaveProperty('by');
    expect((await say(offer!.id, { totalCents: 1 })).status).toBe(409);
    expect((await say(offer!.id, { accepted: false })).body.fields).toHaveProperty('why');
    expect((await say(offer!.id, { accepted: false, why: 'too dear' })).status).toBe(200);
    const next = await sent(number);
    const other = (await price((await ilse.job('Ice-cream van')).number)).offers[0]!;
    expect((await say(other.id, { totalCents: other.totalCents })).status).toBe(404);
    const accepted = await say(next.id, { totalCents: next.totalCents });
    expect((accepted.body as ClientSheet).agreed).toBe(true);
    const { rows } = await sql('select answered_by, answered_from from offer where id = $1', [next.id]);
    expect(rows[0].answered_by).toBe('Tam Reddle');
    expect(rows[0].answered_from).toMatch(/127\.0\.0\.1|::1/);
    expect((await ilse.job('Tour car')).state).toBe('agreed');
    const { rows: told } = await sql(
      "select what, person_id from event where job_number = $1 and what like '%client’s page' order by id",
      [number],
    );
    expect(told.at(-1)).toMatchObject({ person_id: null, what: expect.stringContaining('Tam Reddle accepted offer') });
  });
  test('an offer that has run out is not accepted', async () => {
    const { number: shuttle } = await ilse.job('Hotel shuttle');
    const offer = await sent(shuttle);
    await ilse.send('post', `/jobs/${shuttle}/client-page`, { token: word(5), days: 60 });
    shop.setNow(new Date(Date.now() + 45 * 86_400_000));
    expect(((await page(5)).body as ClientSheet).offers[0]).toMatchObject({ over: true });
    const body = { accepted: true, by: 'Ann Oake', why: '', totalCents: offer.totalCents };
    expect((await post(5, `/offers/${offer.id}`, body)).body.detail).toMatch(/stood until/);
    shop.setNow(null);
  });
  test('a question is asked once and answered once; pictures are seen when they were released', async () => {
    const ask = () => post(4, '/questions', { text: 'May the old dials move?', by: 'Tam Reddle' });
    await ask();
    const { questions } = (await ask()).body as ClientSheet;
    expect(questions).toHaveLength(1);
    const reply = () => jory.send('post', `/client-questions/${questions[0]!.id}/answer`, { answer: 'They will.' });
    expect((await reply()).status).toBe(200);
    expect((await reply()).status).toBe(422);
    expect(((await page(4)).body as ClientSheet).questions[0]!.answer).toBe('They will.');
    const access = async () => (await ilse.get(`/jobs/${number}/client-page`)).body as ClientAccess;
    expect((await access()).link).not.toBeNull();
    const strange = { fileId: '00000000-0000-4000-8000-000000000000', released: true };
    expect((await jory.send('put', `/jobs/${number}/released`, strange)).body.fields).toHaveProperty('fileId');
  });
  test('who removes a client’s data removes what was typed on the page', async () => {
    await sql("update job set state = 'cancelled' where number = $1", [number]);
    const { client } = await ilse.job('Tour car');
    const rows = (await ilse.get('/clients')).body as { id: string; version: number }[];
    const { version } = rows.find(({ id }) => id === client.id)!;
    const data = await ilse.get(`/clients/${client.id}/data.json`);
    expect(data.text).toContain('Tam Reddle');
    expect((await ilse.send('post', `/clients/${client.id}/remove`, { version })).status).toBe(200);
    for (const table of ['offer', 'addition', 'client_question', 'event']) {
      const { rows: left } = await sql(`select 1 from ${table} t where t::text like '%Tam Reddle%'`);
      expect([table, left.length]).toEqual([table, 0]);
    }
    expect((await page(4)).status).toBe(404);
  });
});

test('ways are put beside one another and taken out', async () => {
  const job = await ilse.job('Hotel shuttle');
  const way = (more: object) =>
    ilse.send('post', `/jobs/${job.number}/ways`, {
      ...{ name: 'As drawn', designId: null, revisionId: null, options: [], lvByClient: false, moreCents: 0 },
      ...more,
    });
  expect((await way({})).body.fields).toHaveProperty('designId');
  const { id } = (await way({ revisionId: job.kit!.revisionId, lvByClient: true })).body;
  expect((await price(job.number)).ways).toMatchObject([{ id, lvByClient: true }]);
  expect((await ilse.send('post', `/ways/${id}/drop`)).status).toBe(200);
  expect((await ilse.send('post', `/ways/${id}/drop`)).status).toBe(422);
  // A unit made good again stands for a new one: at what it truly cost.
  const line = { componentId: 'charger-33', quantity: 1, serials: ['WAY-1'], batch: '', binId: null };
  await ilse.send('post', '/stores/goods-in', { note: '', origin: 'delivery', lines: [line] });
  const { rows } = await sql("select id from serial_item where serial = 'WAY-1'");
  const serialId = rows[0].id as string;
  const withUnit = { revisionId: job.kit!.revisionId, serialId };
  expect((await way(withUnit)).body.fields.serialId).toMatch(/made this unit good again/);
  const order = { what: 'new fan', boughtCents: 15_000 };
  await ilse.send('post', `/stores/numbers/${serialId}/refurbishing`, order);
  const unit = { serialId, serial: 'WAY-1', componentId: 'charger-33', open: true, totalCents: 15_000 };
  expect((await ilse.get('/stores/made-good')).body).toContainEqual(expect.objectContaining(unit));
  const second = (await way(withUnit)).body.id;
  expect((await price(job.number)).ways).toMatchObject([{ used: unit }]);
  await ilse.send('post', `/ways/${second}/drop`);
  expect((await price(job.number)).ways).toEqual([]);
});

test('an offer with a kit that was withdrawn since is not accepted', async () => {
  const job = await ilse.job('Hotel shuttle');
  const { rows } = await sql("select id from kit_revision where state = 'released' order by id limit 1");
  const revisionId = rows[0].id as string;
  const chosen = await ilse.send('put', `/jobs/${job.number}/kit`, { revisionId, options: [], version: job.version });
  expect(chosen.status).toBe(200);
  const offer = await sent(job.number);
  expect((await ilse.send('post', `/kit-revisions/${revisionId}/withdraw`, { why: 'a weld cracks' })).status).toBe(200);
  expect((await accept(offer.id, offer.version)).body.detail).toMatch(/is withdrawn since: a new offer is needed/);
  // The client may still say no, and the workshop take it back.
  expect((await accept(offer.id, offer.version, { accepted: false, why: 'no kit' })).status).toBe(200);
});

test('a newer offer that takes the place of one leaves nothing to be done with the older', async () => {
  const { number } = await ilse.job('Hotel shuttle');
  const first = await sent(number);
  const second = await sent(number);
  const older = (await price(number)).offers.find(({ id }) => id === first.id)!;
  expect(older).toMatchObject({ state: 'withdrawn', version: first.version + 1 });
  const late = { why: 'never mind', version: first.version };
  expect((await ilse.send('post', `/offers/${first.id}/withdraw`, late)).status).toBe(409);
  expect((await accept(first.id, older.version)).body.detail).toMatch(/there is a newer one/);
  expect((await ilse.send('post', `/offers/${second.id}/withdraw`, { ...late, version: second.version })).status).toBe(
    200,
  );
});
