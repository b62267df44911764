import { describe, expect, test } from 'vitest';
import { beforeWorkingDays, USUAL_CALENDAR, weekday } from '../practice/workingDays.ts';
import { neededDays } from './neededDay.ts';

// Friday 27 November 2026.
const FRIDAY = 20_784;
const stage = (key: string, hours: number, after: readonly string[] = [], done = false) => ({
  key,
  hours,
  after,
  done,
});
const STAGES = [
  stage('strip', 10),
  stage('run-looms', 10, ['strip']),
  stage('front-box', 10, ['run-looms']),
  stage('rear-box', 20, ['front-box']),
  stage('interior', 10, ['run-looms']),
  stage('charger', 10, ['rear-box']),
];

describe('working days backwards', () => {
  test('two before a Monday is Thursday; closed days do not count; nothing to do is the day itself', () => {
    expect(weekday(FRIDAY)).toBe(5);
    expect(beforeWorkingDays(FRIDAY + 3, 2, USUAL_CALENDAR)).toBe(FRIDAY - 1);
    expect(beforeWorkingDays(FRIDAY + 3, 2, { ...USUAL_CALENDAR, closed: new Set([FRIDAY]) })).toBe(FRIDAY - 2);
    expect(beforeWorkingDays(FRIDAY, 0, USUAL_CALENDAR)).toBe(FRIDAY);
    expect(beforeWorkingDays(FRIDAY, 1, { workingDays: [], closed: new Set() })).toBeNull();
  });
});

describe('from when a part is needed', () => {
  const needed = neededDays({ promisedDay: FRIDAY, stages: STAGES }, 10, USUAL_CALENDAR);
  test('by hand: the promise less what is to be done from its stage on', () => {
    // Charger: one day, so Thursday. Rear box: two more, Tuesday. Front box: one more, Monday. Looms: Friday before.
    expect(needed('charger')).toEqual({ day: FRIDAY - 1, basis: 'stage', stage: 'charger' });
    expect(needed('drive')).toEqual({ day: FRIDAY - 3, basis: 'stage', stage: 'rear-box' });
    expect(needed('module')).toEqual({ day: FRIDAY - 4, basis: 'stage', stage: 'front-box' });
    expect(needed('cable')).toEqual({ day: FRIDAY - 7, basis: 'stage', stage: 'run-looms' });
  });
  test('by the plan when its stage begins; a part that keeps the stage, from when the promise is broken by it', () => {
    const begins = (of: Readonly<Record<string, readonly [number, number | null]>>) => (key: string) =>
      of[key] ? { day: FRIDAY + of[key][0], wantedDay: of[key][1] === null ? null : FRIDAY + of[key][1] } : null;
    const by = (of: Parameters<typeof begins>[0], promisedDay: number | null = FRIDAY) =>
      neededDays({ promisedDay, stages: STAGES }, 10, USUAL_CALENDAR, begins(of));
    // Bay and people let it begin then: sooner it is of no use, whatever the promise.
    expect(by({ charger: [4, null] })('charger')).toMatchObject({ day: FRIDAY + 4, basis: 'plan', stage: 'charger' });
    // The charger keeps it until Monday; it could begin on Wednesday, and on Thursday the promise is still kept.
    expect(by({ charger: [3, -2] })('charger').day).toBe(FRIDAY - 1);
    // It keeps the stage, and the promise is kept all the same: from when it is used.
    expect(by({ charger: [-1, -3] })('charger').day).toBe(FRIDAY - 1);
    // The stage could not begin before Saturday week anyhow.
    expect(by({ charger: [12, 8] })('charger').day).toBe(FRIDAY + 8);
    // Nobody promised anything.
    expect(by({ charger: [3, -2] }, null)('charger').day).toBe(FRIDAY - 2);
    // What no stage names, with the first that is planned; what is not in the plan, as without one.
    expect(by({ charger: [4, null], strip: [1, null] })('other')).toMatchObject({ day: FRIDAY + 1, basis: 'plan' });
    expect(by({ charger: [4, null] })('drive')).toEqual({ day: FRIDAY - 3, basis: 'stage', stage: 'rear-box' });
  });
  test('what no stage names is needed when work begins', () => {
    expect(needed('other')).toEqual({ day: FRIDAY - 8, basis: 'stage', stage: 'strip' });
  });
  test('a stage that is done has needed it already: at once, with the first stage still to do', () => {
    const begun = STAGES.map((one) =>
      ['strip', 'run-looms', 'front-box'].includes(one.key) ? { ...one, done: true } : one,
    );
    const now = neededDays({ promisedDay: FRIDAY, stages: begun }, 10, USUAL_CALENDAR);
    expect(now('cable')).toEqual({ day: FRIDAY - 3, basis: 'stage', stage: 'rear-box' });
  });
  test('without stages by the promise, without a promise not at all; a circle of stages holds nobody up', () => {
    expect(neededDays({ promisedDay: FRIDAY, stages: [] }, 10, USUAL_CALENDAR)('module')).toMatchObject({
      day: FRIDAY,
      basis: 'promise',
    });
    expect(neededDays({ promisedDay: null, stages: STAGES }, 10, USUAL_CALENDAR)('module')).toMatchObject({
      day: null,
      basis: 'none',
    });
    const round = [stage('a', 10, ['b']), stage('b', 10, ['a'])];
    expect(neededDays({ promisedDay: FRIDAY, stages: round }, 10, USUAL_CALENDAR)('module').day).toBeLessThan(FRIDAY);
  });
  test('no part is needed before work could begin, nor after the promise; a later promise needs nothing sooner', () => {
    const kinds = ['module', 'drive', 'charger', 'cable', 'other', 'inlet', 'heater'] as const;
    for (let later = 0; later < 40; later += 7) {
      const early = neededDays({ promisedDay: FRIDAY, stages: STAGES }, 10, USUAL_CALENDAR);
      const late = neededDays({ promisedDay: FRIDAY + later, stages: STAGES }, 10, USUAL_CALENDAR);
      for (const kind of kinds) {
        expect(late(kind).day!).toBeGreaterThanOrEqual(early(kind).day!);
        expect(late(kind).day!).toBeLessThanOrEqual(FRIDAY + later);
        expect(late(kind).day!).toBeGreaterThanOrEqual(late('other').day!);
      }
    }
  });
});
