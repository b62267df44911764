import { expect, test } from 'vitest';
import { locksOutLastManager, type MayRun } from './managers.ts';

const person = (id: string, change: Partial<MayRun> = {}): MayRun => ({
  id,
  role: 'manager',
  active: true,
  joined: true,
  ...change,
});

test.each<[string, MayRun[], MayRun, boolean]>([
  ['the only one steps down', [person('a')], person('a', { role: 'viewer' }), true],
  ['the only one is switched off', [person('a')], person('a', { active: false }), true],
  ['another can sign in', [person('a'), person('b')], person('a', { active: false }), false],
  [
    'the other is invited, no more',
    [person('a'), person('b', { joined: false })],
    person('a', { active: false }),
    true,
  ],
  ['the other is switched off', [person('a'), person('b', { active: false })], person('a', { role: 'viewer' }), true],
  [
    'the other is a technician',
    [person('a'), person('b', { role: 'technician' })],
    person('a', { active: false }),
    true,
  ],
  ['one who could never sign in', [person('a', { joined: false })], person('a', { active: false }), false],
  ['a change of something else', [person('a')], person('a'), false],
])('%s', (_, people, changed, locked) => expect(locksOutLastManager(people, changed)).toBe(locked));
