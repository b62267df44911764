import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { motorTorque } from '../drive/motorCurve.ts';
import type { BatteryLimit, LinkId } from './links.ts';
import { type ChainAsk, type ChainMotor, heldAt, solveChain } from './solve.ts';

const OMEGA = (2 * Math.PI) / 60;
const MOTOR: ChainMotor = {
  part: 'Motor',
  motors: 1,
  torqueNm: 200,
  powerW: 60_000,
  maxRpm: 9000,
  curve: null,
  column: 'peakNm',
  ratedV: null,
  efficiency: 0.9,
  phaseNm: null,
  torqueCapNm: null,
  powerCapW: null,
};
const amps = (link: LinkId, limit: number | null): BatteryLimit => ({
  link,
  part: link,
  quantity: 'batteryCurrent',
  limit,
});
const volts = (link: LinkId, limit: number): BatteryLimit => ({ link, part: link, quantity: 'voltage', limit });
const ask = (motor: Partial<ChainMotor> = {}, battery: readonly BatteryLimit[] = [], more: Partial<ChainAsk> = {}) => ({
  openV: 300,
  resistanceOhm: 0.1,
  besideA: 0,
  battery,
  motor: { ...MOTOR, ...motor },
  ...more,
});

describe('the battery side', () => {
  test('the least current decides and is named; what nobody states holds nothing', () => {
    const chain = solveChain(ask({ powerW: 1e6 }, [amps('cells', 304), amps('driveCurrent', 260), amps('fuse', null)]));
    expect(chain.limitA).toBe(260);
    expect(chain.limitW).toBeCloseTo((300 - 26) * 260, 9);
    expect(chain.full).toMatchObject({ heldBy: { link: 'driveCurrent', part: 'driveCurrent' } });
    expect(chain.full.amps).toBeCloseTo(260, 9);
  });
  // Closed form: the most a source of V behind R ever gives is V²/4R, at V/2R.
  test('past the greatest power of the pack power stays, it does not vanish', () => {
    const chain = solveChain(ask({ powerW: 1e6, torqueNm: 5000 }, [amps('cells', 1e5)], { resistanceOhm: 0.5 }));
    expect(chain.limitA).toBe(300);
    expect(chain.full.batteryW).toBeCloseTo(300 ** 2 / (4 * 0.5), 6);
    expect(chain.full.volts).toBeCloseTo(150, 4);
    expect(chain.full.heldBy.link).toBe('packPower');
  });
  test('a lowest voltage holds the current: (V0 − Vmin) ÷ R, and nothing flows below it', () => {
    const chain = solveChain(ask({ powerW: 1e6 }, [volts('inverterVoltage', 290)]));
    expect(chain.limitA).toBeCloseTo(100, 9);
    expect(chain.full.heldBy.link).toBe('inverterVoltage');
    expect(solveChain(ask({}, [volts('driveVoltage', 301)])).full).toMatchObject({ shaftW: 0, amps: 0 });
    expect(solveChain(ask({}, [volts('driveVoltage', 290)], { resistanceOhm: 0 })).limitA).toBe(
      Number.POSITIVE_INFINITY,
    );
  });
});

