import { describe, expect, test } from 'vitest';
import type { OfferBody, OfferLine } from '../core/offer/offer.ts';
import { clientPageAddress } from './clientPage.ts';
import { check } from './fields.ts';
import { offerBodySchema } from './offerBody.ts';
import { offerAddress } from './offers.ts';
import { refurbishingAddress } from './refurbishing.ts';
import { saleAddress } from './sales.ts';

const line: OfferLine = {
  ...{ key: 'own a', kind: 'own', group: 'own', text: 'Ferry', componentId: null, skill: null, quantity: 1 },
  ...{ unitCents: 18_000, addShare: 0, taxShare: 0.23, foreign: null, estimate: null },
};
const body: OfferBody = {
  ...{ lines: [line], stages: [], contingencyShare: 0.05, roundToCents: 100, taxRule: 'line', taxShare: 0.23 },
  ...{ open: false, note: '', validUntil: '2026-12-24' },
};
const faults = (change: object) => check(offerBodySchema, { ...body, ...change }).problems;
const ofLine = (change: object) => faults({ lines: [{ ...line, ...change }] });
const foreign = { currency: 'GBP', cents: 100, rateMillionths: 1_150_000, rateDay: '2026-11-20' };

describe('an offer', () => {
  test('as it is written; a discount is a line below nothing', () => {
    expect(faults({})).toEqual({});
    expect(ofLine({ unitCents: -5000 })).toEqual({});
    expect(ofLine({ foreign })).toEqual({});
  });
  test.each([
    [{ lines: [line, line] }, 'lines.1'],
    [{ contingencyShare: 1.1 }, 'contingencyShare'],
    [{ contingencyShare: null }, 'contingencyShare'],
    [{ roundToCents: 0 }, 'roundToCents'],
    [{ taxRule: 'sometimes' }, 'taxRule'],
    [{ validUntil: '' }, 'validUntil'],
    [{ validUntil: '2026-13-01' }, 'validUntil'],
    [{ note: 'x'.repeat(2001) }, 'note'],
    [{ lines: Array.from({ length: 401 }, (_, i) => ({ ...line, key: `own ${i}` })) }, 'lines'],
    [{ more: 1 }, 'more'],
  ])('%# is refused at its field', (change, field) => {
    const found = faults(change);
    expect(Object.keys(found)).toContain(field);
    for (const said of Object.values(found)) expect(said).toMatch(/\.$/);
  });
  test.each([
    [{ taxShare: 1.01 }, 'taxShare'],
    [{ taxShare: -0.1 }, 'taxShare'],
    [{ unitCents: 12.5 }, 'unitCents'],
    [{ unitCents: null }, 'unitCents'],
    [{ quantity: 'two' }, 'quantity'],
    [{ addShare: 6 }, 'addShare'],
    [{ text: '' }, 'text'],
    [{ kind: 'part' }, 'componentId'],
    [{ componentId: 'cable-95' }, 'componentId'],
    [{ kind: 'work', skill: null }, 'skill'],
    [{ foreign: { ...foreign, currency: '' } }, 'foreign.currency'],
    [{ foreign: { ...foreign, rateMillionths: 0 } }, 'foreign.rateMillionths'],
    [{ foreign: { ...foreign, rateDay: null } }, 'foreign.rateDay'],
  ])('a line with %o is refused at %s', (change, field) => {
    expect(Object.keys(ofLine(change))).toContain(`lines.0.${field}`);
  });
});

describe('answers', () => {
  const client = { accepted: true, by: 'Ann Oake', why: '', totalCents: 100 };
  const answer = (change: object) => check(clientPageAddress.offer.body!, { ...client, ...change }).problems;
  test('a name is typed; who declines says a word', () => {
    expect(answer({})).toEqual({});
    expect(answer({ by: ' ' })).toHaveProperty('by');
    expect(answer({ accepted: false })).toEqual({ why: 'Why is needed: a word on what should be otherwise.' });
    expect(answer({ accepted: false, why: 'too dear' })).toEqual({});
    expect(answer({ totalCents: null })).toHaveProperty('totalCents');
    expect(answer({ accepted: 'perhaps' })).toHaveProperty('accepted');
  });
  test('written down in the workshop likewise', () => {
    const written = (change: object) =>
      check(offerAddress.answer.body!, { accepted: true, name: 'Ann Oake', why: '', version: 2, ...change }).problems;
    expect(written({})).toEqual({});
    expect(written({ name: 'A' })).toHaveProperty('name');
    expect(written({ accepted: false, why: '' })).toHaveProperty('why');
    expect(written({ version: 0 })).toHaveProperty('version');
  });
});

describe('beside offers', () => {
  test('a way is a design or a kit, one of both', () => {
    const way = (change: object) =>
      check(offerAddress.way.body!, {
        ...{ name: 'As drawn', designId: null, revisionId: 'wren-kit-c', options: [], lvByClient: false, moreCents: 0 },
        ...change,
      }).problems;
    expect(way({})).toEqual({});
    expect(way({ revisionId: null })).toHaveProperty('designId');
    expect(way({ designId: '00000000-0000-4000-8000-000000000000' })).toHaveProperty('designId');
    expect(way({ moreCents: 0.5 })).toHaveProperty('moreCents');
    expect(way({ options: ['a', 'a'] })).toHaveProperty('options.1');
  });
  test('a sale is to somebody', () => {
    const sale = (change: object) =>
      check(saleAddress.add.body!, { clientId: null, clientName: 'Pier Café', clientContact: '', ...change }).problems;
    expect(sale({})).toEqual({});
    expect(sale({ clientName: '' })).toEqual({
      clientName: 'Name of the client is needed, or choose one who is known.',
    });
    expect(sale({ clientId: 'x' })).toHaveProperty('clientId');
  });
  test('hours of a refurbishing are some, of one day', () => {
    const hours = (change: object) =>
      check(refurbishingAddress.hours.body!, { hours: 2, day: '2026-11-20', what: '', ...change }).problems;
    expect(hours({})).toEqual({});
    expect(hours({ hours: 0 })).toHaveProperty('hours');
    expect(hours({ hours: 25 })).toHaveProperty('hours');
    expect(hours({ hours: null })).toEqual({ hours: 'Hours is needed.' });
  });
});
