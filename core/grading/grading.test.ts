import fc from 'fast-check';
import highsLoader from 'highs';
import * as math from 'mathjs';
import { describe, expect, test } from 'vitest';
import { type Log, readLog } from '../logs/readLog.ts';
import { highsSolver } from '../milp/highs.ts';
import { seeded } from '../spread/seeded.ts';
import { area, type CapacityTest, capacityOf, likelyTimeFactor, productArea } from './capacity.ts';
import { asDelivered, formStrings, proveStrings, type StringTask } from './strings.ts';

const logOf = (rows: readonly (readonly [number, number, number])[], head = 'time [s];V;A') =>
  readLog([head, ...rows.map((row) => row.join(';'))].join('\n')) as Log;
const good = (answer: ReturnType<typeof capacityOf>): CapacityTest => {
  expect(typeof answer).toBe('object');
  return answer as CapacityTest;
};

describe('integration', () => {
  test('of one interval is exact for straight lines: as mathjs integrates them', () => {
    fc.assert(
      fc.property(
        ...([1, 2, 3, 4].map(() => fc.integer({ min: -50, max: 50 })) as [
          fc.Arbitrary<number>,
          fc.Arbitrary<number>,
          fc.Arbitrary<number>,
          fc.Arbitrary<number>,
        ]),
        (x0, x1, y0, y1) => {
          // ∫₀¹ (x0 + (x1−x0)t)(y0 + (y1−y0)t) dt, by its coefficients.
          const exact = math.evaluate(`x0*y0 + (x0*(y1-y0) + y0*(x1-x0))/2 + (x1-x0)*(y1-y0)/3`, {
            x0,
            x1,
            y0,
            y1,
          }) as number;
          expect(productArea(1, x0, x1, y0, y1)).toBeCloseTo(exact, 9);
          expect(area(3, x0, x1)).toBeCloseTo((3 * (x0 + x1)) / 2, 9);
        },
      ),
    );
  });
  test('constant current, voltage falling straight: closed forms', () => {
    // 40 A from 25 V to 18 V in 9 000 s: 100 Ah, mean 21.5 V, 2 150 Wh.
    const rows = Array.from({ length: 101 }, (_, i) => [90 * i, 25 - 0.07 * i, 40] as const);
    const found = good(capacityOf(logOf(rows), 18));
    expect(found.capacityAh).toBeCloseTo(100, 6);
    expect(found.energyWh).toBeCloseTo(2150, 6);
    expect(found).toMatchObject({ fromV: 25, toV: 18, reached: true });
    expect(found.curve.at(-1)!.ah).toBeCloseTo(100, 6);
    expect(found.curve[Math.floor(found.curve.length / 2)]!.v).toBeCloseTo(21.5, 1);
  });
  test('however it was sampled: a tenth of the lines give the same, the end found between two', () => {
    const line = (s: number) => [s, 25 - (7 * s) / 9000, -40] as const;
    const fine = good(capacityOf(logOf(Array.from({ length: 4000 }, (_, i) => line(3 * i))), 18));
    const rough = good(capacityOf(logOf(Array.from({ length: 15 }, (_, i) => line(700 * i))), 18));
    expect(rough.capacityAh).toBeCloseTo(fine.capacityAh, 6);
    expect(rough.energyWh).toBeCloseTo(fine.energyWh, 6);
    expect(rough.endS).toBeCloseTo(9000, 6);
  });
  test('a current that dies away: Q = I₀·τ·(1 − e^(−t/τ))', () => {
    const tau = 3600;
    const rows = Array.from({ length: 7201 }, (_, s) => [s, 24 - s / 3000, 50 * Math.exp(-s / tau)] as const);
    const found = good(capacityOf(logOf(rows), 10));
    expect(found.capacityAh).toBeCloseTo((50 * tau * (1 - Math.exp(-2))) / 3600, 3);
    expect(found.reached).toBe(false);
  });
});

describe('a log of a capacity test', () => {
  const withRest: [number, number, number][] = [
    [0, 25.2, 0],
    [60, 25.2, 0],
    [61, 25.036, 40],
    ...Array.from({ length: 100 }, (_, i): [number, number, number] => [100 + 90 * i, 25 - 0.075 * i, 40]),
    [9101, 17.8, 0],
    [9200, 18.4, 0],
  ];
  test('rest before and after is left out, and its step tells the resistance: R = ΔU/ΔI', () => {
    const found = good(capacityOf(logOf(withRest), 18));
    expect(found.beginS).toBe(61);
    // 25.2 to 25.036 V at 40 A.
    expect(found.resistanceOhm).toBeCloseTo(0.0041, 6);
    expect(found.currentA).toBeCloseTo(40, 6);
  });
  test('the charge before it is not it; nor is a log without current', () => {
    const charge = Array.from({ length: 50 }, (_, i): [number, number, number] => [i * 100, 20 + i * 0.1, -30]);
    const both = [...charge, ...withRest.map(([s, v, a]): [number, number, number] => [s + 6000, v, a])];
    expect(good(capacityOf(logOf(both), 18)).capacityAh).toBeCloseTo(
      good(capacityOf(logOf(withRest), 18)).capacityAh,
      6,
    );
    expect(capacityOf(logOf(charge.map(([s, v]) => [s, v, 0])), 18)).toBe('noDischarge');
    expect(capacityOf(logOf(withRest, 'time [s];V;speed'), 18)).toBe('columns');
  });
  test('temperature is the mean while it was drawn', () => {
    const text = ['time [s];V;A;temp [°C]', ...withRest.map(([s, v, a], i) => `${s};${v};${a};${i < 2 ? 5 : 21}`)].join(
      '\n',
    );
    expect(good(capacityOf(readLog(text) as Log, 18)).temperatureC).toBeCloseTo(21, 9);
  });
  test('time going back is refused; in minutes by its heading it is read as such, without one it is noticed', () => {
    const back = withRest.map(([s, v, a], i): [number, number, number] => [i % 5 === 0 && i > 10 ? s - 900 : s, v, a]);
    expect(capacityOf(logOf(back), 18)).toBe('timeBackwards');
    const minutes = withRest.map(([s, v, a]): [number, number, number] => [s / 60, v, a]);
    const said = good(capacityOf(logOf(minutes, 'time [min];V;A'), 18));
    expect(said.capacityAh).toBeCloseTo(good(capacityOf(logOf(withRest), 18)).capacityAh, 6);
    const silent = good(capacityOf(logOf(minutes, 'time;V;A'), 18));
    expect(likelyTimeFactor(silent.capacityAh, 110)).toBe(60);
    expect(likelyTimeFactor(said.capacityAh, 110)).toBe(1);
    expect(good(capacityOf(logOf(minutes, 'time;V;A'), 18, 60)).capacityAh).toBeCloseTo(said.capacityAh, 6);
  });
});

