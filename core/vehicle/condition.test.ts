import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import {
  capsBroken,
  dashVerdict,
  failedInspections,
  type Inspected,
  newestInspections,
  settingChanges,
} from './condition.ts';

const look = (what: string, at: string, pin: 'good' | 'failed' | null): Inspected => ({
  ...{ what, kind: 'connector', points: { pin, seal: 'good' }, at },
});

describe('inspections', () => {
  test('the newest look counts: what failed and was looked at again is good', () => {
    const all = [
      look('X1', '2026-11-02', 'good'),
      look('X1', '2026-11-01', 'failed'),
      look('X2', '2026-11-01', 'failed'),
    ];
    expect(
      newestInspections(all)
        .map(({ what, at }) => `${what} ${at}`)
        .sort(),
    ).toEqual(['X1 2026-11-02', 'X2 2026-11-01']);
    expect(failedInspections(all).map(({ what }) => what)).toEqual(['X2']);
    expect(
      failedInspections([...all, look('X1', '2026-11-03', 'failed')])
        .map(({ what }) => what)
        .sort(),
    ).toEqual(['X1', 'X2']);
    expect(failedInspections([look('X3', '2026-11-01', null)])).toEqual([]);
  });
  test('what failed stays so until it is looked at itself; a box of the same name is another thing', () => {
    const bad = look('X1', '2026-11-01', 'failed');
    const sealOnly = look('x1', '2026-11-02', null);
    const box: Inspected = { ...look('X1', '2026-11-03', null), kind: 'box', points: { torque: 'good' } };
    expect(failedInspections([bad, sealOnly, box]).map(({ what }) => what)).toEqual(['x1']);
    expect(failedInspections([bad, sealOnly, box, look('X1', '2026-11-04', 'good')])).toEqual([]);
  });
});

describe('a dial at five points', () => {
  const points = (off: readonly number[]) =>
    [0, 25, 50, 75, 100].map((signal, i) => ({ signal, shown: signal + off[i]! }));
  test('by hand: three of a hundred off is three hundredths of its scale', () => {
    expect(dashVerdict(points([0, 1, -3, 2, 0]), 0.05)).toEqual({ worst: 0.03, proved: true });
    expect(dashVerdict(points([0, 1, -6, 2, 0]), 0.05)).toMatchObject({ worst: 0.06, proved: false });
  });
  test('a needle that turns back is not proved, however near; four points say nothing', () => {
    const flat = [0, 1, 2, 3, 4].map((signal) => ({ signal, shown: signal === 2 ? 0.9 : signal }));
    expect(dashVerdict(flat, 0.5)!.proved).toBe(false);
    expect(dashVerdict(points([0, 0, 0, 0, 0]).slice(1), 0.5)).toBeNull();
    expect(
      dashVerdict(
        [1, 1, 1, 1, 1].map((signal) => ({ signal, shown: 1 })),
        0.5,
      )!.proved,
    ).toBe(false);
  });
  test('the order they were taken in says nothing', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -4, max: 4 }), { minLength: 5, maxLength: 5 }), (off) => {
        expect(dashVerdict(points(off).toReversed(), 0.05)).toEqual(dashVerdict(points(off), 0.05));
      }),
    );
  });
});

describe('settings', () => {
  const caps = [
    { key: 'maxTorqueNm', most: 180, least: null },
    { key: 'emptyV', most: null, least: 270 },
  ];
  test('are held by what the design allows; on it is within', () => {
    expect(capsBroken({ maxTorqueNm: 180, emptyV: 270 }, caps)).toEqual([]);
    expect(capsBroken({ maxTorqueNm: 181, emptyV: 269 }, caps).map(({ key }) => key)).toEqual([
      'maxTorqueNm',
      'emptyV',
    ]);
    expect(capsBroken({ other: 1e9 }, caps)).toEqual([]);
  });
  test('differ by what was changed, added or taken away', () => {
    expect(settingChanges({ a: 1, b: 2 }, { b: 3, c: 4 })).toEqual([
      { key: 'a', before: 1, after: null },
      { key: 'b', before: 2, after: 3 },
      { key: 'c', before: null, after: 4 },
    ]);
    expect(settingChanges({ a: 1 }, { a: 1 })).toEqual([]);
  });
});
