import { describe, expect, test } from 'vitest';
import { type Movable, moveRefusal, stateMoves } from './stateMoves.ts';
import { JOB_STATES, type JobState } from './states.ts';

const job = (state: JobState, change: Partial<Movable> = {}): Movable => ({
  ...{ state, clockedOn: [], openSnags: 0, openChecks: 0, openStages: 0, missingEvidence: 0 },
  ...change,
});
const to = (state: JobState) => stateMoves(job(state)).map((move) => move.to);

test('a job lacks papers until the last one is there', () => {
  expect(moveRefusal(job('proving', { missingEvidence: 1 }), 'handedOver', '')).toBe('missingEvidence');
  expect(moveRefusal(job('proving', { missingEvidence: 1 }), 'building', 'a rattle')).toBeNull();
  expect(moveRefusal(job('proving'), 'handedOver', '')).toBeNull();
});

describe('where a job may be taken', () => {
  test('every state can be left, none leads to itself, and every one is reached', () => {
    for (const state of JOB_STATES) {
      expect(to(state).length, state).toBeGreaterThan(0);
      expect(to(state)).not.toContain(state);
    }
    const reached = new Set(JOB_STATES.flatMap(to));
    expect(JOB_STATES.filter((state) => !reached.has(state))).toEqual(['enquiry']);
  });
  test('what is closed is only reopened, with a reason; whatever is open can be cancelled, with one', () => {
    expect([to('handedOver'), to('cancelled')]).toEqual([['proving'], ['sizing']]);
    for (const state of JOB_STATES) {
      const closed = state === 'handedOver' || state === 'cancelled';
      expect(to(state).includes('cancelled')).toBe(!closed);
      const next = closed ? to(state)[0]! : 'cancelled';
      expect(moveRefusal(job(state), next, ' ')).toBe('reasonNeeded');
      expect(moveRefusal(job(state), next, 'client sold it')).toBeNull();
    }
  });
  test('the way forward needs no reason', () => {
    const way: JobState[] = ['enquiry', 'sizing', 'offered', 'agreed', 'building', 'proving', 'handedOver'];
    for (const [i, state] of way.slice(0, -1).entries()) expect(moveRefusal(job(state), way[i + 1]!, '')).toBeNull();
    expect(moveRefusal(job('enquiry'), 'handedOver', 'x')).toBe('noSuchMove');
    // Stages left open are told why.
    expect(moveRefusal(job('building', { openStages: 1 }), 'proving', '')).toBe('reasonNeeded');
    expect(moveRefusal(job('building', { openStages: 1 }), 'proving', 'lids follow')).toBeNull();
    for (const wait of ['waitingForClient', 'waitingForPart', 'waitingOutside'] as const)
      expect(to(wait)).toContain('proving');
  });
  test('handed over with nobody on the clock, no snag open, every check passed', () => {
    const over = (change: Partial<Movable>) => moveRefusal(job('proving', change), 'handedOver', '');
    expect(over({ clockedOn: ['Jory'] })).toBe('clockedOn');
    expect(over({ openSnags: 1 })).toBe('openSnags');
    expect(over({ openChecks: 1 })).toBe('openChecks');
    expect(over({})).toBeNull();
    expect(moveRefusal(job('building', { clockedOn: ['Jory'] }), 'cancelled', 'x')).toBe('clockedOn');
    expect(moveRefusal(job('building', { clockedOn: ['Jory'] }), 'waitingForPart', 'x')).toBeNull();
  });
});
