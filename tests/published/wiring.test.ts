import { Solver } from 'odex';
import { describe, expect, test } from 'vitest';
import { awgAtLeast, awgDiameterMm, awgMm2, awgName, mm2Awg } from '../../core/wiring/awg.ts';
import { COPPER_OHM_MM2_PER_M, conductorOhm, fittingCables, judgeCable } from '../../core/wiring/cable.ts';
import { E24, e24Down } from '../../core/wiring/e24.ts';
import { fuseNeed } from '../../core/wiring/fuse.ts';
import { linkVoltage, precharge } from '../../core/wiring/precharge.ts';

/** What screened cables carry in free air, A by mm²: common practice. */
const TYPICAL_AMPACITY = { 10: 80, 16: 110, 25: 145, 35: 180, 50: 230, 70: 285, 95: 345, 120: 400 };

// Source: IEC 60228, table 3, class 5, plain copper, largest resistance at 20 °C (from memory).
describe('class 5 conductors, Ω/km at 20 °C', () => {
  test.each([
    [16, 1.21],
    [25, 0.78],
    [35, 0.554],
    [50, 0.386],
    [70, 0.272],
    [95, 0.206],
    [120, 0.161],
  ])('%d mm²: %d', (mm2, ohm) => expect(conductorOhm(mm2, 1000, 20)).toBeCloseTo(ohm, 9));
});

// Source: IEC 60028 (from memory): 1/58 Ω·mm²/m at 20 °C, 0.00393 /K. Class 5 strands lie within 15 % above solid copper.
describe('copper', () => {
  test.each([16, 35, 70, 120])('%d mm² of strands is a little worse than solid copper', (mm2) => {
    const solid = (COPPER_OHM_MM2_PER_M * 1000) / mm2;
    const strands = conductorOhm(mm2, 1000, 20);
    expect(strands / solid).toBeGreaterThan(1);
    expect(strands / solid).toBeLessThan(1.15);
  });
  test('100 K warmer has 39.3 % more resistance', () =>
    expect(conductorOhm(50, 10, 120) / conductorOhm(50, 10, 20)).toBeCloseTo(1.393, 9));
  // By hand: 2 · 5 m · 0.386 Ω/km · (1 + 0.00393·40) · 200 A = 0.893 V, 0.279 % of 320 V.
  test('drop of 5 m of 50 mm² at 60 °C and 200 A', () => {
    const cable = { sectionMm2: 50, continuousA: 230, outsideMm: 16 };
    const duty = { continuousA: 200, fullA: 300, fullS: 30, nominalV: 320, lengthM: 5, drop: 0.015, temperatureC: 60 };
    const { dropV, dropShare } = judgeCable(cable, duty);
    expect(dropV).toBeCloseTo(2 * 5 * 0.000386 * (1 + 0.00393 * 40) * 200, 9);
    expect(dropShare).toBeCloseTo(0.00279, 4);
  });
  test('a larger section never drops more, and the smallest that holds is taken', () => {
    const cables = Object.entries(TYPICAL_AMPACITY).map(([mm2, continuousA]) => ({
      sectionMm2: Number(mm2),
      continuousA,
      outsideMm: 10,
    }));
    const duty = { continuousA: 150, fullA: 250, fullS: 30, nominalV: 100, lengthM: 6, drop: 0.015, temperatureC: 60 };
    const drops = cables.map((cable) => judgeCable(cable, duty).dropShare);
    for (let i = 1; i < drops.length; i++) expect(drops[i]).toBeLessThan(drops[i - 1]!);
    const best = fittingCables(cables, duty)[0]!;
    expect(
      cables.filter((cable) => cable.sectionMm2 < best.cable.sectionMm2).every((c) => !judgeCable(c, duty).fits),
    ).toBe(true);
  });
});

// Source: ASTM B258 (from memory).
describe('AWG', () => {
  test.each([
    ['2/0', -1, 67.43],
    ['4/0', -3, 107.2],
    ['10', 10, 5.261],
    ['0000 to 36 spans 92 in diameter', 36, 0.01267],
  ])('%s', (_name, n, mm2) => expect(awgMm2(n) / mm2).toBeCloseTo(1, 3));
  test('36 is 0.127 mm and 4/0 is 0.46 inch', () => {
    expect(awgDiameterMm(36)).toBeCloseTo(0.127, 9);
    expect(awgDiameterMm(-3) / 25.4).toBeCloseTo(0.46, 9);
  });
  test('mm² to AWG is the way back for every size', () => {
    for (let n = -3; n <= 36; n++) expect(mm2Awg(awgMm2(n))).toBeCloseTo(n, 9);
  });
  test('three sizes up doubles the section, near enough', () => expect(awgMm2(4) / awgMm2(7)).toBeCloseTo(2, 1));
  test('names, and the size that is not thinner', () => {
    expect([awgName(-3), awgName(0), awgName(4)]).toEqual(['4/0', '1/0', '4']);
    expect([awgAtLeast(35), awgAtLeast(awgMm2(2)), awgAtLeast(95)]).toEqual(['1', '2', '4/0']);
  });
});

