import { expect, test } from 'vitest';
import { drawnIn } from './timeline.ts';

const at = (from: number, to: number) => drawnIn([{ id: 'a', from, to }], 100, 50)[0];

test('a span lies where its days lie, both ends in', () => {
  expect(at(110, 119)).toMatchObject({ left: 0.2, width: expect.closeTo(0.2, 12) });
  expect(at(100, 149)).toMatchObject({ left: 0, width: 1 });
});
test('cut at the ends of what is shown, and left out beyond them', () => {
  expect(at(0, 104)).toMatchObject({ left: 0, width: expect.closeTo(0.1, 12) });
  expect(at(145, 900)).toMatchObject({ left: 0.9, width: expect.closeTo(0.1, 12) });
  expect(at(0, 99)).toBeUndefined();
  expect(at(150, 160)).toBeUndefined();
});
