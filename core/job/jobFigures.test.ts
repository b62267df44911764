import { describe, expect, test } from 'vitest';
import type { KitRevision } from '../kit/kit.ts';
import { dayNumber } from '../quantity/format.ts';
import { type JobFacts, jobWork } from './jobFigures.ts';

const stage = (state: string, hours: number, finishedAt: string | null = null) => ({ state, hours, finishedAt });
const facts = (change: Partial<JobFacts>): JobFacts => ({
  kit: null,
  stages: [],
  parts: [],
  rates: { rateCents: 7000, hoursPerDay: 15 },
  today: '2026-11-25',
  ...change,
});

describe('what is left to do on a job', () => {
  test('the hours of stages that are not done, from today', () => {
    const stages = [stage('done', 6, '2026-11-20T09:00:00.000Z'), stage('inHand', 4), stage('waiting', 3)];
    expect(jobWork(facts({ stages }))).toMatchObject({ remainingHours: 7, todayDay: dayNumber('2026-11-25') });
  });
  test('nothing: it was ready when the last stage was, and does not grow late while it waits for its client', () => {
    const stages = [stage('done', 6, '2026-11-03T09:00:00.000Z'), stage('done', 4, '2026-11-02T09:00:00.000Z')];
    expect(jobWork(facts({ stages }))).toMatchObject({ remainingHours: 0, todayDay: dayNumber('2026-11-03') });
  });
  test('labour is sold by skill; a skill without a rate of its own at the workshop’s', () => {
    const stages = [{ hours: 2.5, skill: 'electrical' }, { hours: 4, skill: 'trim' }, { hours: 1 }].map((one, i) => ({
      ...one,
      key: `s${i}`,
      after: [],
    }));
    const kit = { revision: { stages } as unknown as KitRevision, options: [], variantId: 'v' };
    const rates = {
      rateCents: 5800,
      hoursPerDay: 15,
      taxShare: 0.23,
      practice: { ratesBySkill: { electrical: 6410 }, marginShare: 0.3 },
    };
    // 160.25 + 4 × 58 + 58
    expect(jobWork(facts({ kit, rates }))).toMatchObject({
      labourHours: 7.5,
      labourCents: 45_025,
      sale: { marginShare: 0.3, contingencyShare: 0.05, roundToCents: 100, taxShare: 0.23 },
    });
  });
  test('without stages and kit nobody knows', () => {
    expect(jobWork(facts({}))).toMatchObject({ remainingHours: null, labourHours: null, latestPartDay: null });
  });
  test('the last part on order counts, those in stores and those without a day do not', () => {
    const part = (state: string, due: string | null) => ({ state, due });
    const parts = [
      part('ordered', '2026-12-01'),
      part('ordered', '2026-12-04'),
      part('inStores', '2027-01-01'),
      part('ordered', null),
    ];
    expect(jobWork(facts({ parts })).latestPartDay).toBe(dayNumber('2026-12-04'));
  });
});
