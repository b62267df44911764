import Joi from 'joi';
import { describe, expect, test } from 'vitest';
import { briefKind } from '../core/brief/lines.ts';
import { EMPTY_DESIGN } from '../core/design/inputs.ts';
import { USUAL_USE } from '../core/job/usualUse.ts';
import { briefLineSchema, datePastProblem } from './brief.ts';
import { designInputsSchema } from './design.ts';
import { check, isoDate, slug, text, uuid } from './fields.ts';
import { partChangeSchema } from './parts.ts';
import { signInSchema } from './session.ts';
import { clockOnSchema, readingSchema } from './stages.ts';
import { useSchema } from './use.ts';
import { vehicleAddress, vehicleFigureSchema } from './vehicle.ts';

const problems = (schema: Joi.Schema, value: unknown) => check(schema, value).problems;

test('an empty number is missing, one that cannot be read is wrong', () => {
  const { problems: found } = check(vehicleAddress.weigh.body!, {
    frontLeftKg: null,
    frontRightKg: 'heavy',
    rearLeftKg: 200,
    rearRightKg: 200,
    state: 'asReceived',
    note: '',
  });
  expect(found).toEqual({
    frontLeftKg: expect.stringMatching(/ is needed\.$/),
    frontRightKg: expect.stringMatching(/must be a number/),
  });
});

describe('fields', () => {
  test.each(['2026-11-24', '2028-02-29'])('%s is a day', (day) => expect(problems(isoDate('Day'), day)).toEqual({}));
  test.each(['2026-02-30', '24.11.2026', '2026-11-24T00:00', 'soon', '', '1066-10-14'])('%j is none', (day) => {
    expect(Object.values(problems(isoDate('Day'), day))).toHaveLength(1);
  });
  test('ids keep to their form', () => {
    expect(problems(slug('Part'), 'module-n6')).toEqual({});
    expect(problems(slug('Part'), '../etc')).not.toEqual({});
    expect(problems(uuid('Design'), '6f1c1b9e-0000-4000-8000-000000000000')).toEqual({});
    expect(problems(uuid('Design'), 'x')).toEqual({ '': 'Design is not an id.' });
  });
  test('text loses outer spaces and refuses what cannot be stored', () => {
    expect(check(text('Name', 5), ' abc ').value).toBe('abc');
    expect(problems(text('Name', 5), 'abcdef')).toEqual({ '': 'Name is too long: at most 5 characters.' });
    expect(problems(text('Name'), 'a\u0000b')).toEqual({ '': 'Name has a character that cannot be stored.' });
    expect(problems(text('Name'), 'Zoë 🚌 line')).toEqual({});
    expect(problems(text('Name'), 'half \ud83d')).not.toEqual({});
  });
  test('fields that are not known are named', () => {
    expect(problems(readingSchema, { value: 1, extra: 2 })).toEqual({ extra: 'extra is not known here.' });
  });
});

describe('bodies', () => {
  test('an empty design and the usual use are valid as they stand', () => {
    expect(problems(designInputsSchema, EMPTY_DESIGN)).toEqual({});
    expect(problems(useSchema, USUAL_USE)).toEqual({});
  });
  test('use: impossible values are named at their own fields', () => {
    expect(problems(useSchema, { ...USUAL_USE, ambientC: 90, supply: { volts: 12, amps: 16, phases: 2 } })).toEqual({
      ambientC: 'Air temperature must be at most 55.',
      'supply.volts': 'Supply voltage must be at least 90.',
      'supply.phases': 'Phases is not one of the choices.',
    });
  });
  test('brief lines: which kinds carry an amount', () => {
    expect(briefKind('free').amount).toBe('none');
    expect(briefKind('grossMass').amount).toBe('optional');
    expect(briefKind('hillStart').amount).toBe('needed');
    const blank = { firm: true, amount: null, school: null, tolerance: null, text: '', done: false };
    expect(problems(briefLineSchema, { ...blank, kind: 'grossMass' })).toEqual({});
    expect(problems(briefLineSchema, { ...blank, kind: 'hillStart' })).toEqual({
      amount: 'Amount is needed for this line.',
    });
    expect(problems(briefLineSchema, { ...blank, kind: 'hillStart', amount: 16 }).amount).toContain(
      'check the number and its unit',
    );
    expect(problems(briefLineSchema, { ...blank, kind: 'hillStart', amount: 0.16 })).toEqual({});
  });
  test('dates in the past are only refused for “ready by”', () => {
    expect(datePastProblem({ kind: 'readyBy', amount: 20_000 }, 20_001)).toMatch(/in the past/);
    expect(datePastProblem({ kind: 'readyBy', amount: 20_001 }, 20_001)).toBeNull();
    expect(datePastProblem({ kind: 'readyBy', amount: null }, 20_001)).toBeNull();
    expect(datePastProblem({ kind: 'topSpeed', amount: 50 }, 20_001)).toBeNull();
  });
  test('clock: work needs no cause and loses one it was given', () => {
    expect(check(clockOnSchema, { kind: 'work', cause: 'part' }).value).toEqual({
      kind: 'work',
      cause: null,
      leave: false,
    });
    expect(problems(clockOnSchema, { kind: 'waiting', cause: 'part' })).toEqual({});
    expect(problems(clockOnSchema, { kind: 'idle', cause: null })).toEqual({
      kind: 'Kind of time is not one of the choices.',
    });
  });
  test('parts: an ordered one needs its day', () => {
    const part = { state: 'ordered', due: null, version: 1 };
    expect(problems(partChangeSchema, part)).toEqual({ due: 'Due day is needed for a part on order.' });
    expect(problems(partChangeSchema, { ...part, state: 'missing' })).toEqual({});
  });
  test('vehicle figures keep to what a vehicle can be', () => {
    expect(
      problems(vehicleFigureSchema, { figure: 'wheelbase', value: 2160, source: 'measured', since: null }),
    ).toEqual({});
    expect(problems(vehicleFigureSchema, { figure: 'wheelbase', value: -1, source: 'measured', since: null })).toEqual({
      value: 'Value cannot be: it must lie between 1 and 20000.',
    });
  });
  test('sign-in names are taken in any case', () => {
    expect(check(signInSchema, { signIn: ' ILSE ', password: 'x' }).value).toEqual({ signIn: 'ilse', password: 'x' });
  });
  test('a schema that is not ours behaves the same', () => {
    expect(check(Joi.number(), '12').value).toBe(12);
  });
});
