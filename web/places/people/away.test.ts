import { expect, test } from 'vitest';
import { spansOf } from './AwayFromFile.tsx';

test('days that follow each other under one name are one time away', () => {
  const days = ['2027-02-27', '2027-02-28', '2027-03-01', '2027-03-03'].map((day) => ({ day, name: 'snow' }));
  expect(spansOf(days)).toEqual([
    { from: '2027-02-27', to: '2027-03-01', why: 'snow' },
    { from: '2027-03-03', to: '2027-03-03', why: 'snow' },
  ]);
  expect(spansOf([...days.slice(0, 1), { day: '2027-02-28', name: 'course' }])).toHaveLength(2);
  expect(spansOf([])).toEqual([]);
});
