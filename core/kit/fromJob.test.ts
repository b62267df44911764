import { expect, test } from 'vitest';
import { linesOfJob, stagesOfJob } from './fromJob.ts';
import type { StageRowFacts } from './stageRowFacts.ts';

const stage = (key: string, hours: number, clocked: number, rework = 0, after: string[] = []): StageRowFacts => ({
  ...{
    key,
    name: key,
    hours,
    after,
    skill: 'electrical',
    traits: [],
    people: 1,
    mostPeople: null,
    liveHv: false,
    needs: '',
    note: '',
  },
  ...{ hoursClocked: clocked, hoursRework: rework },
  steps: [{ text: 'torque', note: '', limit: { kind: 'torque', min: 40, max: 50, source: 'drawing 3' } }],
});

test('stages take the hours that were really worked, without rework, to the half hour', () => {
  const made = stagesOfJob([
    stage('strip', 8, 7.3),
    stage('looms', 8, 11.2, 1),
    stage('panels', 3, 0),
    stage('wipe', 1, 0.1),
  ]);
  expect(made.map(({ hours }) => hours)).toEqual([7.5, 10, 3, 0.5]);
  expect(made[0]!.steps[0]!.limit).toEqual({ kind: 'torque', min: 40, max: 50, source: 'drawing 3' });
  expect(made[0]).not.toHaveProperty('hoursClocked');
});
test('a stage only this job had is left out, and nothing waits for it', () => {
  const made = stagesOfJob(
    [stage('a', 1, 0), stage('odd', 1, 0, 0, ['a']), stage('b', 1, 0, 0, ['odd', 'a'])],
    new Set(['odd']),
  );
  expect(made.map(({ key, after }) => [key, after])).toEqual([
    ['a', []],
    ['b', ['a']],
  ]);
});
test('lines are the parts it got, each component once, without what only this vehicle got', () => {
  const part = (componentId: string, quantity: number, packedIn = '') => ({ componentId, quantity, packedIn });
  expect(linesOfJob([part('m', 4), part('m', 2, 'crate 3'), part('radio', 1)], new Set(['radio']))).toEqual([
    { componentId: 'm', quantity: 6, packedIn: 'crate 1', appliesWhen: null },
  ]);
});
