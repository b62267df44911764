import { describe, expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { slots, VEHICLE } from '../testing/wren.ts';
import { judgeBrief } from './judgeLine.ts';
import type { BriefLine } from './lines.ts';
import { measuringList } from './measuringList.ts';
import { sensitivities } from './sensitivity.ts';

const sheet = createSheet(slots());

describe('how much a figure moves', () => {
  test('rolling resistance moves range on the round by about its share of the energy', () => {
    const found = sensitivities(sheet, ['rangeRound']);
    const rolling = found.find((one) => one.input === 'rollingCoefficient')!;
    expect(rolling.share).toBeGreaterThan(0.05);
    expect(rolling.share).toBeLessThan(0.2);
    // By hand: the same change made to the vehicle.
    const figures = { ...VEHICLE.figures, rollingCoefficient: { value: 0.012 * 0.8, source: 'library' as const } };
    const less = createSheet(slots({ vehicle: { ...VEHICLE, figures } })).get(FIGURES.rangeRound).value!;
    expect(rolling.change).toBeCloseTo(less - sheet.get(FIGURES.rangeRound).value!, 6);
  });
  test('largest first, and nothing that is measured or does not matter', () => {
    const found = sensitivities(sheet, ['rangeRound', 'frontShare']);
    for (let i = 1; i < found.length; i++) expect(found[i]!.share).toBeLessThanOrEqual(found[i - 1]!.share);
    expect(found.some((one) => one.input === 'rollingCoefficient' && one.figure === 'frontShare')).toBe(false);
    const measured = Object.fromEntries(
      Object.entries(VEHICLE.figures).map(([id, figure]) => [id, { ...figure, source: 'measured' as const }]),
    ) as unknown as typeof VEHICLE.figures;
    expect(sensitivities(createSheet(slots({ vehicle: { ...VEHICLE, figures: measured } })), ['rangeRound'])).toEqual(
      [],
    );
  });
  test('it heads the measuring list', () => {
    const line = {
      id: 'r',
      kind: 'rangeRound',
      firm: true,
      amount: 100,
      school: null,
      tolerance: null,
      text: '',
      done: false,
    } satisfies BriefLine;
    const list = measuringList(judgeBrief([line], sheet), sheet);
    expect(list[0]).toMatchObject({ figure: 'rollingCoefficient', moves: { figure: 'rangeRound' } });
    expect(measuringList(judgeBrief([line], sheet), null)[0]!.moves).toBeNull();
  });
});
