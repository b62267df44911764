import { beforeAll, describe, expect, test } from 'vitest';
import type { BinRow, ItemSheet } from '../../contract/stores.ts';
import { seeded } from '../../core/spread/seeded.ts';
import { dropLines, putOnHand } from '../api/stock.ts';
import { openWorkshop, type Visitor } from '../api/workshop.ts';

const shop = openWorkshop();
const sql = (text: string, values: unknown[] = []) => shop.pool().query(text, values);
let ilse: Visitor;
let jory: Visitor;
let bins: BinRow[];
beforeAll(async () => {
  [ilse, jory] = [await shop.visitor('ilse'), await shop.visitor('jory')];
  bins = (await ilse.get('/stores/bins')).body as BinRow[];
});

/** Balances that are not the sum of their moves, by a full scan that shares nothing with the trigger. */
const WRONG = `
  select component_id, place_id, sum(n)::int as moved, max(b)::int as balance from (
    select component_id, to_id as place_id, quantity as n, null::int as b from stock_move
    union all select component_id, from_id, -quantity, null from stock_move
    union all select component_id, place_id, 0, quantity from stock_balance
  ) x group by 1, 2 having sum(n) <> coalesce(max(b), 0)`;
/** Components whose stock on hand is not what lies in bins. */
const NOT_IN_BINS = `select c.id from component c where on_hand <> coalesce((select sum(quantity) from stock_balance b
  where b.component_id = c.id and b.kind = 'bin'), 0)`;
/** Numbers that are not where their last move took them. */
const ASTRAY = `select i.serial from serial_item i where place_id is distinct from (
  select m.to_id from stock_move_serial s join stock_move m on m.id = s.move_id where s.serial_id = i.id order by m.id desc limit 1)`;

const expectSound = async () => {
  expect((await sql(WRONG)).rows).toEqual([]);
  expect((await sql(NOT_IN_BINS)).rows).toEqual([]);
  expect((await sql(ASTRAY)).rows).toEqual([]);
  expect(
    (
      await sql(
        "select * from stock_balance where quantity < 0 and kind in ('bin', 'job', 'vehicle', 'scrap', 'refurbishing')",
      )
    ).rows,
  ).toEqual([]);
};

describe('the ledger', () => {
  test('of the sample is sound', expectSound);
  test('is the sum of its moves under random histories of many at once: never below nothing, nothing lost', async () => {
    const [a, b, c] = bins.slice(0, 3).map(({ id }) => id) as [string, string, string];
    const parts = ['fixing-set', 'clamp-set', 'throttle'];
    for (const id of parts) await putOnHand(shop.pool(), id, 20);
    const { number } = await ilse.job('Bakery van');
    const statuses = new Map<number, number>();
    await Promise.all(
      Array.from({ length: 12 }, async (_, who) => {
        const random = seeded(100 + who);
        const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
        for (let step = 0; step < 12; step++) {
          const componentId = one(parts);
          const quantity = 1 + Math.floor(random() * 6);
          const [fromBinId, toBinId] = [one([a, b, c]), one([a, b, c, null])];
          const pick = random();
          const answer =
            pick < 0.3
              ? await ilse.send('post', '/stores/goods-in', {
                  ...{ note: '', origin: 'delivery' },
                  lines: [{ componentId, quantity, serials: [], batch: '', binId: one([a, b, c]) }],
                })
              : pick < 0.7
                ? await jory.send('post', `/stores/items/${componentId}/move`, {
                    ...{ fromBinId, toBinId, quantity, serials: [], note: 'for this test' },
                  })
                : pick < 0.85
                  ? await jory.send('post', `/jobs/${number}/parts`, { componentId, quantity })
                  : await takeAny(componentId);
          statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
        }
      }),
    );
    // Some were refused, for not everything can be; nothing was a fault, and nobody was left waiting.
    expect([...statuses.keys()].filter((status) => ![200, 400, 404, 409, 422].includes(status))).toEqual([]);
    expect(statuses.get(200)).toBeGreaterThan(40);
    await expectSound();
    // What came in is what is there, in bins, in vehicles and scrapped.
    for (const id of parts) {
      const { rows } = await sql(
        `select (select sum(quantity) from stock_balance where component_id = $1)::int as all_,
          (select count(*) from stock_move where component_id = $1)::int as moves`,
        [id],
      );
      expect(rows[0].all_).toBe(0);
      expect(rows[0].moves).toBeGreaterThan(5);
    }

    /** Picks or fits whatever line of this component is held. */
    async function takeAny(componentId: string) {
      const line = (await jory.job('Bakery van')).parts.find(
        (part) => part.componentId === componentId && (part.state === 'inStores' || part.state === 'picked'),
      );
      if (!line) return ilse.get('/stores/bins');
      return jory.send('put', `/parts/${line.id}`, {
        ...{ state: line.state === 'inStores' ? 'picked' : 'fitted', due: null, serials: [], version: line.version },
      });
    }
  });
  test('gives the last piece to exactly one of ten who move it at once', async () => {
    const [a, b] = bins.map(({ id }) => id) as [string, string];
    await dropLines(shop.pool(), "component_id = 'vcu'");
    await putOnHand(shop.pool(), 'vcu', 0);
    await ilse.send('post', '/stores/goods-in', {
      ...{
        note: '',
        origin: 'delivery',
        lines: [{ componentId: 'vcu', quantity: 1, serials: [], batch: '', binId: a }],
      },
    });
    const answers = await Promise.all(
      Array.from({ length: 10 }, () =>
        jory.send('post', '/stores/items/vcu/move', {
          ...{ fromBinId: a, toBinId: b, quantity: 1, serials: [], note: '' },
        }),
      ),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, ...Array(9).fill(400)]);
    const { places } = (await ilse.get('/stores/items/vcu')).body as ItemSheet;
    expect(places.filter(({ place }) => place.kind === 'bin')).toMatchObject([{ place: { id: b }, quantity: 1 }]);
  });
  test('is kept by the database: no row of it changes, no balance is typed over, no bin goes below nothing', async () => {
    await expect(sql('update stock_move set quantity = 1')).rejects.toThrow(/kept as it was written/);
    await expect(sql('delete from stock_move')).rejects.toThrow(/kept as it was written/);
    await expect(sql('update stock_balance set quantity = 9')).rejects.toThrow(/sum of its moves/);
    await expect(sql("update component set on_hand = 5 where id = 'vcu'")).rejects.toThrow(/counted in by the ledger/);
    await expect(
      sql(
        "update serial_item set place_id = (select id from stock_place where kind = 'count') where serial = 'N6-0001'",
      ),
    ).rejects.toThrow(/moved by the ledger/);
    const [bin, scrap] = [bins[0]!.id, (await sql("select id from stock_place where kind = 'scrap'")).rows[0].id];
    await expect(
      sql(
        "insert into stock_move (kind, component_id, from_id, to_id, quantity) values ('scrapped', 'vcu', $1, $2, 99)",
        [bin, scrap],
      ),
    ).rejects.toThrow(/stock_balance_kept/);
    // Numbered pieces cannot leave without their number.
    await expect(
      sql(
        `insert into stock_move (kind, component_id, from_id, to_id, quantity)
          select 'scrapped', 'module-n6', place_id, $1, quantity from stock_balance where component_id = 'module-n6' and kind = 'bin'`,
        [scrap],
      ),
    ).rejects.toThrow(/more (numbers than pieces|held than on hand)/);
    await expectSound();
  });
});