describe('the motor', () => {
  test('a torque cap holds power too: 5 N·m at 9000 rpm is 4.7 kW', () => {
    const chain = solveChain(ask({ torqueCapNm: 5 }));
    expect(chain.full.shaftW).toBeCloseTo(5 * 9000 * OMEGA, 6);
    expect(chain.full.heldBy.link).toBe('torqueCap');
    expect(chain.full.rpm).toBe(9000);
  });
  test.each([
    [{}, 'motorPower', 60_000],
    [{ powerCapW: 40_000 }, 'powerCap', 40_000],
    [{ motors: 2, powerCapW: 90_000 }, 'powerCap', 90_000],
    [{ phaseNm: 30 }, 'phaseCurrent', 30 * 9000 * OMEGA],
    [{ torqueNm: 20 }, 'motorTorque', 20 * 9000 * OMEGA],
  ] as const)('%o is held by %s', (motor, link, watts) => {
    const { full } = solveChain(ask(motor));
    expect(full.heldBy.link).toBe(link);
    expect(full.shaftW).toBeCloseTo(watts, 6);
  });
  // By hand: it draws 60 000 ÷ (0.9 · 400) = 166.7 A at any voltage, leaves 300 − 16.67 = 283.3 V, gives 60 kW · 283.3/400.
  test('constant power at the voltage under its own load', () => {
    const { full } = solveChain(ask({ ratedV: 400 }));
    expect(full.shaftW).toBeCloseTo((60_000 * (300 - 0.1 * (60_000 / 360))) / 400, 6);
    expect(full.volts).toBeCloseTo(300 - 0.1 * (60_000 / 360), 6);
    expect(full.heldBy.link).toBe('motorVoltage');
    expect(solveChain(ask({ ratedV: 250 })).full.shaftW).toBe(60_000);
  });
  test('a curve is read at the voltage under that very load', () => {
    const curve = [
      { rpm: 0, peakNm: 200, continuousNm: 100 },
      { rpm: 3000, peakNm: 200, continuousNm: 100 },
      { rpm: 6000, peakNm: 90, continuousNm: 45 },
      { rpm: 9000, peakNm: 40, continuousNm: 20 },
    ];
    const chain = solveChain(ask({ curve, ratedV: 400, powerW: 1e6, maxRpm: 20_000 }));
    // Independently: bisect the torque at which T = T_sheet(n · 400/V) with V = V0 − R·I and I = T·ω/(η·V).
    for (const rpm of [500, 1800, 2600, 3500, 5000, 6500]) {
      let low = 0;
      let high = 200;
      for (let i = 0; i < 60; i++) {
        const nm = (low + high) / 2;
        const watts = (nm * rpm * OMEGA) / 0.9;
        const v = (300 + Math.sqrt(300 ** 2 - 4 * 0.1 * watts)) / 2;
        const at = (rpm * 400) / v;
        const k = curve.findIndex((point) => point.rpm >= at);
        const [a, b] = [curve[k - 1] ?? curve[0]!, curve[k] ?? curve.at(-1)!];
        const sheet =
          k < 0
            ? (40 * 9000) / at
            : a === b
              ? a.peakNm
              : a.peakNm + ((b.peakNm - a.peakNm) * (at - a.rpm)) / (b.rpm - a.rpm);
        if (sheet >= nm) low = nm;
        else high = nm;
      }
      expect(Math.abs(motorTorque(chain.motor, rpm) / low - 1), `${rpm} rpm`).toBeLessThan(0.004);
    }
    expect(heldAt(chain, 3500).link).toBe('motorCurve');
    expect(heldAt(chain, 500).link).toBe('motorTorque');
    expect(heldAt(chain, 20_001).link).toBe('revolutions');
  });
});

/** Every limit that a chain may have, as a number to turn. */
interface Limits {
  cells: number;
  contactorBox: number;
  inverter: number;
  driveVoltage: number;
  torqueNm: number;
  powerW: number;
  maxRpm: number;
  torqueCapNm: number;
  powerCapW: number;
  phaseNm: number;
}
const limits = fc.record<Limits>({
  cells: fc.double({ min: 20, max: 900, noNaN: true }),
  contactorBox: fc.double({ min: 20, max: 900, noNaN: true }),
  inverter: fc.double({ min: 20, max: 900, noNaN: true }),
  driveVoltage: fc.double({ min: 50, max: 299, noNaN: true }),
  torqueNm: fc.double({ min: 5, max: 500, noNaN: true }),
  powerW: fc.double({ min: 2000, max: 300_000, noNaN: true }),
  maxRpm: fc.double({ min: 1000, max: 15_000, noNaN: true }),
  torqueCapNm: fc.double({ min: 5, max: 500, noNaN: true }),
  powerCapW: fc.double({ min: 2000, max: 300_000, noNaN: true }),
  phaseNm: fc.double({ min: 5, max: 500, noNaN: true }),
});
const chainOf = (l: Limits, ratedV: number | null, resistanceOhm: number) =>
  solveChain(
    ask(
      {
        ratedV,
        torqueNm: l.torqueNm,
        powerW: l.powerW,
        maxRpm: l.maxRpm,
        torqueCapNm: l.torqueCapNm,
        powerCapW: l.powerCapW,
        phaseNm: l.phaseNm,
      },
      [
        amps('cells', l.cells),
        amps('contactorBox', l.contactorBox),
        amps('inverter', l.inverter),
        volts('driveVoltage', l.driveVoltage),
      ],
      { resistanceOhm },
    ),
  );
