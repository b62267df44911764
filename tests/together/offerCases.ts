import type { ClientSheet } from '../../contract/clientPage.ts';
import type { JobSheet } from '../../contract/job.ts';
import type { AdditionRow, OfferRow, PriceSheet } from '../../contract/offers.ts';
import type { SaleRow } from '../../contract/sales.ts';
import type { Visitor } from '../api/workshop.ts';
import { inDays } from '../day.ts';
import type { Case, Ground } from './case.ts';

let made = 0;
/** The word of a link nobody has used yet. */
export const linkWord = () =>
  `${++made}`.padStart(4, '0') + Math.random().toString(36).slice(2).padEnd(28, 'x').slice(0, 28);

/** Offers and changes of the minibus as nobody has touched them yet. */
export function priceGround({ pool, ilse }: Pick<Ground, 'pool' | 'ilse'>) {
  const bus = async (): Promise<JobSheet> => {
    for (const table of ['offer', 'addition']) await pool().query(`alter table ${table} disable trigger all`);
    const job = await ilse().job('School minibus');
    await pool().query("update job set state = 'building' where id = $1", [job.id]);
    for (const table of ['offer', 'addition', 'client_link', 'client_question', 'job_way', 'job_cost'])
      await pool().query(`delete from ${table} where job_id = $1`, [job.id]);
    await pool().query("delete from stage where job_id = $1 and key like 'addition-%'", [job.id]);
    for (const table of ['offer', 'addition']) await pool().query(`alter table ${table} enable trigger all`);
    return ilse().job('School minibus');
  };
  const sheet = async (number: string) => (await ilse().get(`/jobs/${number}/price`)).body as PriceSheet;
  const draft = async (): Promise<OfferRow & { job: string }> => {
    const { number } = await bus();
    await ilse().send('post', `/jobs/${number}/offers`);
    return { ...(await sheet(number)).offers[0]!, job: number };
  };
  const sent = async (): Promise<OfferRow & { job: string }> => {
    const { id, version, job } = await draft();
    await ilse().send('post', `/offers/${id}/send`, { version });
    return { ...(await sheet(job)).offers[0]!, job };
  };
  const agreed = async (): Promise<string> => {
    const { id, version, job } = await sent();
    await ilse().send('post', `/offers/${id}/answer`, { accepted: true, name: 'Ann Oake', why: '', version });
    return job;
  };
  const line = {
    ...{ key: 'work trim', kind: 'work', group: 'work', text: 'Seats', componentId: null, skill: 'trim', quantity: 2 },
    ...{ unitCents: 5800, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  };
  const wished = async (): Promise<AdditionRow> => {
    const job = await agreed();
    const { body } = await ilse().send('post', `/jobs/${job}/wishes`, {
      wish: 'Seats back in',
      askedBy: '',
      kit: null,
    });
    const change = {
      wish: 'Seats back in',
      lines: [line],
      designId: null,
      massKg: 30,
      xMm: null,
      note: '',
      version: 1,
    };
    await ilse().send('put', `/wishes/${body.id}`, change);
    return (await sheet(job)).additions[0]!;
  };
  const priced = async (): Promise<AdditionRow> => {
    const { id, version } = await wished();
    await ilse().send('post', `/wishes/${id}/price`, { version });
    const { number } = await ilse().job('School minibus');
    return (await sheet(number)).additions[0]!;
  };
  return { bus, sheet, draft, sent, agreed, wished, priced, line };
}

/** Everything that is done about price, fired ten times at once. */
export function offerCases(ground: Ground): Record<string, Case> {
  const { bus, draft, sent, agreed, wished, priced, line } = priceGround(ground);
  const { pool, ilse, jory } = ground;
  const on = <T extends { id: string }>(
    from: () => Promise<T>,
    path: (id: string) => string,
    body: (row: T, i: number) => object,
  ) => ({
    prepare: async () => {
      const row = await from();
      return { path: path(row.id), body: (i: number) => body(row, i) };
    },
  });
  const onBus = (rest: string, body: (job: JobSheet, i: number) => object, who?: () => Visitor) => ({
    prepare: async () => {
      const job = await bus();
      return { path: `/jobs/${job.number}${rest}`, body: (i: number) => body(job, i), ...(who ? { who: who() } : {}) };
    },
  });
  const cost = (i: number) => ({ text: `Ferry ${i}`, cents: 1000 + i, foreign: null, day: inDays(-26) });
  const way = (job: JobSheet, i: number) => ({
    ...{
      name: `Way ${i}`,
      designId: null,
      revisionId: job.kit!.revisionId,
      options: [],
      lvByClient: false,
      moreCents: i,
    },
  });
  const answer = ({ version }: { version: number }) => ({ accepted: true, name: 'Ann Oake', why: '', version });
  const picture = async (): Promise<{ job: JobSheet; id: string }> => {
    const job = await bus();
    await pool().query("delete from file where name = 'released.png'");
    await pool().query(
      "insert into file_content (hash, type, size, body) values ('rel', 'image/png', 1, '\\x00') on conflict do nothing",
    );
    const { rows } = await pool().query(
      `insert into file (about, about_id, name, hash, small_hash, by_id)
       select 'job', $1, 'released.png', 'rel', 'rel', id from person limit 1 returning id`,
      [job.id],
    );
    return { job, id: rows[0].id };
  };
  const sale = async (lines: readonly object[] = []): Promise<SaleRow> => {
    const client = { clientId: null, clientName: `Buyer ${linkWord()}`, clientContact: '' };
    const { number } = (await jory().send('post', '/sales', client)).body;
    const begun = (await ilse().get(`/sales/${number}`)).body as SaleRow;
    if (lines.length > 0)
      await jory().send('put', `/sales/${number}`, { body: { ...begun.body, lines }, version: begun.version });
    return (await ilse().get(`/sales/${number}`)).body as SaleRow;
  };
  const bracket = async () => {
    const job = await bus();
    const part = { name: `Bracket ${linkWord()}`, material: 'plate 5 mm' };
    const { id } = (await jory().send('post', `/jobs/${job.number}/fabrication`, part)).body;
    await pool().query("update fabrication set state = 'cut' where id = $1", [id]);
    return { id: id as string, version: 1 };
  };
  const mule = (name: string) => ({
    ...{ name, variantId: 'wren-11', builtYear: 1970, chassisNumber: '40404', registration: '', colour: '' },
    ...{ boughtOn: inDays(-179), boughtFrom: '', purchaseCents: 300_000, convertedBefore: false },
  });
  const bought = async () => {
    const { id } = (await ilse().send('post', '/own-vehicles', mule(linkWord()))).body;
    return { id: id as string };
  };
  const question = async () => {
    const job = await bus();
    const { rows } = await pool().query(
      "insert into client_question (job_id, text, by) values ($1, 'Which red?', 'Ann') returning id",
      [job.id],
    );
    return { id: rows[0].id as string };
  };

  return {
    'post /jobs/:number/offers': { ...{ same: 'one', different: 'one' }, ...onBus('/offers', () => ({})) },
    'put /offers/:id': {
      ...{ same: 'one', different: 'one' },
      ...on(
        draft,
        (id) => `/offers/${id}`,
        ({ body, version }, i) => ({ body: { ...body, note: `note ${i}` }, version }),
      ),
    },
    'post /offers/:id/refresh': {
      ...{ same: 'one', different: 'one' },
      ...on(
        draft,
        (id) => `/offers/${id}/refresh`,
        ({ version }) => ({ version }),
      ),
    },
    'post /offers/:id/send': {
      ...{ same: 'one', different: 'one' },
      ...on(
        draft,
        (id) => `/offers/${id}/send`,
        ({ version }) => ({ version }),
      ),
    },
    // The same person saying the same again is no second answer; of two that differ one counts.
    'post /offers/:id/answer': {
      ...{ same: 'once', different: 'one' },
      ...on(
        sent,
        (id) => `/offers/${id}/answer`,
        (row, i) => ({ ...answer(row), name: `Ann Oake ${i}` }),
      ),
    },
    'post /offers/:id/withdraw': {
      ...{ same: 'one', different: 'one' },
      ...on(
        sent,
        (id) => `/offers/${id}/withdraw`,
        ({ version }, i) => ({ why: `wrong ${i}`, version }),
      ),
    },
    'post /jobs/:number/wishes': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => {
        const job = await agreed();
        const body = (i: number) => ({ wish: `Wish ${i}`, askedBy: '', kit: null });
        return { path: `/jobs/${job}/wishes`, body, who: jory() };
      },
    },
    'put /wishes/:id': {
      ...{ same: 'one', different: 'one' },
      ...on(
        wished,
        (id) => `/wishes/${id}`,
        ({ version }, i) => ({
          ...{ wish: `Seats ${i}`, lines: [line], designId: null, massKg: i, xMm: null, note: '', version },
        }),
      ),
    },
    'post /wishes/:id/price': {
      ...{ same: 'one', different: 'one' },
      ...on(
        wished,
        (id) => `/wishes/${id}/price`,
        ({ version }) => ({ version }),
      ),
    },
    'post /wishes/:id/answer': {
      ...{ same: 'once', different: 'one' },
      ...on(
        priced,
        (id) => `/wishes/${id}/answer`,
        (row, i) => ({ ...answer(row), name: `Ann Oake ${i}` }),
      ),
    },
    'post /wishes/:id/withdraw': {
      ...{ same: 'one', different: 'one' },
      ...on(
        priced,
        (id) => `/wishes/${id}/withdraw`,
        ({ version }, i) => ({ why: `wrong ${i}`, version }),
      ),
    },
    'post /jobs/:number/costs': { ...{ same: 'all', different: 'all' }, ...onBus('/costs', (_, i) => cost(i)) },
    'post /costs/:id/drop': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const job = await bus();
        const { id } = (await ilse().send('post', `/jobs/${job.number}/costs`, cost(1))).body;
        return { path: `/costs/${id}/drop`, body: (i) => ({ why: `twice ${i}` }) };
      },
    },
    'post /jobs/:number/ways': { ...{ same: 'all', different: 'all' }, ...onBus('/ways', way) },
    'post /ways/:id/drop': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const job = await bus();
        const { id } = (await ilse().send('post', `/jobs/${job.number}/ways`, way(job, 1))).body;
        return { path: `/ways/${id}/drop`, body: () => ({}) };
      },
    },
    'post /jobs/:number/fabrication': {
      ...{ same: 'all', different: 'all' },
      ...onBus('/fabrication', (_, i) => ({ name: `Bracket ${i}`, material: '' }), jory),
    },
    'post /fabrication/:id/move': {
      ...{ same: 'one', different: 'one' },
      ...on(
        bracket,
        (id) => `/fabrication/${id}/move`,
        ({ version }, i) => ({ to: 'weld', reason: `flat ${i}`, version }),
      ),
    },
    'post /fabrication/:id/drop': {
      ...{ same: 'one', different: 'one' },
      ...on(
        bracket,
        (id) => `/fabrication/${id}/drop`,
        ({ version }, i) => ({ why: `bought after all ${i}`, version }),
      ),
    },
    'post /sales': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => ({
        path: '/sales',
        body: (i) => ({ clientId: null, clientName: `Pier Café ${i}`, clientContact: '' }),
        who: jory(),
      }),
    },
    'put /sales/:sale': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { number, body, version } = await sale();
        const made = (i: number) => ({ body: { ...body, lines: [line], note: `note ${i}` }, version });
        return { path: `/sales/${number}`, body: made, who: jory() };
      },
    },
    'post /sales/:sale/sell': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { number, version } = await sale([line]);
        return { path: `/sales/${number}/sell`, body: () => ({ serials: [], version }), who: jory() };
      },
    },
    'post /sales/:sale/cancel': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const { number, version } = await sale();
        return { path: `/sales/${number}/cancel`, body: (i) => ({ why: `went home ${i}`, version }), who: jory() };
      },
    },
    'post /own-vehicles': {
      ...{ same: 'all', different: 'all' },
      prepare: async () => ({ path: '/own-vehicles', body: (i) => mule(`Mule ${i}`) }),
    },
    'put /own-vehicles/:id': {
      ...{ same: 'one', different: 'one' },
      ...on(
        bought,
        (id) => `/own-vehicles/${id}`,
        (_, i) => ({
          ...{ boughtOn: inDays(-179), boughtFrom: '', purchaseCents: 300_000 + i, convertedBefore: false },
          ...{ valueCents: null, valuedOn: null, version: 1 },
        }),
      ),
    },
    'post /own-vehicles/:id/sell': {
      ...{ same: 'one', different: 'one' },
      ...on(
        bought,
        (id) => `/own-vehicles/${id}/sell`,
        (_, i) => ({
          ...{ soldOn: inDays(-7), soldTo: `Buyer ${i}`, contact: '', soldCents: 500_000, version: 1 },
        }),
      ),
    },
    'post /jobs/:number/client-page': {
      ...{ same: 'once', different: 'all' },
      prepare: async () => {
        const job = await bus();
        const words = Array.from({ length: 10 }, linkWord);
        return { path: `/jobs/${job.number}/client-page`, body: (i) => ({ token: words[i]!, days: 30 }) };
      },
    },
    'post /jobs/:number/client-page/close': {
      ...{ same: 'one', different: 'one' },
      prepare: async () => {
        const job = await bus();
        await ilse().send('post', `/jobs/${job.number}/client-page`, { token: linkWord(), days: 30 });
        return { path: `/jobs/${job.number}/client-page/close`, body: () => ({}) };
      },
    },
    'post /client-questions/:id/answer': {
      ...{ same: 'one', different: 'one' },
      ...on(
        question,
        (id) => `/client-questions/${id}/answer`,
        (_, i) => ({ answer: `red ${i}` }),
      ),
    },
    'put /jobs/:number/released': {
      ...{ same: 'once', different: 'once' },
      prepare: async () => {
        const { job, id } = await picture();
        return { path: `/jobs/${job.number}/released`, body: () => ({ fileId: id, released: true }), who: jory() };
      },
    },
  };
}

/** The page of a client as somebody without account sends to it. */
export async function openPage({ pool, ilse }: Pick<Ground, 'pool' | 'ilse'>, anybody: () => Promise<Visitor>) {
  const { sent } = priceGround({ pool, ilse });
  const offer = await sent();
  const word = linkWord();
  await ilse().send('post', `/jobs/${offer.job}/client-page`, { token: word, days: 30 });
  const page = await anybody();
  return {
    offer,
    word,
    page,
    look: async () => (await page.get(`/client-page/${word}`)).body as ClientSheet,
    answer: (by: string, more: object = {}) =>
      page.send('post', `/client-page/${word}/offers/${offer.id}`, {
        ...{ accepted: true, by, why: '', totalCents: offer.totalCents, ...more },
      }),
  };
}
