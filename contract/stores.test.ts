import { describe, expect, test } from 'vitest';
import { check } from './fields.ts';
import { gradingAddress } from './grading.ts';
import { needsAddress } from './needs.ts';
import { numbersAddress } from './numbers.ts';
import { purchaseAddress } from './purchases.ts';
import { storesAddress } from './stores.ts';
import { supplierAddress } from './suppliers.ts';

const ID = '00000000-0000-4000-8000-000000000000';
type Bodied = { readonly body?: Parameters<typeof check>[0] };
const problems = (address: Bodied, body: object) => check(address.body!, body).problems;

describe('bodies of stores say at the field what is wrong', () => {
  const goodsIn = (line: object) => ({
    ...{ note: '', origin: 'delivery' },
    lines: [{ componentId: 'fuse-125', quantity: 1, serials: [], batch: '', binId: null, ...line }],
  });
  test.each([
    [{ quantity: 0 }, { 'lines.0.quantity': 'Quantity must be at least 1.' }],
    [{ quantity: 1.5 }, { 'lines.0.quantity': 'Quantity must be a whole number.' }],
    [{ quantity: null }, { 'lines.0.quantity': 'Quantity is needed.' }],
    [{ serials: ['a', 'A'] }, { 'lines.0.serials.1': 'Numbers has an entry twice.' }],
    [{ serials: [''] }, { 'lines.0.serials.0': 'Number is needed.' }],
    [{ componentId: 'Moon Rock' }, { 'lines.0.componentId': 'Part is not an id.' }],
    [{ binId: 'A1' }, { 'lines.0.binId': 'Bin is not an id.' }],
  ])('goods in with %j', (line, said) => {
    expect(problems(storesAddress.goodsIn, goodsIn(line))).toEqual(said);
  });
  test('goods in of nothing, of nowhere', () => {
    expect(problems(storesAddress.goodsIn, { note: '', origin: 'delivery', lines: [] })).toHaveProperty('lines');
    expect(problems(storesAddress.goodsIn, { ...goodsIn({}), origin: 'found' })).toEqual({
      origin: 'Where it comes from is not one of the choices.',
    });
  });
  test('a count of one part twice', () => {
    const line = { componentId: 'fuse-125', expected: 2, counted: 2, gone: [] };
    expect(problems(storesAddress.count, { note: '', lines: [line, line] })).toHaveProperty(['lines.1']);
    expect(problems(storesAddress.count, { note: '', lines: [{ ...line, counted: -1 }] })).toEqual({
      'lines.0.counted': 'Counted must be at least 0.',
    });
  });
  test('a pack of one module twice, or of none', () => {
    expect(problems(numbersAddress.makePack, { name: 'P', note: '', serialIds: [ID, ID] })).toHaveProperty([
      'serialIds.1',
    ]);
    expect(problems(numbersAddress.makePack, { name: 'P', note: '', serialIds: [] })).toHaveProperty('serialIds');
    expect(problems(numbersAddress.makePack, { name: '', note: '', serialIds: [ID] })).toEqual({
      name: 'Name is needed.',
    });
  });
  test('a pack moved without a word why', () => {
    const body = { binId: ID, jobNumber: null, why: '', version: 1 };
    expect(problems(numbersAddress.movePack, body)).toEqual({ why: 'Why is needed.' });
    expect(problems(numbersAddress.movePack, { ...body, why: 'tried', jobNumber: 'the van' })).toEqual({
      jobNumber: 'Job is not the number of a job.',
    });
  });
  test('a piece taken from another job without a word why', () => {
    const body = { toLineId: ID, fromLineId: ID, toReadyOn: null, fromReadyOn: '2026-12-01', why: 'x' };
    expect(problems(needsAddress.take, body)).toEqual({ why: 'Why is too short: at least 3 characters.' });
    expect(problems(needsAddress.take, { ...body, why: 'because', fromReadyOn: '2026-02-30' })).toHaveProperty(
      'fromReadyOn',
    );
  });
  test('a module that held nothing, or has a resistance of nothing', () => {
    const body = {
      ...{ day: '2026-11-20', capacityAh: 98, energyWh: null, resistanceOhm: null, temperatureC: null, currentA: null },
      ...{ fromV: null, toV: null, method: 'typed', logFileId: null },
    };
    expect(problems(gradingAddress.add, body)).toEqual({});
    expect(problems(gradingAddress.add, { ...body, capacityAh: 0 })).toEqual({
      capacityAh: 'Capacity must be more than 0.',
    });
    expect(problems(gradingAddress.add, { ...body, capacityAh: null })).toEqual({ capacityAh: 'Capacity is needed.' });
    expect(problems(gradingAddress.add, { ...body, resistanceOhm: 0 })).toHaveProperty('resistanceOhm');
    expect(problems(gradingAddress.add, { ...body, method: '' })).toEqual({ method: 'Method is needed.' });
  });
});