const LINK_OF: Record<keyof Limits, readonly LinkId[]> = {
  cells: ['cells'],
  contactorBox: ['contactorBox'],
  inverter: ['inverter'],
  driveVoltage: ['driveVoltage'],
  torqueNm: ['motorTorque'],
  powerW: ['motorPower', 'motorVoltage'],
  maxRpm: ['revolutions'],
  torqueCapNm: ['torqueCap'],
  powerCapW: ['powerCap'],
  phaseNm: ['phaseCurrent'],
};
const tighter = (l: Limits, key: keyof Limits): Limits => ({
  ...l,
  [key]: key === 'driveVoltage' ? Math.min(299.5, l[key] * 1.05) : l[key] * 0.8,
});
const looser = (l: Limits, key: keyof Limits): Limits => ({
  ...l,
  [key]: key === 'driveVoltage' ? l[key] * 0.9 : l[key] * 1.2,
});
const KEYS = Object.keys(LINK_OF) as (keyof Limits)[];
const rated = fc.option(fc.double({ min: 150, max: 600, noNaN: true }), { nil: null });
const ohm = fc.double({ min: 0.001, max: 1, noNaN: true });

describe('whatever the limits are', () => {
  test('tightening any of them raises neither power nor torque at any speed', () =>
    fc.assert(
      fc.property(limits, rated, ohm, fc.constantFrom(...KEYS), (l, ratedV, r, key) => {
        const [wide, tight] = [chainOf(l, ratedV, r), chainOf(tighter(l, key), ratedV, r)];
        expect(tight.full.batteryW).toBeLessThanOrEqual(wide.full.batteryW * (1 + 1e-9));
        for (const rpm of [0, 500, 2000, 5000, 9000])
          expect(motorTorque(tight.motor, rpm)).toBeLessThanOrEqual(motorTorque(wide.motor, rpm) * (1 + 1e-9));
      }),
    ));
  test('the link that is named is the one whose relaxation gives more power, and no other gives any', () =>
    fc.assert(
      fc.property(limits, rated, ohm, (l, ratedV, r) => {
        const { full } = chainOf(l, ratedV, r);
        const torqueHeld = ['torqueCap', 'motorTorque', 'phaseCurrent'].includes(full.heldBy.link);
        for (const key of KEYS) {
          // Torque held up to the highest revolutions: more of either gives more.
          if (key === 'maxRpm' && torqueHeld) continue;
          const more = chainOf(looser(l, key), ratedV, r).full.batteryW > full.batteryW * (1 + 1e-7);
          if (more) expect(LINK_OF[key], key).toContain(full.heldBy.link);
          // Sag can make more load give no more: only what is not the pack's own doing must always pay.
          else if (LINK_OF[key].includes(full.heldBy.link) && full.amps < 300 / (2 * r) / 1.3) {
            const second = KEYS.filter((other) => other !== key);
            const others = second.some((other) => atLimit(chainOf(looser(l, key), ratedV, r).full.heldBy.link, other));
            expect(others, key).toBe(true);
          }
        }
      }),
    ));
  test('battery power is voltage × current, and the voltage is what the current leaves', () =>
    fc.assert(
      fc.property(limits, rated, ohm, (l, ratedV, r) => {
        const { full, limitA } = chainOf(l, ratedV, r);
        expect(full.volts * full.amps).toBeCloseTo(full.batteryW, 3);
        expect(full.volts).toBeCloseTo(300 - r * full.amps, 6);
        expect(full.amps).toBeLessThanOrEqual(limitA * (1 + 1e-6));
        expect(full.shaftW).toBeCloseTo(full.batteryW * 0.9, 3);
      }),
    ));
});

const atLimit = (link: LinkId, key: keyof Limits) => LINK_OF[key].includes(link);
