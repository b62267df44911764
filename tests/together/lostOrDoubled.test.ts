import { describe, expect, test } from 'vitest';
import { VEHICLE_FUNCTIONS } from '../../core/fit/functions.ts';
import { dropLines, putOnHand } from '../api/stock.ts';
import { openGround, TEN } from './ground.ts';
import { openPage } from './offerCases.ts';

const { shop, pool, sql, ilse, jory, van } = openGround();
const line = { kind: 'free', firm: false, amount: null, school: null, tolerance: null, text: 'a hook', done: false };

describe('what was lost or doubled before', () => {
  test('cover of ten functions settled at once keeps all ten', async () => {
    const { number } = await van();
    await sql("update job set cover = '{}' where number = $1", [number]);
    const functions = VEHICLE_FUNCTIONS.slice(0, 10);
    const answers = await Promise.all(
      functions.map((one) =>
        ilse().send('put', `/jobs/${number}/cover`, { function: one, way: 'made', why: one, was: null }),
      ),
    );
    expect(answers.map((one) => one.status)).toEqual(functions.map(() => 200));
    expect(Object.keys((await van()).cover).sort()).toEqual([...functions].sort());
  });
  test('one free piece is held by one of ten lines', async () => {
    const { number } = await van();
    await dropLines(pool(), "component_id = 'bms-sat-32'");
    await putOnHand(pool(), 'bms-sat-32', 1);
    await Promise.all(
      TEN.map(() => ilse().send('post', `/jobs/${number}/parts`, { componentId: 'bms-sat-32', quantity: 1 })),
    );
    const { rows } = await sql(
      "select state, count(*)::int as n from part_line where component_id = 'bms-sat-32' group by 1",
    );
    expect(Object.fromEntries(rows.map((row) => [row.state, row.n]))).toEqual({ inStores: 1, missing: 9 });
  });
  test('a list filled ten times at once is filled once', async () => {
    const { number } = await van();
    await dropLines(pool(), 'job_id = (select id from job where number = $1)', [number]);
    await ilse().send('post', `/jobs/${number}/parts/fill`);
    const once = (await van()).parts.length;
    await dropLines(pool(), 'job_id = (select id from job where number = $1)', [number]);
    await Promise.all(TEN.map(() => ilse().send('post', `/jobs/${number}/parts/fill`)));
    expect((await van()).parts.length).toBe(once);
  });
  test('a line dropped and changed at the same version is one or the other', async () => {
    for (let i = 0; i < 10; i++) {
      const { number } = await van();
      const { body } = await ilse().send('post', `/jobs/${number}/brief`, line);
      const [changed, dropped] = await Promise.all([
        ilse().send('put', `/brief/${body.id}`, { ...line, text: 'changed', version: 1 }),
        ilse().send('delete', `/brief/${body.id}`, { version: 1 }),
      ]);
      expect([changed.status, dropped.status].filter((status) => status === 200)).toHaveLength(1);
      const { rows } = await sql('select dropped_at, text from brief_line where id = $1', [body.id]);
      expect(rows[0].dropped_at === null).toBe(dropped.status !== 200);
      expect(rows[0].text).toBe(changed.status === 200 ? 'changed' : line.text);
    }
  });
  test('ten changes of a sold design make as many designs as there were different ones, each with its own name', async () => {
    const { number } = await van();
    const { inputs } = (await van()).designs[0]!;
    const made = await ilse().send('post', `/jobs/${number}/designs`, { name: 'Sold', inputs });
    await ilse().send('put', `/designs/${made.body.id}/sold`, { version: 1 });
    const change = (i: number) => ({
      name: 'Sold',
      inputs: { ...inputs, usableShare: 0.8 + (i % 2) / 20 },
      version: 2,
    });
    const answers = await Promise.all(TEN.map((i) => ilse().send('put', `/designs/${made.body.id}`, change(i))));
    expect(answers.map((one) => one.status)).toEqual(TEN.map(() => 200));
    const names = (await van()).designs.filter((one) => one.followsId === made.body.id).map((one) => one.name);
    expect(names.sort()).toEqual(['Sold, version 2', 'Sold, version 3']);
    expect(new Set(answers.map((one) => one.body.id)).size).toBe(2);
  });
});

