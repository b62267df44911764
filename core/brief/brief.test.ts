import { describe, expect, test } from 'vitest';
import { createSheet } from '../figures/evaluate.ts';
import { FIGURES } from '../figures/index.ts';
import { brokenLine } from '../search/limits.ts';
import { slots, VEHICLE } from '../testing/wren.ts';
import { judgeBrief, judgeLine } from './judgeLine.ts';
import { BRIEF_KIND_IDS, BRIEF_KINDS, type BriefLine } from './lines.ts';
import { measuringList } from './measuringList.ts';

const line = (change: Partial<BriefLine> & Pick<BriefLine, 'kind'>): BriefLine => ({
  id: change.kind,
  firm: false,
  amount: null,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  ...change,
});
const sheet = createSheet(slots());
const range = sheet.get(FIGURES.rangeRound).value!;

describe('one line', () => {
  test('at least: met with its margin, broken by what is short', () => {
    expect(judgeLine(line({ kind: 'rangeRound', amount: range - 10 }), sheet)).toMatchObject({
      state: 'met',
      target: range - 10,
    });
    const short = judgeLine(line({ kind: 'rangeRound', amount: range + 25 }), sheet);
    expect(short.state).toBe('broken');
    expect(short.margin).toBeCloseTo(-25, 9);
    expect(judgeLine(line({ kind: 'rangeRound', amount: range }), sheet).state).toBe('met');
  });
  test('at most', () => {
    expect(judgeLine(line({ kind: 'overnightCharge', amount: 20 }), sheet).state).toBe('met');
    expect(judgeLine(line({ kind: 'overnightCharge', amount: 2 }), sheet).state).toBe('broken');
    expect(judgeLine(line({ kind: 'priceCeiling', amount: 1_400_000 }), sheet).margin).toBe(-20_000);
  });
  test('gross mass goes by the plate unless an amount is given', () => {
    expect(judgeLine(line({ kind: 'grossMass' }), sheet)).toMatchObject({ target: 1600, state: 'met' });
    expect(judgeLine(line({ kind: 'grossMass', amount: 1200 }), sheet).state).toBe('broken');
  });
  test('both schools of axle shares', () => {
    const share = sheet.get(FIGURES.frontShare).value!;
    const equal = judgeLine(line({ kind: 'axleShare', school: 'equal', tolerance: 0.02 }), sheet);
    expect(equal.target).toBe(0.5);
    expect(equal.margin).toBeCloseTo(0.02 - Math.abs(share - 0.5), 12);
    expect(judgeLine(line({ kind: 'axleShare', school: 'original', tolerance: 0.001 }), sheet)).toMatchObject({
      target: 0.6,
      state: 'broken',
    });
    expect(judgeLine(line({ kind: 'axleShare', school: 'original', tolerance: 0.2 }), sheet).state).toBe('met');
  });
  test('reversible means no new hole', () => {
    expect(judgeLine(line({ kind: 'reversible' }), sheet).state).toBe('met');
    expect(judgeLine(line({ kind: 'reversible' }), createSheet(slots({ kit: { newHoles: 2 } }))).state).toBe('broken');
    expect(judgeLine(line({ kind: 'reversible' }), createSheet(slots({ kit: { newHoles: null } })))).toMatchObject({
      state: 'unknown',
      reason: 'noKit',
    });
  });
  test('free lines are open until somebody ticks them', () => {
    expect(judgeLine(line({ kind: 'free', text: 'keep the hatch' }), sheet).state).toBe('open');
    expect(judgeLine(line({ kind: 'free', text: 'keep the hatch', done: true }), sheet).state).toBe('met');
  });
  test('what cannot be computed is unknown with its reason, never met', () => {
    const bare = createSheet(slots({ drive: { ...slots().drive, unit: null } }));
    expect(judgeLine(line({ kind: 'rangeRound', amount: 1 }), bare)).toMatchObject({
      state: 'unknown',
      reason: 'noDrive',
      margin: null,
    });
    expect(judgeLine(line({ kind: 'topSpeed' }), sheet)).toMatchObject({ state: 'unknown', target: null });
  });
  test('what the design cannot is broken, and says why', () => {
    const weak = createSheet(slots({ drive: { ...slots().drive, torqueCapNm: 1 } }));
    expect(judgeLine(line({ kind: 'gradeHeld50', amount: 0.05 }), weak)).toMatchObject({
      state: 'broken',
      reason: 'cannotHold',
      reasonAt: { value: 50, kind: 'speed' },
      margin: null,
    });
    for (const kind of ['time0to100', 'rangeConstant', 'rangeCycle'] as const)
      expect(judgeLine(line({ kind, amount: 10 }), weak).state, kind).toBe('broken');
    expect(brokenLine([line({ kind: 'gradeHeld50', amount: 0.05, firm: true })], weak)).toBe('gradeHeld50');
    expect(brokenLine([line({ kind: 'gradeHeld50', amount: 0.05, firm: true })], sheet)).toBeNull();
  });
  test('every kind of line is held against a figure of its own kind', () => {
    for (const id of BRIEF_KIND_IDS) {
      const { figure, kind } = BRIEF_KINDS[id];
      if (figure) expect(FIGURES[figure].kind, id).toBe(kind);
    }
  });
});

describe('a whole brief', () => {
  const lines = [
    line({ kind: 'free', text: 'a' }),
    line({ kind: 'rangeRound', firm: true, amount: 10 }),
    line({ kind: 'time0to50', amount: 30 }),
  ];
  test('firm lines come first, the rest in the client’s order', () => {
    expect(judgeBrief(lines, sheet).map((j) => j.line.kind)).toEqual(['rangeRound', 'free', 'time0to50']);
  });
  test('the measuring list has what the lines rest on, widest doubt first, exact lengths left out', () => {
    const list = measuringList(judgeBrief(lines, sheet), sheet);
    expect(list[0]?.figure).toBe('rollingCoefficient');
    expect(list.map((item) => item.figure)).not.toContain('wheelbase');
    expect(list.find((item) => item.figure === 'frontAxleMass')?.lines).toHaveLength(2);
    const measured = Object.fromEntries(
      Object.entries(VEHICLE.figures).map(([id, f]) => [id, { ...f, source: 'measured' }]),
    ) as typeof VEHICLE.figures;
    expect(
      measuringList(judgeBrief(lines, createSheet(slots({ vehicle: { ...VEHICLE, figures: measured } }))), null),
    ).toEqual([]);
  });
});
