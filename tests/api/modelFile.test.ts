import Papa from 'papaparse';
import { beforeAll, describe, expect, test } from 'vitest';
import type { TakenIn } from '../../contract/tableIn.ts';
import { newestOf, newestOnly } from '../../core/vehicle/revisions.ts';
import type { Variant } from '../../core/vehicle/variant.ts';
import { bodyOfVariant } from '../../wording/variantTable.ts';
import { openWorkshop, type Visitor } from './workshop.ts';

const shop = openWorkshop();
let ilse: Visitor;
beforeAll(async () => {
  ilse = await shop.visitor('ilse');
});

const csv = async () => (await ilse.get('/models/table.csv')).text;
const json = async () => (await ilse.get('/models/file.json')).text;
const takeIn = async (text: string, name = 'models.csv') => ilse.send('post', '/models/table', { text, name });
const variants = async (): Promise<Variant[]> => (await ilse.get('/variants')).body;
/** Everything that is kept of the models but their versions, which go on. */
const stored = async () =>
  (await variants()).map(({ version: _, ...variant }) => variant).sort((a, b) => a.id.localeCompare(b.id));
/** The table with what a cell of a line becomes. */
async function changed(change: (cells: Record<string, string>) => Record<string, string>, only?: string) {
  const { data, meta } = Papa.parse<Record<string, string>>(await csv(), { header: true, skipEmptyLines: true });
  const lines = data.filter((line) => only === undefined || line.Variant === only).map(change);
  return Papa.unparse({ fields: meta.fields ?? [], data: lines });
}

