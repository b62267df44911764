import { describe, expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { slots, withoutModule } from '../testing/wren.ts';
import { CHECK_GROUPS, judgeCheck } from './check.ts';
import { CHECKS, checkById } from './index.ts';

const sheet = createSheet(slots());
const bare = createSheet(slots({ pack: withoutModule() }));

describe('the catalogue of checks', () => {
  test('has at least ten, with ids of their own, known groups, and how to do them', () => {
    expect(CHECKS.length).toBeGreaterThanOrEqual(10);
    expect(new Set(CHECKS.map((check) => check.id)).size).toBe(CHECKS.length);
    for (const check of CHECKS) {
      expect(CHECK_GROUPS).toContain(check.group);
      expect(check.how.length, check.id).toBeGreaterThan(20);
      expect(check.limit(sheet)?.source.length, check.id).toBeGreaterThan(5);
    }
  });
  test('every measured check passes inside and fails outside its limits', () => {
    for (const check of CHECKS.filter((c) => c.kind !== null)) {
      const limit = check.limit(sheet)!;
      if (limit.min !== null) {
        expect(judgeCheck(check, limit.min, sheet).verdict, check.id).toBe('passed');
        expect(judgeCheck(check, limit.min * 0.999 - 1e-6, sheet).verdict, check.id).toBe('failed');
      }
      if (limit.max !== null) {
        expect(judgeCheck(check, limit.max, sheet).verdict, check.id).toBe('passed');
        expect(judgeCheck(check, limit.max * 1.001 + 1e-6, sheet).verdict, check.id).toBe('failed');
      }
    }
  });
  test('confirmed checks pass on yes only', () => {
    const seen = CHECKS.filter((check) => check.kind === null);
    expect(seen.length).toBeGreaterThan(4);
    for (const check of seen) {
      expect(judgeCheck(check, 1, sheet).verdict).toBe('passed');
      expect(judgeCheck(check, 0, sheet).verdict).toBe('failed');
    }
  });
});

describe('limits from the design', () => {
  test('follow its figures and name them', () => {
    const full = sheet.get(FIGURES.packVoltageFull).value!;
    expect(checkById('chargeStops')?.limit(sheet)).toMatchObject({
      min: 0.96 * full,
      max: full,
      figure: 'packVoltageFull',
    });
    const front = sheet.get(FIGURES.frontAxleNow).value!;
    expect(checkById('frontAxle')?.limit(sheet)?.max).toBeCloseTo(front * 1.03, 9);
  });
  test.each([
    ['acPower', 'chargePower', 0.9, 1.05],
    ['lowWarning', 'packVoltageEmpty', 1.02, null],
    ['consumption', 'consumptionConstant', null, 1.15],
    ['frontAxle', 'frontAxleNow', 0.97, 1.03],
    ['rearAxle', 'rearAxleNow', 0.97, 1.03],
    ['precharge', 'packVoltageEmpty', 0.95, null],
  ] as const)('%s: so much of %s', (id, figure, least, most) => {
    const of = sheet.get(FIGURES[figure]).value!;
    const limit = checkById(id)!.limit(sheet)!;
    expect(limit.min).toEqual(least === null ? null : expect.closeTo(least * of, 9));
    expect(limit.max).toEqual(most === null ? null : expect.closeTo(most * of, 9));
  });
  test('a check that is only looked at is judged by the look, limit or none', () => {
    const look = CHECKS.find((check) => check.kind === null)!;
    expect(judgeCheck({ ...look, limit: () => null }, 1, sheet)).toEqual({ verdict: 'passed', limit: null });
    expect(judgeCheck({ ...look, limit: () => null }, 0, sheet)).toEqual({ verdict: 'failed', limit: null });
  });
  test('are absent while the design lacks the figure, and then nothing can be judged', () => {
    expect(checkById('insulationPlus')?.limit(bare)).toBeNull();
    expect(judgeCheck(checkById('insulationPlus')!, 500, bare).verdict).toBe('noLimit');
    expect(checkById('nothing')).toBeUndefined();
  });
});
