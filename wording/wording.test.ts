import { describe, expect, test } from 'vitest';
import { judgeLine } from '../core/brief/judgeLine.ts';
import { BRIEF_KIND_IDS, type BriefLine } from '../core/brief/lines.ts';
import { createSheet } from '../core/figures/evaluate.ts';
import { FIGURE_IDS } from '../core/figures/index.ts';
import type { Finding } from '../core/fit/finding.ts';
import { VEHICLE_FUNCTIONS } from '../core/fit/functions.ts';
import { JOB_ACTIONS, JOB_STATES, jobRefusal } from '../core/job/states.ts';
import { dayNumber } from '../core/quantity/format.ts';
import { slots } from '../core/testing/wren.ts';
import { VEHICLE_FIGURE_IDS } from '../core/vehicle/vehicleFigures.ts';
import { BRIEF_NAME, byHowMuch, nowText, wanted } from './brief.ts';
import { toCsv } from './csv.ts';
import { FIGURE_NAME, VEHICLE_FIGURE_NAME } from './figures.ts';
import { countVerdict, FUNCTION_NAME, findingSentence, marginText, sources } from './fit.ts';
import { nextAction } from './fitNext.ts';
import { refusalSentence } from './job.ts';
import { limitText } from './work.ts';

const plain = (text: string) => text.replace(/[\u00a0\u202f]/g, ' ');
const line = (change: Partial<BriefLine> & Pick<BriefLine, 'kind'>): BriefLine => ({
  id: 'l',
  firm: false,
  amount: null,
  school: null,
  tolerance: null,
  text: '',
  done: false,
  ...change,
});
const sheet = createSheet(slots({ work: { ...slots().work, todayDay: dayNumber('2026-11-24') } }));
const say = (change: Parameters<typeof line>[0], set: 'metric' | 'uk' | 'us' = 'metric') => {
  const judged = judgeLine(line(change), sheet);
  return [nowText(judged, set), wanted(judged.line, judged.target, set), byHowMuch(judged, set)].map(plain);
};

describe('names', () => {
  test('nothing in the catalogues is without one', () => {
    for (const id of FIGURE_IDS) expect(FIGURE_NAME[id].length, id).toBeGreaterThan(3);
    for (const id of BRIEF_KIND_IDS) expect(BRIEF_NAME[id].length, id).toBeGreaterThan(3);
    for (const id of VEHICLE_FUNCTIONS) expect(FUNCTION_NAME[id].length, id).toBeGreaterThan(3);
    for (const id of VEHICLE_FIGURE_IDS) expect(VEHICLE_FIGURE_NAME[id].length, id).toBeGreaterThan(3);
    expect(new Set(Object.values(FIGURE_NAME)).size).toBe(FIGURE_IDS.length);
  });
});

test('each refusal of a job is a sentence with the job and what to do', () => {
  let refusals = 0;
  for (const state of JOB_STATES) {
    for (const action of JOB_ACTIONS) {
      const refusal = jobRefusal(state, action);
      if (!refusal) continue;
      refusals++;
      expect(refusalSentence('26-101', refusal, action)).toMatch(/^26-101 is .*: [a-z].*\. (Open|Choose|Clock) .*\.$/);
    }
  }
  expect(refusals).toBeGreaterThan(30);
});

describe('a line of the brief in words', () => {
  test('at least', () => {
    const [now, asked, margin] = say({ kind: 'rangeConstant', amount: 50 });
    expect(now).toMatch(/^\d+ km$/);
    expect(asked).toBe('wanted at least 50 km');
    expect(margin).toMatch(/^\d+ km to spare$/);
    expect(say({ kind: 'rangeConstant', amount: 5000 })[2]).toMatch(/ km short$/);
  });
  test('at most, with hours and minutes', () => {
    expect(say({ kind: 'overnightCharge', amount: 2 })[1]).toBe('at most 2 h 00');
    expect(say({ kind: 'overnightCharge', amount: 2 })[2]).toMatch(/^\d+ h \d\d over$/);
  });
  test('in other unit sets', () => {
    expect(say({ kind: 'rangeConstant', amount: 80.4672 }, 'uk')[1]).toBe('wanted at least 50 miles');
    expect(say({ kind: 'grossMass' }, 'us')[1]).toBe('at most 3 527 lb');
    expect(say({ kind: 'grossMass' }, 'uk')[1]).toBe('at most 1 600 kg');
  });
  test('shares name their school', () => {
    expect(say({ kind: 'axleShare', school: 'equal', tolerance: 0.02 })[1]).toBe('equal shares: 50.0 % ± 2.0 %');
    expect(say({ kind: 'axleShare', school: 'original', tolerance: 0.015 })[1]).toBe(
      'as the maker had it: 60.0 % ± 1.5 %',
    );
  });
  test('days', () => {
    expect(say({ kind: 'readyBy', amount: dayNumber('2026-11-28') })).toEqual([
      '26 Nov',
      'wanted by 28 Nov',
      '2 days in hand',
    ]);
    expect(say({ kind: 'readyBy', amount: dayNumber('2026-11-25') })[2]).toBe('1 day late');
  });
  test('what is missing, free lines, reversible', () => {
    const bare = createSheet(slots({ drive: { ...slots().drive, unit: null } }));
    expect(nowText(judgeLine(line({ kind: 'topSpeed', amount: 90 }), bare), 'metric')).toBe('choose a drive');
    expect(say({ kind: 'free', text: 'keep the hatch' })[0]).toBe('open');
    expect(say({ kind: 'reversible' })).toEqual(['0', 'nothing drilled, nothing cut', '']);
  });
});