describe('models as a file', () => {
  test('taken in as they went out change nothing, as a table and as JSON', async () => {
    const before = await stored();
    const n = newestOnly(before).length;
    for (const text of [await csv(), await json()])
      expect((await takeIn(text)).body).toMatchObject({ added: 0, changed: 0, alike: n, left: 0 });
    expect(await stored()).toEqual(before);
  });

  test('into an empty library and out again they are the same', async () => {
    const file = await json();
    const bodies = newestOnly(await variants()).map(bodyOfVariant);
    const moved = file.replaceAll('"makerName": "', '"makerName": "New ');
    const taken = (await takeIn(moved, 'models.json')).body as TakenIn;
    expect(taken).toMatchObject({ added: bodies.length, left: 0 });
    const fresh = (await variants()).filter(({ makerName }) => makerName.startsWith('New '));
    const names = (one: { modelName: string; name: string }) => `${one.modelName} ${one.name}`;
    const sorted = (all: readonly { modelName: string; name: string }[]) =>
      [...all].sort((a, b) => names(a).localeCompare(names(b)));
    // Lists are told apart by what is in them, not by their order.
    const plain = (one: object) =>
      JSON.parse(JSON.stringify(one), (_, value) =>
        Array.isArray(value) && value.some((each) => typeof each === 'object')
          ? [...value].sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)))
          : value,
      ) as object;
    expect(
      sorted(fresh.map((one) => ({ ...bodyOfVariant(one), makerName: one.makerName.slice(4) }))).map(plain),
    ).toEqual(sorted(bodies).map(plain));
    expect((await ilse.send('post', `/models/taken-in/${taken.id}/undo`)).body).toEqual({ undone: bodies.length });
  });

  test('what is new, what is changed and what is wrong are told apart; vehicles keep theirs; undone it is as before', async () => {
    const before = await stored();
    const used = (await ilse.job('Bakery van')).vehicle.variantId;
    const { name } = newestOf(before, used)!;
    const heavier = await changed((line) => ({ ...line, 'Gross mass, plate (kg)': '2111' }), name);
    const fresh = await changed((line) => ({ ...line, Variant: 'Quay special', 'Wheelbase (mm)': '2001' }), name);
    const wrong = await changed((line) => ({ ...line, Variant: 'Nothing right', Driven: 'sideways' }), name);
    const lines = [heavier, fresh, wrong].map((text, i) => (i === 0 ? text : text.slice(text.indexOf('\n') + 1)));
    const answer = await takeIn(lines.join('\r\n'));
    const taken = answer.body as TakenIn;
    expect(taken, answer.text).toMatchObject({ added: 1, changed: 1, alike: 0, left: 1 });
    const after = await variants();
    expect(after.find(({ id }) => id === used)).toMatchObject({
      figures: { grossMass: before.find(({ id }) => id === used)!.figures.grossMass },
    });
    expect(newestOf(after, used)!.figures.grossMass.value).toBe(2111);
    expect(newestOf(after, used)!.id).not.toBe(used);
    expect(after.find((one) => one.name === 'Quay special')!.figures.wheelbase.value).toBe(2001);
    expect((await ilse.send('post', `/models/taken-in/${taken.id}/undo`)).body).toEqual({ undone: 2 });
    expect(await stored()).toEqual(before);
    expect((await ilse.send('post', `/models/taken-in/${taken.id}/undo`)).status).toBe(422);
  });

  test('what somebody went on from is not undone', async () => {
    const { name } = newestOnly(await variants())[0]!;
    const taken = (await takeIn(await changed((line) => ({ ...line, Variant: 'Gone on from' }), name))).body as TakenIn;
    const made = (await variants()).find((one) => one.name === 'Gone on from')!;
    const { id, version = 1, ...variant } = made;
    await ilse.send('put', `/variants/${id}`, { variant: { ...variant, yearTo: variant.yearTo + 1 }, version });
    const refused = await ilse.send('post', `/models/taken-in/${taken.id}/undo`);
    expect(refused.status).toBe(422);
    expect(refused.body.detail).toMatch(/changed since/);
  });

  test('semicolons, decimal commas, a byte-order mark and other units are read', async () => {
    const { name } = newestOnly(await variants())[0]!;
    const { data, meta } = Papa.parse<Record<string, string>>(await changed((line) => line, name), { header: true });
    const fields = (meta.fields ?? []).map((field) => (field === 'Wheelbase (mm)' ? 'Wheelbase (in)' : field));
    const [line] = data;
    const row = (meta.fields ?? []).map((field) => {
      if (field === 'Variant') return 'In inches';
      if (field === 'Wheelbase (mm)') return '80,5';
      const cell = line![field]!;
      return /^-?\d+\.\d+$/.test(cell) || field === 'Gears' ? cell.replaceAll('.', ',') : cell;
    });
    const text = `\ufeff${Papa.unparse([fields, row], { delimiter: ';' })}`;
    const answer = await takeIn(text);
    expect(answer.body, answer.text).toMatchObject({ added: 1, left: 0 });
    const made = (await variants()).find((one) => one.name === 'In inches')!;
    // 80.5 in by 25.4 mm, exact by definition of the inch (ISO 31-1).
    expect(made.figures.wheelbase.value).toBeCloseTo(80.5 * 25.4, 9);
  });

  test.each([
    ['', /nothing in this file/i],
    ['{"format":"dajo models","version":2,"variants":[]}', /newer Dajo/],
    ['{"format":"dajo kit","version":1,"variants":[]}', /no file of models/],
    ['[{', /not readable JSON/],
    ['Maker,Model,Colour\nA,B,red', /no column “Colour”/],
    ['Maker,Wheelbase (kg)\nA,2', /that is a mass/],
    ['Maker,Tyre (mm)\nA,2', /has no unit/],
  ])('%s is refused with a sentence and nothing is stored', async (text, sentence) => {
    const before = await stored();
    const answer = await takeIn(text || ' ');
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toMatch(sentence);
    expect(await stored()).toEqual(before);
  });

  test('a model named twice in a file is taken from neither line', async () => {
    const { name } = newestOnly(await variants())[0]!;
    const one = await changed((line) => ({ ...line, Variant: 'Twice' }), name);
    const text = `${one}\r\n${one.slice(one.indexOf('\n') + 1)}`;
    expect((await takeIn(text)).body).toMatchObject({ added: 0, left: 2 });
  });
});
