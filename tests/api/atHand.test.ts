import { beforeAll, describe, expect, test } from 'vitest';
import type { JobSheet } from '../../contract/job.ts';
import type { LibraryComponent, LibraryData } from '../../contract/library.ts';
import type { DesignInputs } from '../../core/design/inputs.ts';
import { designComponents } from '../../core/design/inputs.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
const MANY = 900;
const library = async (): Promise<LibraryData> => (await ilse.get('/library')).body;
const ids = ({ components }: LibraryData) => new Set(components.map(({ id }) => id));

beforeAll(async () => {
  ilse = await shop.visitor('ilse');
  // Modules and cables beyond counting, the dearer the higher their number.
  await shop.pool().query(`
    insert into component (id, kind, name, supplier_id, mass_kg, length_mm, width_mm, height_mm, price_cents, lead_days, covers, high_voltage, sheet, part_number)
      select c.kind || '-many-' || n, c.kind, c.name || ' no ' || n, c.supplier_id, c.mass_kg, c.length_mm, c.width_mm,
        c.height_mm, 10000000 + n, c.lead_days, c.covers, c.high_voltage, c.sheet, 'MANY-' || n
      from (select distinct on (kind) * from component where kind in ('module', 'cable') order by kind, id) c,
        generate_series(1, ${MANY}) n`);
}, 60_000);

describe('what is at hand of a large catalogue', () => {
  test('is enough of each kind, the cheapest first, and says how many more there are', async () => {
    const at = await library();
    const of = (kind: string) => at.components.filter((one) => one.kind === kind);
    const all = await shop.pool().query('select kind, count(*)::int as n from component group by kind');
    for (const { kind, n } of all.rows as { kind: keyof LibraryData['beyond']; n: number }[])
      expect(of(kind).length + (at.beyond[kind] ?? 0), kind).toBe(n);
    expect(of('module').length).toBeLessThan(100);
    expect(of('cable').length).toBeGreaterThanOrEqual(200);
    expect(of('cable').length).toBeLessThan(240);
    expect(at.beyond.drive).toBeUndefined();
    const many = [...ids(at)].filter((id) => id.startsWith('module-many-')).map((id) => Number(id.split('-').at(-1)));
    expect(many.sort((a, b) => a - b)).toEqual(many.map((_, i) => i + 1));
  });

  test('has everything that designs, kits and parts lists name', async () => {
    const there = ids(await library());
    const jobs = (await ilse.get('/jobs')).body as { number: string }[];
    expect(jobs.length).toBeGreaterThan(5);
    for (const { number } of jobs) {
      const sheet = (await ilse.get(`/jobs/${number}`)).body as JobSheet;
      for (const one of [...sheet.designs.flatMap(({ inputs }) => designComponents(inputs)), ...sheet.parts])
        expect(there, `${number} ${one.componentId}`).toContain(one.componentId);
    }
    for (const kit of (await library()).kits)
      for (const { componentId } of kit.lines) expect(there, kit.id).toContain(componentId);
  });

  test('every variant is named; those of vehicles are there, and any other can be asked for', async () => {
    const { models, variants } = await library();
    const all = (await ilse.get('/variants')).body as { id: string }[];
    expect(models.map(({ id }) => id).sort()).toEqual(all.map(({ id }) => id).sort());
    const vehicles = (await ilse.get('/vehicles')).body as { variantId: string }[];
    for (const { variantId } of vehicles) expect(variants.map(({ id }) => id)).toContain(variantId);
    const far = models.find(({ id }) => !variants.some((one) => one.id === id))!;
    expect(((await ilse.get(`/variants/${far.id}`)).body as { id: string }[]).map(({ id }) => id)).toEqual([far.id]);
    expect((await ilse.get('/variants/no-such-model')).status).toBe(404);
  });

  test('what is beyond is found by a word within its kind, and named by a design it comes to hand', async () => {
    const found = (await ilse.get('/catalogue/module/find/MANY-899')).body as { id: string }[];
    expect(found.map(({ id }) => id)).toEqual(['module-many-899']);
    expect((await ilse.get('/catalogue/drive/find/MANY-899')).body).toEqual([]);
    expect((await ilse.get('/catalogue/nonsense/find/MANY-899')).status).toBe(404);
    const one = (await ilse.get('/components/module-many-899')).body as LibraryComponent;
    expect(one).toMatchObject({ id: 'module-many-899', kind: 'module', free: 0 });
    expect((await ilse.get('/components/module-many-901')).status).toBe(404);
    expect(ids(await library())).not.toContain('module-many-899');
    const jobs = (await ilse.get('/jobs')).body as { number: string; title: string }[];
    const { number } = jobs.find(({ title }) => title === 'Ice-cream van')!;
    const sheet = (await ilse.get(`/jobs/${number}`)).body as JobSheet;
    const from = sheet.designs[0]!.inputs;
    const inputs: DesignInputs = {
      ...from,
      boxes: [],
      others: [{ componentId: 'module-many-899', quantity: 1, xMm: null }],
    };
    const made = await ilse.send('post', `/jobs/${number}/designs`, { name: 'With a far one', inputs });
    expect(made.status, JSON.stringify(made.body)).toBe(200);
    expect(ids(await library())).toContain('module-many-899');
  });

  test('the newest revision of what something stands on is offered with it', async () => {
    await shop.pool().query(`
      insert into component (id, kind, name, supplier_id, mass_kg, length_mm, width_mm, height_mm, price_cents, lead_days, covers, high_voltage, sheet)
        select 'module-many-899.r2', kind, name || ', newer', supplier_id, mass_kg, length_mm, width_mm, height_mm, 90000000,
          lead_days, covers, high_voltage, sheet from component where id = 'module-many-899'`);
    const there = ids(await library());
    expect(there).toContain('module-many-899.r2');
    expect(there).not.toContain('module-many-898');
  });
});

test('the first of a kind are the beginning of the whole, by name', async () => {
  const whole = (await ilse.get('/catalogue/cable')).body as LibraryComponent[];
  const first = (await ilse.get('/components/cable/first')).body as LibraryComponent[];
  expect(whole.length).toBeGreaterThan(MANY);
  expect(first).toEqual(whole.slice(0, 100));
  const few = (await ilse.get('/components/drive/first')).body as LibraryComponent[];
  expect(few).toEqual((await ilse.get('/catalogue/drive')).body);
  expect((await ilse.get('/components/nonsense/first')).status).toBe(404);
});
