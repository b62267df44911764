import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { judgeReading } from './limit.ts';
import { currentStage, finishProblem, hvPresenceProblem, openBefore, type StageFacts } from './stageRules.ts';

const stage = (key: string, state: StageFacts['state'], after: string[] = []): StageFacts => ({
  key,
  state,
  after,
  liveHv: false,
});

describe('limits', () => {
  test.each([
    [62, 'within'],
    [70, 'within'],
    [61.9, 'under'],
    [70.1, 'over'],
  ])('%d N·m on 62 to 70 is %s', (value, verdict) => expect(judgeReading(value, { min: 62, max: 70 })).toBe(verdict));
  test('open sides do not limit', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true }), (value) => judgeReading(value, { min: null, max: null }) === 'within'),
    );
    expect(judgeReading(-1e9, { min: null, max: 5 })).toBe('within');
  });
});

describe('order of stages', () => {
  const stages = [
    stage('strip', 'done'),
    stage('clean', 'inHand', ['strip']),
    stage('looms', 'waiting', ['clean']),
    stage('trim', 'waiting', ['strip', 'unknown']),
  ];
  test('what must be done first and is not', () => {
    expect(openBefore(stages[2]!, stages).map((s) => s.key)).toEqual(['clean']);
    expect(openBefore(stages[3]!, stages)).toEqual([]);
  });
  test('the current stage is the one in hand, else the first that may start', () => {
    expect(currentStage(stages)?.key).toBe('clean');
    expect(currentStage(stages.map((s) => ({ ...s, state: s.key === 'clean' ? 'done' : s.state })))?.key).toBe('looms');
    expect(currentStage([stage('only', 'done')])).toBeNull();
    expect(currentStage([])).toBeNull();
    // One that is stopped is looked at before any that could be begun.
    expect(currentStage([stage('free', 'waiting'), stage('held', 'stopped')])?.key).toBe('held');
    expect(currentStage([stage('shut', 'waiting', ['later']), stage('later', 'waiting')])?.key).toBe('later');
    expect(currentStage([stage('shut', 'waiting', ['later']), stage('later', 'done')])?.key).toBe('shut');
  });
});

describe('live high-voltage work', () => {
  const today = '2026-11-24';
  const authorised = { personId: 'a', kind: 'work', hvUntil: '2026-12-31' } as const;
  const expired = { personId: 'b', kind: 'rework', hvUntil: '2026-11-23' } as const;
  const other = { personId: 'c', kind: 'work', hvUntil: null } as const;
  test('two people, one of them authorised today', () => {
    expect(hvPresenceProblem([authorised, other], today)).toBeNull();
    expect(hvPresenceProblem([authorised], today)).toBe('secondPersonMissing');
    expect(hvPresenceProblem([other, { ...other, personId: 'd' }], today)).toBe('nobodyAuthorised');
    expect(hvPresenceProblem([expired, other], today)).toBe('authorisationExpired');
    expect(hvPresenceProblem([], today)).toBe('nobodyAuthorised');
    expect(hvPresenceProblem([{ ...expired, hvUntil: today }, other], today)).toBeNull();
    // One whose authorisation has run out does not undo another's that runs.
    expect(hvPresenceProblem([expired, authorised], today)).toBeNull();
  });
  test('whoever only waits does not count, as the second nor as the authorised one; one person twice is one', () => {
    expect(hvPresenceProblem([authorised, { ...other, kind: 'waiting' }], today)).toBe('secondPersonMissing');
    expect(hvPresenceProblem([{ ...authorised, kind: 'waiting' }, other], today)).toBe('nobodyAuthorised');
    expect(hvPresenceProblem([authorised, { ...authorised, kind: 'learning' }], today)).toBe('secondPersonMissing');
  });
});

describe('finishing', () => {
  const done = { done: true, outOfLimits: false, decided: false };
  test('needs an answer to every step and a decision on whatever is out of limits', () => {
    expect(finishProblem([done, done])).toBeNull();
    expect(finishProblem([done, { ...done, done: false }])).toBe('stepsOpen');
    expect(finishProblem([{ ...done, outOfLimits: true }])).toBe('stopped');
    expect(finishProblem([{ ...done, outOfLimits: true, decided: true }])).toBeNull();
    expect(finishProblem([{ ...done, unsigned: true }])).toBe('unsigned');
    expect(
      finishProblem([
        { ...done, unsigned: true },
        { ...done, done: false },
      ]),
    ).toBe('stepsOpen');
    expect(finishProblem([])).toBeNull();
  });
});
