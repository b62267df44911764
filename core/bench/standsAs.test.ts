import { describe, expect, test } from 'vitest';
import { standsAs } from './standsAs.ts';

const me = { personId: 'p1', initials: 'JO', name: 'Jory Opie' };
const step = (id: string, min: number | null, max: number | null) => ({
  ...{ id, limit: min === null && max === null ? null : { min, max }, reading: null },
});
const stageOf = (id: string, more: object = {}) => ({
  ...{ id, state: 'waiting' as const, liveHv: false, onIt: [], finishedBy: null, finishedAt: null },
  steps: [step(`${id}-a`, 62, 70), step(`${id}-b`, null, null)],
  ...more,
});
const made = '2026-11-26T09:00:00.000Z';
const does = (...acts: Parameters<typeof standsAs>[1][number]['act'][]) => acts.map((act) => ({ made, act }));

describe('how stages stand with what has not been told yet', () => {
  const stages = [stageOf('s1'), stageOf('s2')];
  test('clocking on begins a stage, and leaves the one before', () => {
    const on = (stageId: string) => ({ act: 'clockOn', stageId, kind: 'work' }) as const;
    const once = standsAs(stages, does(on('s1')), me);
    expect(once[0]).toMatchObject({ state: 'inHand', onIt: [{ personId: 'p1', initials: 'JO', since: made }] });
    const twice = standsAs(stages, does(on('s1'), on('s2')), me);
    expect(twice.map(({ onIt }) => onIt.length)).toEqual([0, 1]);
    expect(twice.map(({ state }) => state)).toEqual(['inHand', 'inHand']);
  });
  test('live work does not begin by it, nor does waiting', () => {
    const live = [stageOf('s1', { liveHv: true })];
    expect(standsAs(live, does({ act: 'clockOn', stageId: 's1', kind: 'work' }), me)[0]!.state).toBe('waiting');
    expect(standsAs(stages, does({ act: 'clockOn', stageId: 's1', kind: 'waiting' }), me)[0]!.state).toBe('waiting');
  });
  test('a reading is held against its limits: out of them stops the stage, back in lets it go on', () => {
    const read = (stepId: string, value: number) => ({ act: 'read', stepId, value }) as const;
    const begun = [stageOf('s1', { state: 'inHand' })];
    const over = standsAs(begun, does(read('s1-a', 81)), me)[0]!;
    expect([over.state, over.steps[0]!.reading]).toEqual([
      'stopped',
      expect.objectContaining({ verdict: 'over', value: 81 }),
    ]);
    expect(standsAs(begun, does(read('s1-a', 81), read('s1-b', 1)), me)[0]!.state).toBe('stopped');
    expect(standsAs(begun, does(read('s1-a', 81), read('s1-a', 66)), me)[0]!.state).toBe('inHand');
    expect(standsAs(begun, does(read('s1-b', 0)), me)[0]!.state).toBe('stopped');
  });
  test('finishing ends it for everybody; others stay where they are when one clocks off', () => {
    const other = { personId: 'p2', initials: 'RD', since: made, kind: 'work' as const };
    const two = [stageOf('s1', { state: 'inHand', onIt: [other, { ...other, personId: 'p1', initials: 'JO' }] })];
    expect(standsAs(two, does({ act: 'clockOff' }), me)[0]!.onIt).toEqual([other]);
    expect(standsAs(two, does({ act: 'finish', stageId: 's1' }), me)[0]).toMatchObject({
      ...{ state: 'done', onIt: [], finishedBy: 'Jory Opie', finishedAt: made },
    });
  });
  test('nothing done is the same stages; what is of no stage here changes none', () => {
    expect(standsAs(stages, [], me)).toBe(stages);
    expect(standsAs(stages, does({ act: 'snag' }), me)).toBe(stages);
    expect(standsAs(stages, does({ act: 'read', stepId: 'elsewhere', value: 1 }), me)).toEqual(stages);
  });
});
