import { expect, test } from 'vitest';
import { slots, VARIANT } from '../../testing/wren.ts';
import { createSheet } from '../evaluate.ts';
import { FIGURES } from '../index.ts';
import type { Slots } from '../slots.ts';

const withLuggage = (
  luggage: Slots['vehicle']['variant']['luggage'],
  outer = { lengthMm: 500, widthMm: 400, heightMm: 300 },
) => {
  const on = slots();
  const { luggage: _, ...bare } = VARIANT;
  return createSheet({
    ...on,
    vehicle: { ...on.vehicle, variant: { ...bare, ...(luggage && { luggage }) } },
    pack: { ...on.pack, boxes: on.pack.boxes.map((box) => ({ ...box, outer })) },
  });
};
const boot = { name: 'boot', litres: 200, bay: 'rear' };

test('a box of 500 × 400 × 300 mm takes 60 l from the place its bay is in, and nothing from another', () => {
  const sheet = withLuggage([boot, { name: 'shelf', litres: 40 }]);
  expect(sheet.get(FIGURES.luggageBefore).value).toBe(240);
  expect(sheet.get(FIGURES.luggage).value).toBe(180);
});
test('a place loses at most all of itself', () => {
  expect(withLuggage([{ ...boot, litres: 50 }]).get(FIGURES.luggage).value).toBe(0);
});
test('where nobody has said where luggage goes nothing is claimed', () => {
  expect(withLuggage(undefined).get(FIGURES.luggage).reason).toBe('noLuggage');
});
test('a box that does not go into its bay leaves the room unknown', () => {
  expect(withLuggage([boot], null as never).get(FIGURES.luggage).reason).toBe('boxTooFull');
});
