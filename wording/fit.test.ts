import { describe, expect, test } from 'vitest';
import type { Finding, RuleId, Side, Verdict } from '../core/fit/finding.ts';
import { findingSentence, marginText, overrideText, RULE_NAME, standingOverrides } from './fit.ts';
import { nextAction } from './fitNext.ts';

const side = (value: Side['value'], kind: Side['kind'] = 'length', to?: number): Side => ({
  ...{ value, kind, source: 'library' },
  ...(to !== undefined && { to }),
});
const finding = (rule: RuleId, verdict: Verdict, left: Side, right: Side, more: Partial<Finding> = {}): Finding => ({
  ...{ rule, subject: 'it', verdict, left, right, margin: null, unmeasured: [], work: null },
  ...more,
});
const say = (one: Finding) => findingSentence(one, 'metric').replace(/\s/g, ' ');

describe('what a finding says', () => {
  test.each<[string, Finding, string]>([
    [
      'a cradle that is slid',
      finding('commonSlide', 'afterWork', side(13), side(8, 'length', 32)),
      'All its demands are met 13 mm further aft; from +8 mm to +32 mm would do.',
    ],
    [
      'forward, with no end on one side',
      finding('commonSlide', 'afterWork', side(-13), side(Number.NEGATIVE_INFINITY, 'length', -8)),
      'All its demands are met 13 mm further forward; from any to −8 mm would do.',
    ],
    [
      'a cradle that cannot be slid',
      finding('commonSlide', 'doesNotFit', side('upper left', null), side('lower left', null)),
      'upper left and lower left exclude each other: the cradle is one piece.',
    ],
    ['what moves', finding('movingParts', 'doesNotFit', side(9), side(25)), '9 mm apart; 25 mm wanted to what moves.'],
    [
      'precharge',
      finding('ownPrecharge', 'afterWork', side(353, 'voltage'), side(300, 'voltage')),
      'Full pack 353 V; its own precharge stands 300 V.',
    ],
    [
      'satellites',
      finding('satellites', 'afterWork', { ...side(3, 'count'), source: 'sheet' }, side(4, 'count')),
      '3 in the kit; the boxes need 4, counted box by box.',
    ],
    [
      'a pass nobody measured',
      finding('passThroughs', 'measureFirst', side(30), side(null)),
      'What is pulled needs 30 mm; no pass that leads there is known.',
    ],
    [
      'an inlet by its region',
      finding('inletPlace', 'doesNotFit', side('type 1', null), side('type 2', null)),
      'It is type 1; where it will charge, type 2 is usual.',
    ],
    [
      'an inlet by its opening',
      finding('inletPlace', 'afterWork', side(72), side(58)),
      'It wants an opening of 72 mm; the widest of the body is 58 mm.',
    ],
    [
      'half shafts in a state',
      finding('shaftAngles', 'fits', side(11.31, 'angle'), side(22, 'angle')),
      'They stand at 11.3 °; the joint bears 22.0 °.',
    ],
    [
      'wheels whose travel nobody measured',
      finding('shaftAngles', 'measureFirst', side(null, 'angle'), side(22, 'angle')),
      'The joint turns 22.0 ° at most; how far the wheels travel is not known.',
    ],
    [
      'plunge',
      finding('shaftAngles', 'doesNotFit', side(7.9), side(6)),
      'They change by 8 mm over the travel; the joint slides 6 mm.',
    ],
    [
      'plunge of a joint nobody knows',
      finding('shaftAngles', 'measureFirst', side(7.9), side(null)),
      'They change by 8 mm over the travel; what the joint slides is not known.',
    ],
    [
      'the low-voltage budget',
      finding('lvBudget', 'doesNotFit', side(60, 'current'), side(84, 'current'), { subject: 'everything on' }),
      'The converters give 60 A; everything on wants 84 A.',
    ],
    [
      'phases',
      finding('chargePhases', 'afterWork', side(3, 'count'), side(1, 'count')),
      'It takes 3 phases; inlet and supply give 1.',
    ],
    [
      'current at an inlet',
      finding('chargePhases', 'afterWork', side(32, 'current'), side(16, 'current')),
      'It draws up to 32 A of each phase; the inlet stands 16 A.',
    ],
    [
      'a bus with an open end',
      finding('buses', 'afterWork', side(120, 'ohms'), side(60, 'ohms')),
      '120 Ω across it; two ends of 120 Ω make 60 Ω.',
    ],
    [
      'a bus whose ends nobody knows',
      finding('buses', 'measureFirst', side(null, 'ohms'), side(60, 'ohms')),
      'Which parts end it is not known; two ends of 120 Ω make 60 Ω across.',
    ],
    [
      'a sheet that is silent',
      finding('boxSafety', 'measureFirst', side('its sheet does not say', null), side('inside the cabin', null)),
      'Its sheet does not say.',
    ],
    [
      'a bus',
      finding('buses', 'doesNotFit', side('a and b', null), side('one that commands', null)),
      'a and b; one that commands is wanted.',
    ],
  ])('%s', (_, one, sentence) => expect(say(one)).toBe(sentence));

  test('every rule has a name, a sentence whatever is known, and a next thing to do unless it fits', () => {
    for (const rule of Object.keys(RULE_NAME) as RuleId[])
      for (const value of [1, null] as const)
        for (const verdict of ['doesNotFit', 'measureFirst'] as const) {
          const one = finding(
            rule,
            verdict,
            side(value ?? 'what it brings', value ? 'length' : null),
            side(value, 'length', 2),
          );
          expect(findingSentence(one, 'us').length, rule).toBeGreaterThan(5);
          expect(findingSentence(one, 'metric'), rule).not.toMatch(/undefined|NaN|\[object/);
          expect(nextAction(one, 'metric').length, `${rule} ${verdict}`).toBeGreaterThan(5);
        }
  });
  test('work says its step and hours; the margin the hours', () => {
    const one = finding('liftTipping', 'afterWork', side(1), side(2), { work: { hours: 0.5, step: 'Prop the tail' } });
    expect(nextAction(one, 'metric')).toBe('Prop the tail: adds 0.5 h.');
    expect(marginText(one, 'metric')).toBe('0.5 h');
  });
});

test('what was taken all the same stands until somebody says otherwise', () => {
  const word = (decision: string, subject = 'rear') => ({ rule: 'bayMass', subject, decision });
  expect(standingOverrides([word('overridden'), word('accepted', 'front')])).toHaveLength(1);
  expect(standingOverrides([word('overridden'), word('takenBack')])).toEqual([]);
  expect(standingOverrides([word('overridden'), word('takenBack'), word('overridden')])).toHaveLength(1);
});

test('what was gone against is named as a person knows it', () => {
  expect(overrideText('bayMass', 'rear')).toEqual({ name: RULE_NAME.bayMass, about: 'rear' });
  expect(overrideText('order-lidsAfterProving', 'prove panels')).toEqual({
    ...{ name: 'Order of the stages', about: 'lids go on after things are known to work' },
  });
  expect(overrideText('order-nothing', 'x').name).toBe('order-nothing');
});