describe('bodies of buying', () => {
  const order = (more: object, line: object = {}) => ({
    ...{
      supplierId: 'holm-drives',
      currency: 'EUR',
      rateMillionths: 1_000_000,
      rateDay: null,
      wantedOn: null,
      note: '',
    },
    lines: [{ componentId: 'drive-h60', quantity: 1, priceCents: 290_000, ...line }],
    ...more,
  });
  test.each([
    [{ currency: undefined }, 'currency', 'Currency is needed.'],
    [{ currency: 'QQQ' }, 'currency', 'Currency is not one of the choices.'],
    [{ rateMillionths: 0 }, 'rateMillionths', 'Rate must be at least 1.'],
    [{ wantedOn: 'soon' }, 'wantedOn', 'Wanted on is not a date like 2026-11-24.'],
    [{ supplierId: '' }, 'supplierId', 'Supplier is needed.'],
  ])('an order with %j', (more, field, said) => {
    expect(problems(purchaseAddress.add, order(more))).toEqual({ [field]: said });
  });
  test('a line without price or quantity', () => {
    expect(problems(purchaseAddress.add, order({}, { priceCents: null, quantity: null }))).toEqual({
      'lines.0.priceCents': 'Price is needed.',
      'lines.0.quantity': 'Quantity is needed.',
    });
    expect(problems(purchaseAddress.add, order({ lines: [] }))).toHaveProperty('lines');
  });
  test('a delivery without its note, of one line twice, of less than nothing', () => {
    const line = {
      ...{ lineId: ID, good: 1, damaged: 0, wrong: 0, announced: null, serials: [], batch: '', binId: null },
      remark: '',
    };
    const body = { note: 'N', keepOver: false, lines: [line] };
    expect(problems(purchaseAddress.receive, body)).toEqual({});
    expect(problems(purchaseAddress.receive, { ...body, note: '' })).toEqual({ note: 'Delivery note is needed.' });
    expect(problems(purchaseAddress.receive, { ...body, lines: [line, line] })).toHaveProperty(['lines.1']);
    expect(problems(purchaseAddress.receive, { ...body, lines: [{ ...line, good: -1 }] })).toHaveProperty([
      'lines.0.good',
    ]);
  });
  test('an invoice without a number, or of nothing', () => {
    const body = {
      number: '',
      day: '2026-11-20',
      lines: [{ lineId: ID, quantity: 1, priceCents: 1 }],
      taxCents: 0,
      totalCents: 1,
    };
    expect(problems(purchaseAddress.invoice, body)).toEqual({ number: 'Number of the invoice is needed.' });
    expect(problems(purchaseAddress.invoice, { ...body, number: 'R', lines: [] })).toHaveProperty('lines');
  });
  test('what will not come, and what goes back, with a word why', () => {
    expect(problems(purchaseAddress.drop, { lineId: ID, quantity: 1, why: '', version: 1 })).toEqual({
      why: 'Why is needed.',
    });
    const back = { lineId: ID, quantity: 1, serials: [], reason: '', version: 1 };
    expect(problems(purchaseAddress.sendBack, back)).toEqual({ reason: 'Reason is needed.' });
  });
  test('an offer of nothing, at no price', () => {
    const offer = {
      ...{
        supplierId: 'holm-drives',
        priceCents: 1,
        currency: 'EUR',
        rateMillionths: 1,
        rateDay: null,
        deliveryDays: 1,
      },
      ...{ includes: ['drive-h60'], validUntil: null, note: '' },
    };
    expect(problems(supplierAddress.addOffer, offer)).toEqual({});
    expect(problems(supplierAddress.addOffer, { ...offer, priceCents: 0 })).toEqual({
      priceCents: 'Price must be at least 1.',
    });
    expect(problems(supplierAddress.addOffer, { ...offer, includes: [] })).toHaveProperty('includes');
  });
  test.each([
    ['', true],
    ['simulated', true],
    ['https://desk.example/api', true],
    ['http://127.0.0.1:9000', true],
    ['desk.example', false],
    ['file:///etc/passwd', false],
    ['https://desk example', false],
  ])('the address of a desk %j', (deskUrl, good) => {
    expect(Object.keys(problems(supplierAddress.change, { contact: '', deskUrl, version: 1 })).length === 0).toBe(good);
  });
});
