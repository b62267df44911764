import { expect, test } from 'vitest';
import type { Component } from '../component/sheets.ts';
import { found, part } from '../testing/judgedBy.ts';
import { closersOf } from './closers.ts';
import { coverOf } from './cover.ts';
import { companions } from './rules/companions.ts';

const HEATER = part('heater', {
  ...{ minV: 0, maxV: 400, powerW: 1500 },
  companions: [
    { what: 'its contactor', component: 'relay' },
    { what: 'diodes', component: 'diodes' },
  ],
});
const RELAY = part('other', {}, { id: 'relay', name: 'Relay', covers: [] });
const LIBRARY = new Map<string, Component>([['relay', RELAY.component]]);
const gaps = (parts: (typeof HEATER)[], cover = {}) =>
  coverOf(parts, cover, LIBRARY)
    .filter(({ by, name }) => by === 'gap' && name)
    .map(({ name }) => name);

test('what a part needs shows in the cover until it is there or settled', () => {
  expect(gaps([HEATER])).toEqual(['heater needs its contactor', 'heater needs diodes']);
  expect(gaps([HEATER, RELAY])).toEqual(['heater needs diodes']);
  const client = { 'companion:diodes': { way: 'client' as const, why: 'has them' } };
  expect(gaps([HEATER, RELAY], client)).toEqual([]);
  const lines = coverOf([HEATER], client, LIBRARY).filter(({ name }) => name);
  expect(lines.map(({ by, what }) => [by, what])).toEqual([
    ['gap', ''],
    ['client', 'has them'],
  ]);
});
test('once settled the rule has nothing more to say; bought, it is the part itself', () => {
  const cover = { 'companion:diodes': { way: 'local' as const, why: 'electronics shop' } };
  const verdicts = found(companions, { parts: [HEATER], cover, library: LIBRARY }).map(({ verdict }) => verdict);
  expect(verdicts).toEqual(['afterWork', 'fits']);
  expect(closersOf('companion:relay', LIBRARY.values()).map(({ id }) => id)).toEqual(['relay']);
});
