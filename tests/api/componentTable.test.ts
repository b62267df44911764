import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { LibraryComponent, LibraryData } from '../../contract/library.ts';
import type { TakenIn } from '../../contract/tableIn.ts';
import { putOnHand } from './stock.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
});

const table = async (kind: string) => (await ilse.get(`/components/${kind}/table.csv`)).text;
const takeIn = (kind: string, text: string) =>
  ilse.send('post', `/components/${kind}/table`, { text, name: 'list.csv' });
const parts = async (): Promise<readonly LibraryComponent[]> =>
  ((await ilse.get('/library')).body as LibraryData).components;
/** Everything of the catalogue but versions, which go on. */
const rows = async () =>
  (await shop.pool().query("select to_jsonb(c) - 'version' as row from component c order by id")).rows.map(
    ({ row }) => row,
  );

/** The first fuse of the sample under other names, as a table without ids. */
async function renamed(...names: string[]): Promise<string> {
  const [head = [], first = []] = Papa.parse<string[]>((await table('fuse')).trim()).data;
  // Without the supplier's number: a row is known by it, whatever it is called.
  const like = first.map((cell, i) => (head[i] === 'Part number' ? '' : cell));
  return Papa.unparse([head, ...names.map((name) => ['', name, ...like.slice(2)])], { newline: '\n' });
}

describe('a table of components', () => {
  test('taken in as it went out changes nothing', async () => {
    for (const kind of ['module', 'drive', 'cradle', 'fuse']) {
      const { body } = await takeIn(kind, await table(kind));
      expect(body, kind).toMatchObject({ added: 0, changed: 0, left: 0 });
      const list = (await ilse.get(`/components/${kind}/table.json`)).text;
      expect((await takeIn(kind, list)).body).toMatchObject({ added: 0, changed: 0, alike: body.alike });
    }
  });
  test('brings what is new and what is changed, makes revisions where something stands on it, and is undone whole', async () => {
    const before = await rows();
    const modules = (await parts()).filter(({ kind }) => kind === 'module');
    const named = await shop.pool().query('select inputs::text as text from design');
    const used = modules.find(({ id }) => named.rows.some(({ text }) => text.includes(`"${id}"`)))!;
    const [head = [], ...lines] = Papa.parse<string[]>((await table('module')).trim()).data;
    const line = lines.find(([id]) => id === used.id)!;
    const change = (cells: string[], column: string, value: string) =>
      cells.map((cell, i) => (head[i] === column ? value : cell));
    const fresh = change(change(change(line, 'id', ''), 'Part number', ''), 'Name', 'Module of the quay');
    const csv = Papa.unparse([head, change(line, 'Mass (kg)', '99'), fresh, change(fresh, 'Mass (kg)', 'heavy')]);
    const answer = await takeIn('module', csv);
    const taken = answer.body as TakenIn;
    expect(taken, answer.text).toMatchObject({ added: 1, changed: 1, alike: 0, left: 1 });
    const now = await parts();
    expect(now.find(({ id }) => id === used.id)!.massKg).toBe(used.massKg);
    expect(now.find(({ id }) => id === `${used.id}.r2`)).toMatchObject({ name: used.name, massKg: 99 });
    expect(now.some(({ name }) => name === 'Module of the quay')).toBe(true);

    expect((await ilse.send('post', `/components/taken-in/${taken.id}/undo`)).body).toEqual({ undone: 2 });
    expect(await rows()).toEqual(before);
    const again = await ilse.send('post', `/components/taken-in/${taken.id}/undo`);
    expect([again.status, again.body.detail]).toEqual([422, 'This was undone already.']);
  });
  test('is not undone over what somebody did since', async () => {
    const { body } = await takeIn('fuse', await renamed('Fuse of the pier'));
    expect(body.added).toBe(1);
    const { rows } = await shop.pool().query("select id from component where name = 'Fuse of the pier'");
    await putOnHand(shop.pool(), rows[0].id, 2);
    const refused = await ilse.send('post', `/components/taken-in/${body.id}/undo`);
    expect([refused.status, refused.body.detail]).toEqual([
      422,
      'Fuse of the pier is in use, in stores or has papers by now: undo is not possible any more.',
    ]);
  });
  test('with a fault of the whole is refused at the field; one taken name stops all of it', async () => {
    const wrong = await takeIn('fuse', 'Name,Mass (V)\nx,1');
    expect([wrong.status, wrong.body.fields.text]).toEqual([
      400,
      'The column “Mass (V)”: that is a voltage; kg or another unit of the same is wanted.',
    ]);
    const before = await rows();
    const taken = (await parts()).find(({ kind }) => kind === 'drive')!.name;
    const clash = await takeIn('fuse', await renamed('Twin', taken));
    expect(clash.body.fields.text).toBe('Line 3: The library has a component of this name.');
    expect(await rows()).toEqual(before);
  });
  test('two thousand rows hold nobody up', async () => {
    const many = await renamed(...Array.from({ length: 2000 }, (_, i) => `Fuse no ${i}`));
    const [head, ...lines] = many.split('\n');
    let over = false;
    const meanwhile: boolean[] = [];
    const taking = takeIn('fuse', [head, ...lines.map((line) => `${line},more`)].join('\n')).then((answer) => {
      over = true;
      return answer;
    });
    const looking = (async () => {
      while (!over) {
        await ilse.get('/session');
        meanwhile.push(!over);
      }
    })();
    const [{ body }] = await Promise.all([taking, looking]);
    expect(body).toMatchObject({ added: 0, left: 2000 });
    // Others were answered while the table was still being read.
    expect(meanwhile.filter(Boolean).length).toBeGreaterThan(3);
  });
});