test('the last piece goes over the counter, into a unit or to a job: to exactly one of ten', async () => {
  await dropLines(shop.pool(), 'component_id = $1', ['cable-70']);
  await putOnHand(shop.pool(), 'cable-70', 1);
  const line = {
    ...{ key: 'part cable-70', kind: 'part', group: 'small', text: 'Cable', componentId: 'cable-70', skill: null },
    ...{ quantity: 1, unitCents: 31_000, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
  };
  const sales = [];
  for (let i = 0; i < 4; i++) {
    const client = { clientId: null, clientName: `Buyer ${i}`, clientContact: '' };
    const { number } = (await jory.send('post', '/sales', client)).body;
    const { body, version } = (await ilse.get(`/sales/${number}`)).body;
    await jory.send('put', `/sales/${number}`, { body: { ...body, lines: [line] }, version });
    sales.push(number);
  }
  const units = [];
  for (let i = 0; i < 3; i++) {
    const lines = [{ componentId: 'charger-33', quantity: 1, serials: [`LAST-${i}`], batch: '', binId: null }];
    await jory.send('post', '/stores/goods-in', { note: '', origin: 'delivery', lines });
    const { rows } = await sql('select id from serial_item where serial = $1', [`LAST-${i}`]);
    const order = { what: 'new cable', boughtCents: null };
    units.push((await jory.send('post', `/stores/numbers/${rows[0].id}/refurbishing`, order)).body.id);
  }
  const { number } = await ilse.job('Bakery van');
  const answers = await Promise.all([
    ...sales.map((sale) => jory.send('post', `/sales/${sale}/sell`, { serials: [], version: 2 })),
    ...units.map((id) =>
      jory.send('post', `/refurbishing/${id}/parts`, { componentId: 'cable-70', quantity: 1, serials: [] }),
    ),
    ...[1, 2, 3].map(() => jory.send('post', `/jobs/${number}/parts`, { componentId: 'cable-70', quantity: 1 })),
  ]);
  expect(answers.every(({ status }) => status === 200 || status === 422)).toBe(true);
  const gone = answers.slice(0, 7).filter(({ status }) => status === 200).length;
  const { rows: held } = await sql(
    "select 1 from part_line l join job j on j.id = l.job_id where j.number = $1 and l.component_id = 'cable-70' and l.state = 'inStores'",
    [number],
  );
  expect(gone + held.length).toBe(1);
  await expectSound();
});
