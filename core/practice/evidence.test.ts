import { expect, test } from 'vitest';
import { evidenceMissing, evidenceWanted, samePaper } from './evidence.ts';

const slip = { key: 'slip', what: 'Weighbridge slip', giver: 'harbour' };
const report = { key: 'report', what: 'Report', giver: 'engineer' };
const entry = { on: '2026-03-02', mark: 'No 7', by: 'Ilse' };

test('each region wants its own list, and nothing where none is written', () => {
  expect(evidenceWanted('eu', { eu: [slip] })).toEqual([slip]);
  expect(evidenceWanted('uk', { eu: [slip] })).toEqual([]);
  expect(evidenceWanted('eu', undefined)).toEqual([]);
});

test('what is missing is what nobody has entered, whatever else was', () => {
  expect(evidenceMissing([slip, report], {})).toEqual([slip, report]);
  expect(evidenceMissing([slip, report], { slip: entry, old: entry })).toEqual([report]);
  // A key of every object is no paper.
  expect(evidenceMissing([{ ...slip, key: 'constructor' }], {})).toHaveLength(1);
});

test('a paper is the same with the same day and mark, whoever entered it', () => {
  expect(samePaper(entry, { ...entry, by: 'Soren' })).toBe(true);
  expect(samePaper(entry, { ...entry, mark: 'No 8' })).toBe(false);
  expect(samePaper(null, entry)).toBe(false);
  expect(samePaper(null, null)).toBe(true);
});