const task = (capacities: readonly number[], strings: number, perString: number): StringTask => ({
  ...{
    modules: capacities.map((capacityAh, i) => ({ id: `m${String(i).padStart(2, '0')}`, capacityAh })),
    strings,
    perString,
  },
  moduleV: 22,
});
const capacities = (n: number, seed: number) => {
  const random = seeded(seed);
  return Array.from({ length: n }, () => Math.round((92 + 10 * random()) * 10) / 10);
};

/** Every choice of so many out of a list. */
function* choose<T>(list: readonly T[], n: number, from = 0): Generator<T[]> {
  if (n === 0) {
    yield [];
    return;
  }
  for (let i = from; i <= list.length - n; i++)
    for (const rest of choose(list, n - 1, i + 1)) yield [list[i]!, ...rest];
}
/** The best by trying every choice: strongest weakest first, then two strings as alike as can be. */
function bruteForce({ modules, perString }: StringTask): { weakestAh: number; apart: number } {
  let best = { weakestAh: 0, apart: Number.POSITIVE_INFINITY };
  for (const all of choose(modules, 2 * perString)) {
    const weakestAh = Math.min(...all.map(({ capacityAh }) => capacityAh));
    if (weakestAh < best.weakestAh) continue;
    const total = all.reduce((sum, { capacityAh }) => sum + Math.round(capacityAh * 10), 0);
    for (const one of choose(all, perString)) {
      const apart = Math.abs(total - 2 * one.reduce((sum, { capacityAh }) => sum + Math.round(capacityAh * 10), 0));
      if (weakestAh > best.weakestAh || apart < best.apart) best = { weakestAh, apart };
    }
  }
  return best;
}

describe('forming strings', () => {
  test('one string takes the strongest; by hand', () => {
    const found = formStrings(task([99, 101, 97, 100], 1, 3))!;
    expect(found).toMatchObject({ strings: [['m01', 'm03', 'm00']], weakestAh: 99, proved: true, apartAh: 0 });
    expect(found.usableWh).toBe(99 * 3 * 22);
    expect(formStrings(task([99, 101], 1, 3))).toBeNull();
  });
  test('as trying every choice finds it, on small cases', async () => {
    const solve = highsSolver(await highsLoader());
    for (let seed = 1; seed <= 25; seed++) {
      const small = task(capacities(9, seed), 2, 4);
      const best = bruteForce(small);
      const found = proveStrings(small, formStrings(small)!, solve, 5);
      expect([found.weakestAh, Math.round(found.apartAh * 10), found.proved], `seed ${seed}`).toEqual([
        best.weakestAh,
        best.apart,
        true,
      ]);
    }
  });
  test('as HiGHS proves it, on larger ones', async () => {
    const solve = highsSolver(await highsLoader());
    for (const [seed, n, strings, perString] of [
      [3, 31, 2, 14],
      [4, 26, 3, 8],
      [5, 40, 4, 10],
    ] as const) {
      const large = task(capacities(n, seed), strings, perString);
      const quick = formStrings(large)!;
      const proved = proveStrings(large, { ...quick, proved: false }, solve, 10);
      expect(proved.weakestAh).toBe(quick.weakestAh);
      if (proved.proved) expect(quick.apartAh).toBeLessThanOrEqual(proved.apartAh + 1e-9);
      expect(new Set(quick.strings.flat()).size).toBe(strings * perString);
    }
  });
  test('ninety-six into four meet their bound', () => {
    for (let seed = 1; seed <= 5; seed++) {
      const found = formStrings(task(capacities(110, seed), 4, 24))!;
      expect(found.boundAh).toBeLessThanOrEqual(0.1);
      expect(found.apartAh).toBeLessThan(0.25);
    }
  });
  test('is never weaker than as they were delivered, whatever they hold', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 700, max: 1100 }), { minLength: 8, maxLength: 20 }), (tenths) => {
        const any = task(
          tenths.map((n) => n / 10),
          2,
          4,
        );
        const [best, plain] = [formStrings(any)!, asDelivered(any)!];
        expect(best.usableWh).toBeGreaterThanOrEqual(plain.usableWh);
        expect(new Set(best.strings.flat()).size).toBe(8);
      }),
    );
  });
});
