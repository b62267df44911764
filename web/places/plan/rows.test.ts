import { describe, expect, test } from 'vitest';
import { factBay, factPerson, factStage, factJob as job, planFactsOf } from '../../../core/plan/facts.fixture.ts';
import type { FactStage } from '../../../core/plan/facts.ts';
import type { StoredPlan, StoredStage } from '../../../core/plan/storedPlan.ts';
import { dayNumber } from '../../../core/quantity/format.ts';
import { asDays, rowsOf } from './rows.ts';

const stage = (id: string, change: Partial<FactStage> = {}) => factStage(id, 4, { name: `Stage ${id}`, ...change });
const person = (id: string, skills: string[]) => factPerson(id, { name: id.toUpperCase(), skills });
const facts = planFactsOf(
  [
    job('26-101', [stage('x', { state: 'inHand' }), stage('y'), stage('late', { liveHv: true })], {
      promised: '2026-11-26',
    }),
    job('26-102', [
      stage('bench', { traits: ['beside'] }),
      stage('coat', { firm: { id: 'paint', days: 2 } }),
      stage('trip', { traits: ['away'] }),
    ]),
  ],
  {
    people: [person('a', ['trim']), person('b', [])],
    firms: [
      { id: 'paint', name: 'Paint', slots: 2, slotDays: [2] },
      { id: 'idle', name: 'Idle', slots: null, slotDays: [] },
    ],
    places: [factBay('one', { name: 'Bay 1' }), factBay('two', { name: 'Bay 2', lift: false, alignment: true })],
  },
);
const at = (
  id: string,
  jobOf: string,
  placeId: string | null,
  from: string,
  to: string,
  people: string[] = [],
): StoredStage => ({
  ...{ id, job: jobOf, placeId, from: `2026-${from}`, to: `2026-${to}`, people, causes: [], waits: null },
});
const plan: StoredPlan = {
  ...{
    now: '2026-11-24 08:00',
    impossible: [],
    cost: { late: 0, ends: 0, inProgress: 0, moved: 0 },
    gap: 0,
    passes: 1,
  },
  stages: [
    at('x', '26-101', 'one', '11-24 08:00', '11-24 12:15', ['a']),
    at('y', '26-101', 'one', '11-24 12:15', '11-25 16:30', ['a', 'b']),
    at('late', '26-101', 'one', '12-01 08:00', '12-01 16:30', ['a']),
    at('bench', '26-102', null, '11-24 08:00', '11-24 12:00', ['b']),
    at('coat', '26-102', null, '11-25 08:00', '11-26 16:30'),
    at('trip', '26-102', null, '11-27 08:00', '11-27 12:00', ['b']),
    // Taken out of the network since the plan was made.
    at('gone', '26-102', 'two', '11-27 08:00', '11-27 12:00', ['b']),
  ],
  jobs: [
    { number: '26-101', from: '2026-11-24 08:00', to: '2026-12-01 16:30', lateMinutes: 1350, lateDays: 5 },
    { number: '26-102', from: '2026-11-24 08:00', to: '2026-11-27 12:00', lateMinutes: 0, lateDays: 0 },
  ],
};
const DAY = dayNumber('2026-11-24');
const of = (view: Parameters<typeof rowsOf>[1]) => rowsOf({ facts, plan }, view);

test('a working day is drawn as a whole day, whatever its hours', () => {
  expect(asDays('2026-11-24 08:00', facts.open)).toBe(DAY);
  expect(asDays('2026-11-24 12:15', facts.open)).toBeCloseTo(DAY + 0.5, 12);
  expect(asDays('2026-11-24 16:30', facts.open)).toBe(DAY + 1);
  expect(asDays('2026-11-24 23:00', facts.open)).toBe(DAY + 1);
});

describe('by bay', () => {
  const rows = of('bay');
  test('every bay, then benches, each firm that has something, and what is out of the house', () => {
    expect(rows.map(({ name, says }) => [name, says])).toEqual([
      ['Bay 1', 'lift'],
      ['Bay 2', 'alignment'],
      ['Benches', 'without the vehicle'],
      ['Paint', '2 at a time, Tue'],
      ['Out of the house', ''],
    ]);
    expect(rows.map(({ bars }) => bars.map(({ stages }) => stages.map(({ id }) => id).join()))).toEqual([
      ['x,y', 'late'],
      [],
      ['bench'],
      ['coat'],
      ['trip'],
    ]);
  });
  test('work that goes on is one bar; a longer pause makes two, each with where it begins and ends', () => {
    const [first, second] = rows[0]!.bars;
    expect(first).toMatchObject({ from: DAY, to: DAY + 2, begun: true, lane: 0, says: 'stage 1 of 3' });
    expect(second).toMatchObject({ from: DAY + 7, to: DAY + 8, lane: 0 });
  });
  test('the promise stands in the row where its job ends, red where it is broken, as the end does', () => {
    expect(rows[0]!.promises).toMatchObject([{ job: { number: '26-101' }, day: DAY + 3, late: true }]);
    expect(rows[0]!.ends).toMatchObject([{ job: { number: '26-101' }, day: DAY + 8, lane: 0 }]);
    expect(rows[4]!.ends).toMatchObject([{ job: { number: '26-102' }, day: expect.closeTo(DAY + 3.4706, 3) }]);
    // Nothing is promised of it.
    expect(rows[4]!.promises).toEqual([]);
  });
});

describe('by person and by vehicle', () => {
  test('each person with everything they are on, each stage a bar, live work marked', () => {
    const rows = of('person');
    expect(rows.map(({ name, says }) => [name, says])).toEqual([
      ['A', 'trim'],
      ['B', ''],
    ]);
    expect(rows[0]!.bars.map(({ label, liveHv }) => [label, liveHv])).toEqual([
      ['26-101 Stage x', false],
      ['26-101 Stage y', false],
      ['26-101 Stage late', true],
    ]);
    expect(rows.every(({ ends, promises }) => ends.length === 0 && promises.length === 0)).toBe(true);
  });
  test('each vehicle with all its stages, side by side where they run at once', () => {
    const crossed = {
      ...plan,
      stages: plan.stages.map((one) => (one.id === 'y' ? { ...one, from: '2026-11-24 08:00' } : one)),
    };
    const rows = rowsOf({ facts, plan: crossed }, 'vehicle');
    expect(rows.map(({ key, says, lanes }) => [key, says, lanes])).toEqual([
      ['26-101', '', 2],
      ['26-102', 'not promised', 1],
    ]);
    expect(rows[0]!.bars.map(({ label, lane }) => [label, lane])).toEqual([
      ['Stage x', 0],
      ['Stage y', 1],
      ['Stage late', 0],
    ]);
  });
  test('what was taken out of the network since is drawn nowhere', () => {
    for (const view of ['bay', 'person', 'vehicle'] as const)
      expect(
        of(view)
          .flatMap(({ bars }) => bars)
          .some(({ key }) => key === 'gone'),
      ).toBe(false);
  });
});
