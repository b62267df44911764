import { describe, expect, test } from 'vitest';
import type { PlanFacts } from '../core/plan/facts.ts';
import type { PlanChange } from '../core/plan/planChange.ts';
import type { Cause, Impossible } from '../core/plan/problem.ts';
import type { StoredStage } from '../core/plan/storedPlan.ts';
import { dayNumber } from '../core/quantity/format.ts';
import {
  causeText,
  changeText,
  firmText,
  impossibleText,
  lateShort,
  lateText,
  localText,
  planNames,
} from './workPlan.ts';

const stage = (id: string, name: string) => ({
  ...{ id, key: id, name, traits: [], after: [], hours: 4, hoursClocked: 0, people: 1, mostPeople: null, skill: '' },
  ...{ liveHv: false, state: 'waiting' as const, notBefore: null, onIt: [] },
  ...{ tools: [], took: null, firm: null },
});
const facts: PlanFacts = {
  ...{
    now: { day: '2026-11-24', minute: 480 },
    workingDays: [1, 2, 3, 4, 5],
    closedDays: [],
    moveMinutes: 30,
    toldHours: 2,
  },
  open: { startMin: 480, breakMin: 60, endMin: 990 },
  people: [{ id: 'p', name: 'Petra Lowen', initials: 'PL', skills: [], dayHours: null, hvUntil: null, away: [] }],
  tools: [],
  firms: [{ id: 'trim', name: 'Dunlin Trim', slots: 1, slotDays: [4, 2] }],
  places: [{ id: 'bay-1', name: 'Bay 1', lift: true, alignment: false }],
  jobs: [
    {
      ...{ number: '26-103', title: 'Mobile library', promised: null, priority: 'usual', standsIn: null },
      ...{ follows: null, out: null, overruled: [] },
      stages: [stage('a', 'Run LV and HV looms'), stage('b', 'HV labels')],
      parts: [
        {
          componentId: 'box',
          name: 'Contactor box',
          kind: 'contactorBox',
          due: '2026-11-27',
          leadDays: 20,
          late: null,
        },
      ],
    },
    {
      ...{ number: '26-104', title: 'Bakery van', promised: null, priority: 'usual', standsIn: null },
      ...{ follows: null, out: null, overruled: [] },
      ...{ stages: [stage('c', 'Front box in')], parts: [] },
    },
  ],
};
const names = planNames(facts);
const planned: StoredStage = {
  ...{ id: 'b', job: '26-103', from: '2026-12-01 10:30', to: '2026-12-02 12:00', people: ['p'], placeId: 'bay-1' },
  ...{ causes: [], waits: null },
};

test('a moment is told as people say it', () => expect(localText('2026-12-01 10:30')).toBe('Tue 1 Dec 10:30'));

describe('why a stage is not sooner', () => {
  test.each([
    [{ kind: 'after', stageId: 'a' }, 'after run LV and HV looms'],
    [{ kind: 'after', stageId: 'c' }, 'after front box in of 26-104'],
    [{ kind: 'people', personId: 'p', stageId: 'c' }, 'waits for Petra Lowen, who is on front box in of 26-104'],
    [{ kind: 'people', personId: 'p', stageId: null }, 'waits for Petra Lowen to be there'],
    [{ kind: 'people', personId: null, stageId: null }, 'waits for the people it takes'],
    [{ kind: 'place', placeId: 'bay-1', jobId: '26-104' }, 'waits for Bay 1: 26-104 is in it'],
    [{ kind: 'place', placeId: 'bay-1', jobId: null }, 'Bay 1 is closed'],
    [{ kind: 'elsewhere', placeId: 'bay-1' }, 'its vehicle is in Bay 1 until then'],
    [{ kind: 'moving', from: 'bay-1' }, 'its vehicle is moved here'],
    [{ kind: 'tool', tool: 'crimp tool', stageId: 'c' }, 'waits for the crimp tool, used for front box in of 26-104'],
    [{ kind: 'firm', firmId: 'x', stageId: null }, 'waits for the firm outside to have a slot'],
    [{ kind: 'firm', firmId: 'trim', stageId: 'c' }, 'waits for Dunlin Trim, which has 26-104 then'],
    [{ kind: 'firm', firmId: 'trim', stageId: null }, 'waits for Dunlin Trim to have a slot'],
    [{ kind: 'begun' }, 'has begun'],
  ] as readonly [Cause, string][])('%j', (cause, text) => expect(causeText(cause, planned, names).text).toBe(text));
  const waits = (why: StoredStage['waits']) => causeText({ kind: 'earliest' }, { ...planned, waits: why }, names);
  const part = {
    kind: 'part' as const,
    name: 'Contactor box',
    day: dayNumber('2026-11-27'),
    late: false,
    ordered: true,
  };
  test('for a part: on its way, late, not ordered; held by somebody', () => {
    expect(waits(part).text).toBe('Contactor box comes 27 Nov');
    expect(waits({ ...part, late: true }).text).toBe('Contactor box is late: 27 Nov at the soonest');
    expect(waits({ ...part, ordered: false })).toEqual({
      ...{ text: 'Contactor box is not ordered: 27 Nov if it is today', sooner: 'order it' },
    });
    expect(waits({ kind: 'held', day: dayNumber('2026-12-01') }).text).toBe('held until 1 Dec');
  });
});