describe('the key of a request', () => {
  const snag = async (key: string, text: string, who = ilse()) =>
    who.send('post', `/jobs/${(await van()).number}/snags`, { text }, { 'Idempotency-Key': key });
  test('belongs to its body, its address and its person', async () => {
    expect((await snag('k1', 'one noise')).status).toBe(200);
    const other = await snag('k1', 'another noise');
    expect([other.status, other.body.type]).toEqual([409, '/problems/keyReused']);
    const elsewhere = await ilse().send('post', '/clock-off', {}, { 'Idempotency-Key': 'k1' });
    expect(elsewhere.body.type).toBe('/problems/keyReused');
    expect((await snag('k1', 'one noise', jory())).status).toBe(200);
    const { rows } = await sql("select count(*)::int as n from snag where text = 'one noise'");
    expect(rows[0].n).toBe(2);
  });
  test('of more than 100 characters is refused, not cut', async () => {
    const long = 'k'.repeat(100);
    expect((await snag(long, 'long key')).status).toBe(200);
    const longer = await snag(`${long}x`, 'longer key');
    expect([longer.status, longer.body.detail]).toEqual([400, 'An Idempotency-Key has 1 to 100 characters.']);
    expect((await sql("select count(*)::int as n from snag where text = 'longer key'")).rows[0].n).toBe(0);
  });
  test('of a request that was refused can be used again for the same request put right', async () => {
    const first = await snag('k2', 'x');
    expect(first.status).toBe(400);
    expect((await snag('k2', 'a rattle behind')).status).toBe(200);
  });
});

describe('the page of a client, from ten browsers at once', () => {
  const open = () => openPage({ pool, ilse }, shop.anybody);
  test('an offer is accepted once: by one name, whoever was first', async () => {
    const { answer, look, offer } = await open();
    const answers = await Promise.all(TEN.map((i) => answer(`Ann Oake ${i}`)));
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(1);
    for (const { status, body } of answers) if (status !== 200) expect(body.detail).toMatch(/already/);
    expect((await look()).offers[0]).toMatchObject({ id: offer.id, state: 'accepted' });
    const { rows } = await sql("select 1 from event where resource_id = $1 and what like '%accepted%'", [offer.id]);
    expect(rows).toHaveLength(1);
  });
  test('accepted and declined at the same moment it is one of both, and stays that', async () => {
    const { answer, look } = await open();
    await Promise.all(TEN.map((i) => answer('Ann Oake', i % 2 ? { accepted: false, why: 'too dear' } : {})));
    const first = (await look()).offers[0]!.state;
    expect(['accepted', 'declined']).toContain(first);
    await answer('Ann Oake', first === 'accepted' ? { accepted: false, why: 'too dear' } : {});
    expect((await look()).offers[0]!.state).toBe(first);
  });
  test('withdrawn by the workshop while the client accepts: one of both', async () => {
    const { answer, offer } = await open();
    const [said, withdrew] = await Promise.all([
      answer('Ann Oake'),
      ilse().send('post', `/offers/${offer.id}/withdraw`, { why: 'a mistake', version: offer.version }),
    ]);
    expect([said.status, withdrew.status].filter((status) => status === 200)).toHaveLength(1);
  });
  test('closed while questions come in: nothing after it is kept', async () => {
    const { page, word, offer } = await open();
    const ask = (i: number) =>
      page.send('post', `/client-page/${word}/questions`, { text: `Question ${i}`, by: 'Ann' });
    const all = await Promise.all([
      ...TEN.map(ask),
      ilse().send('post', `/jobs/${offer.job}/client-page/close`),
      ...TEN.map((i) => ask(i)),
    ]);
    expect(all.every(({ status }) => status === 200 || status === 404)).toBe(true);
    expect((await ask(99)).status).toBe(404);
    const { rows } = await sql(
      'select text, count(*)::int as n from client_question q join job j on j.id = q.job_id where j.number = $1 group by text',
      [offer.job],
    );
    expect(rows.every(({ n }) => n === 1)).toBe(true);
  });
});