describe('numbers of suppliers', () => {
  /** A fuse by name, with a number of its supplier. */
  const fuse = (name: string, number: string, more: Record<string, string> = {}) => ({
    Name: name,
    'Part number': number,
    ...more,
  });
  async function tableOf(...lines: Record<string, string>[]): Promise<string> {
    const { data, meta } = Papa.parse<Record<string, string>>((await table('fuse')).trim(), { header: true });
    const like = { ...data[0], id: '' };
    return Papa.unparse({ fields: meta.fields ?? [], data: lines.map((line) => ({ ...like, ...line })) });
  }
  test('two rows of one number or one name are taken from neither line, and say which other', async () => {
    const text = await tableOf(fuse('Quay fuse a', 'QF-1'), fuse('Quay fuse b', 'qf-1'), fuse('Quay fuse c', 'QF-3'));
    const { body } = await takeIn('fuse', text);
    expect(body).toMatchObject({ added: 1, left: 2 });
    expect((await takeIn('fuse', await tableOf(fuse('Twice', 'T-1'), fuse('TWICE', 'T-2')))).body).toMatchObject({
      added: 0,
      left: 2,
    });
  });
  test('a row under another name is known by its number, and changes what is there', async () => {
    const { body } = await takeIn(
      'fuse',
      await tableOf(fuse('Quay fuse c, new name', 'QF-3', { 'Mass (kg)': '0.77' })),
    );
    expect(body).toMatchObject({ added: 0, changed: 1 });
    const all = await parts();
    expect(all.find(({ name }) => name === 'Quay fuse c, new name')).toMatchObject({
      massKg: 0.77,
      partNumber: 'QF-3',
    });
    expect(all.some(({ name }) => name === 'Quay fuse c')).toBe(false);
    expect((await ilse.send('post', `/components/taken-in/${body.id}/undo`)).body).toEqual({ undone: 1 });
  });
  test('the number of another supplier is another thing', async () => {
    const { body } = await takeIn('fuse', await tableOf(fuse('Far fuse', 'QF-3', { Supplier: 'Far Away Works' })));
    expect(body).toMatchObject({ added: 1, changed: 0 });
  });
});

describe('alternatives', () => {
  const change = async (id: string, alternatives: string[]) => {
    const { free: _, lent: __, version, id: ___, ...component } = (await parts()).find((one) => one.id === id)!;
    return ilse.send('put', `/components/${id}`, { component: { ...component, alternatives }, version });
  };
  test('one is none to itself; two that stand for each other hold nobody up', async () => {
    const [a, b] = (await parts()).filter(({ kind }) => kind === 'heater').map(({ id }) => id) as [string, string];
    expect((await change(a, [a])).status).toBe(400);
    expect((await change(a, [b])).status).toBe(200);
    expect((await change(b, [a])).status).toBe(200);
    const job = await ilse.job('Bakery van');
    expect((await ilse.get(`/jobs/${job.number}`)).status).toBe(200);
    expect((await parts()).filter(({ id }) => id === a || id === b)).toHaveLength(2);
  });
});