// Source: IEC 60063 (from memory): 24 values a decade, each near 10^(n/24).
describe('E24', () => {
  test('24 values that follow the geometric series within 5 %', () => {
    expect(E24).toHaveLength(24);
    for (const [n, value] of E24.entries()) expect(Math.abs(value / 10 ** (n / 24) - 1)).toBeLessThan(0.05);
  });
  test.each([
    [1, 1],
    [99, 91],
    [529, 510],
    [0.047, 0.047],
    [1000, 1000],
    [12_345, 12_000],
  ])('not above %d: %d', (value, down) => expect(e24Down(value)).toBeCloseTo(down, 9));
});

// Source: charging of a capacitor through a resistor, any textbook of electricity.
describe('precharge', () => {
  test('99.33 % after five time constants', () =>
    expect(linkVoltage(400, 100, 500e-6, 5 * 100 * 500e-6) / 400).toBeCloseTo(0.9933, 4));
  test('63.2 % after one', () => expect(linkVoltage(1, 1, 1, 1)).toBeCloseTo(1 - 1 / Math.E, 12));
  // By hand: 1 s to 95 % of 353 V with 620 µF: R = 1/(620e-6·2.9957) = 538.4 Ω → 510 Ω; ½CV² = 38.6 J; V²/R = 244 W.
  test('620 µF at 353 V in one second', () => {
    const p = precharge({ fullV: 353, capacitanceF: 620e-6, timeS: 1, share: 0.95 });
    expect(p.idealOhm).toBeCloseTo(538.4, 1);
    expect(p.chosenOhm).toBe(510);
    expect(p.energyJ).toBeCloseTo(38.63, 2);
    expect(p.peakW).toBeCloseTo(244.3, 1);
    expect(p.timeS).toBeLessThan(1);
  });
  // Reference: odex on C·dV/dt = (V_pack − V)/R, and the heat in the resistor: as much as ends up in the link.
  test('odex charges the same link, and heats the resistor with ½CV²', () => {
    const [volts, ohm, farad] = [353, 510, 620e-6];
    const solver = new Solver(2);
    solver.absoluteTolerance = solver.relativeTolerance = 1e-10;
    const slope = (_t: number, [v]: number[]) => [(volts - v!) / (ohm * farad), (volts - v!) ** 2 / ohm];
    const short = solver.solve(slope, 0, [0, 0], 0.9).y;
    expect(short[0]! / linkVoltage(volts, ohm, farad, 0.9)).toBeCloseTo(1, 6);
    const long = solver.solve(slope, 0, [0, 0], 8).y;
    expect(long[1]! / precharge({ fullV: volts, capacitanceF: farad, timeS: 1, share: 0.95 }).energyJ).toBeCloseTo(
      1,
      6,
    );
  });
  test.each([
    [{ share: 1 }],
    [{ share: 0 }],
    [{ capacitanceF: 0 }],
    [{ timeS: Number.NaN }],
    [{ fullV: -1 }],
  ])('refuses %o', (wrong) =>
    expect(() => precharge({ fullV: 400, capacitanceF: 5e-4, timeS: 1, share: 0.95, ...wrong })).toThrow(RangeError));
});

// Source: Ohm; 1.25 times steady current is common practice.
describe('fuses', () => {
  test('400 V over 80 mΩ must break 5 kA', () => {
    const need = fuseNeed({ continuousA: 100, fullV: 400, loopOhm: 0.08, cableA: 180 });
    expect(need).toMatchObject({ atLeastA: 125, ratedA: 125, breakingA: 5000, overCable: false });
  });
  test('one that carries the load but not the cable is told', () =>
    expect(fuseNeed({ continuousA: 160, fullV: 400, loopOhm: 0.1, cableA: 180 }).overCable).toBe(true));
  test('full throttle decides where the steady current is small', () =>
    expect(fuseNeed({ continuousA: 36, peakA: 290, fullV: 353, loopOhm: 0.06, cableA: 230 }).ratedA).toBe(200));
});