test.each([
  [{ kind: 'circle' }, /waits for itself/],
  [
    { kind: 'noSkill', skill: 'paint', people: 2 },
    'nobody there is can do paint work, 2 people at once: see skills in People',
  ],
  [{ kind: 'noSkill', skill: null, people: 3 }, 'takes 3 people at once; there are fewer'],
  [{ kind: 'noSkill', skill: null, people: 1 }, /nobody is there/],
  [{ kind: 'noPair' }, /no authorised person/],
  [{ kind: 'noPlace', traits: ['lift', 'alignment'] }, 'no bay has what it needs: lift, alignment'],
  [{ kind: 'noPlace', traits: [] }, /draw one on the Floor/],
  [{ kind: 'before', stageId: 'b' }, 'waits for HV labels, which cannot be planned'],
  [{ kind: 'noFirm', firmId: 'x' }, /given up on the Floor/],
  [{ kind: 'out' }, /nobody has said until when/],
  [{ kind: 'first', jobId: '26-101' }, /waits for 26-101, the first of its kind/],
  [{ kind: 'lessons', jobId: '26-101', lessons: 1 }, /waits for 1 lesson of 26-101/],
  [{ kind: 'noTool', tool: 'crimp tool' }, 'there is no crimp tool'],
  [{ kind: 'tooFar' }, /two years/],
] as readonly [Impossible, string | RegExp][])('what cannot be planned: %j', (why, text) => {
  expect(impossibleText(why, names)).toMatch(text);
});

test.each([
  [{ kind: 'partLate', job: '26-103', componentId: 'box', days: 7 }, 'Contactor box for 26-103 7 days later'],
  [{ kind: 'away', personId: 'p', from: '2026-12-07', to: '2026-12-11' }, 'Petra Lowen away 7 Dec to 11 Dec'],
  [{ kind: 'priority', job: '26-104', priority: 'rush' }, '26-104 a rush job'],
  [{ kind: 'hold', stageId: 'c', day: '2026-12-01' }, 'Front box in of 26-104 not before 1 Dec'],
  [{ kind: 'hold', stageId: 'gone', day: null }, 'a stage begins when it can'],
  [{ kind: 'lift', placeId: 'bay-1' }, 'a lift in Bay 1'],
  [{ kind: 'partLate', job: '26-103', componentId: 'box', days: -1 }, 'Contactor box for 26-103 1 day sooner'],
  [{ kind: 'firm', stageId: 'c', firmId: 'trim', days: 1 }, 'Front box in of 26-104 at Dunlin Trim, 1 day there'],
  [{ kind: 'firm', stageId: 'c', firmId: 'trim', days: 2.5 }, 'Front box in of 26-104 at Dunlin Trim, 2.5 days there'],
  [{ kind: 'firm', stageId: 'c', firmId: null, days: null }, 'Front box in of 26-104 by our own people'],
  [{ kind: 'person', like: 'p' }, 'one more person like Petra Lowen'],
  [{ kind: 'tool', tool: 'crimp tool' }, 'one more crimp tool'],
  [{ kind: 'overtime', hours: 2 }, '2 h more a day for everybody'],
  [{ kind: 'overtime', hours: 1.5 }, '1.5 h more a day for everybody'],
] as readonly [PlanChange, string][])('what if: %j', (change, text) => expect(changeText(change, facts)).toBe(text));

test('who is late, in a line', () => {
  const ready = (lateDays: number) => ({ number: '1', from: '', to: '', lateMinutes: 0, lateDays });
  expect(lateText([ready(0), ready(0)])).toBe('all 2 in time');
  expect(lateText([ready(0), ready(1)])).toBe('1 late of 2, 1 day in all');
  expect(lateText([ready(2), ready(1)])).toBe('2 late of 2, 3 days in all');
});

test('how many are late, for a small place', () => {
  expect(lateShort({ lateJobs: 0, lateDays: 0 })).toBe('none late');
  expect(lateShort({ lateJobs: 2, lateDays: 1 })).toBe('2 late, 1 day in all');
});

test('what slots a firm has', () => {
  const firm = { id: 'x', name: 'X' };
  expect(firmText({ ...firm, slots: 1, slotDays: [4, 2] })).toBe('one at a time, Tue Thu');
  expect(firmText({ ...firm, slots: 3, slotDays: [] })).toBe('3 at a time');
  expect(firmText({ ...firm, slots: null, slotDays: [] })).toBe('outside');
});