describe('a finding in words', () => {
  const finding = (change: Partial<Finding>): Finding => ({
    rule: 'mountingPoints',
    subject: 'lower left',
    verdict: 'doesNotFit',
    left: { value: 303, to: 333, kind: 'length', source: 'sheet' },
    right: { value: 366, kind: 'length', source: 'drawing' },
    margin: { value: -33, kind: 'length' },
    unmeasured: [],
    work: null,
    ...change,
  });
  test('says both figures, how short, from where, and what next', () => {
    const own = finding({});
    expect(plain(findingSentence(own, 'metric'))).toBe(
      "Cradle slot reaches 303 to 333 mm behind the front axle; this variant's point is at 366 mm.",
    );
    expect(plain(marginText(own, 'metric'))).toBe('33 mm short');
    expect(sources(own)).toBe('component sheet, drawing');
    expect(nextAction(own, 'metric')).toContain('another cradle');
  });
  test('a point that is not there', () => {
    expect(
      findingSentence(finding({ right: { value: null, kind: 'length', source: 'library' }, margin: null }), 'metric'),
    ).toContain('no such point');
  });
  test('a cap is named in the person’s unit', () => {
    const own = finding({
      rule: 'drivelineTorque',
      verdict: 'afterWork',
      work: { hours: 0.5, capNm: 100 },
      margin: { value: -450, kind: 'torque' },
    });
    expect(plain(nextAction(own, 'metric'))).toBe('Cap the motor at 100 N·m in software, 0.5 h to set and prove.');
    expect(plain(nextAction(own, 'uk'))).toContain('74 lb·ft');
  });
  test('gaps, holes and measuring', () => {
    const gaps = finding({
      rule: 'functionCover',
      verdict: 'afterWork',
      work: { hours: 0, functions: ['heatCabin'] },
      margin: { value: -1, kind: 'count' },
    });
    expect(nextAction(gaps, 'metric')).toContain('1 gap below');
    expect(marginText(gaps, 'metric')).toBe('1 open');
    expect(marginText(finding({ rule: 'newHoles', margin: { value: -2, kind: 'count' } }), 'metric')).toBe(
      '2 to drill',
    );
    expect(nextAction(finding({ rule: 'grossMass', verdict: 'measureFirst' }), 'metric')).toContain(
      'Weigh the vehicle',
    );
    expect(nextAction(finding({ verdict: 'fits' }), 'metric')).toBe('');
  });
  test('counts agree with their verb', () => {
    expect(countVerdict('fits', 19)).toBe('19 fit');
    expect(countVerdict('doesNotFit', 1)).toBe('1 does not fit');
    expect(countVerdict('doesNotFit', 3)).toBe('3 do not fit');
  });
});

describe('limits in words', () => {
  test('one unit for a span, sides in words', () => {
    expect(plain(limitText({ min: 62, max: 70 }, 'torque', 'metric'))).toBe('62 to 70 N·m');
    expect(plain(limitText({ min: 62, max: 70 }, 'torque', 'uk'))).toBe('46 to 52 lb·ft');
    expect(plain(limitText({ min: 25, max: null }, 'length', 'metric'))).toBe('at least 25 mm');
    expect(plain(limitText({ min: null, max: 0.1 }, 'resistance', 'metric'))).toBe('at most 100 mΩ');
  });
  test('miles per kilowatt-hour turn the sides round', () => {
    expect(plain(limitText({ min: null, max: 200 }, 'consumption', 'uk'))).toBe('at least 3.1 mi/kWh');
  });
});

test('CSV: what a spreadsheet would run is written as words; numbers below nothing stay numbers', () => {
  const csv = toCsv(
    ['name', 'mass'],
    [
      ['=1+1', -3.5],
      ['@sum', 2],
      ['-2+3', null],
      ['- none', 1],
      ['a, "b"', 0.1 + 0.2],
    ],
  );
  const rows = [`"'=1+1",-3.5`, `"'@sum",2`, `"'-2+3",`, `"'- none",1`, '"a, ""b""",0.3'];
  expect(csv.split('\r\n')).toEqual(['name,mass', ...rows, '']);
});
