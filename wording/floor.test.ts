import { describe, expect, test } from 'vitest';
import { forHowLong } from './dates.ts';
import { conflictText, outText, overdue } from './floor.ts';

const ZONE = 'Europe/Amsterdam';
const NOON = Date.parse('2026-11-27T11:00:00Z');

describe('who has a vehicle', () => {
  const out = { holder: 'Dunlin Trim', dueBack: '2026-11-28T15:00:00Z' };
  test('until when, that it should be back, or that nobody has said', () => {
    expect(outText(out, NOON, ZONE)).toBe('with Dunlin Trim, due back 28 Nov, 16:00');
    expect(outText({ ...out, dueBack: '2026-11-27T10:59:59Z' }, NOON, ZONE)).toMatch(/was due back 27 Nov, 11:59/);
    expect(outText({ ...out, dueBack: null }, NOON, ZONE)).toBe('with Dunlin Trim, nobody has said until when');
  });
  test('is overdue from the moment it was due, and never where nobody said', () => {
    expect(overdue({ dueBack: new Date(NOON).toISOString() }, NOON)).toBe(false);
    expect(overdue({ dueBack: new Date(NOON - 1).toISOString() }, NOON)).toBe(true);
    expect(overdue({ dueBack: null }, NOON)).toBe(false);
  });
});

test('how long somebody has been on something; a clock that is behind says none', () => {
  const ago = (minutes: number) => forHowLong(new Date(NOON - minutes * 60_000).toISOString(), NOON);
  expect([ago(0), ago(35), ago(59.9), ago(60), ago(125), ago(-5)]).toEqual([
    ...['0 min', '35 min', '59 min', '1 h 00', '2 h 05', '0 min'],
  ]);
});

test.each([
  [{ kind: 'lacks', stage: 'Strip out', what: 'lift' }, 'Strip out needs a lift, and this bay has none.'],
  [{ kind: 'lacks', stage: 'Align', what: 'alignment' }, 'Align needs the alignment, and this bay has none.'],
  [{ kind: 'onIt', people: ['JO'], stage: 'Cooling' }, 'JO is on Cooling there now.'],
  [{ kind: 'onIt', people: ['JO', 'MB'], stage: 'Cooling' }, 'JO, MB are on Cooling there now.'],
  [
    { kind: 'planned', job: '26-104', title: 'Bakery van', from: '2026-11-30 08:00' },
    'The plan has 26-104 Bakery van in it from Mon 30 Nov 08:00.',
  ],
  [
    { kind: 'elsewhere', placeId: 'bay-2', from: '2026-11-30 08:00' },
    'The plan has it in BAY-2, from Mon 30 Nov 08:00.',
  ],
] as const)('what speaks against a move: %j', (conflict, text) => {
  expect(conflictText(conflict, (id) => id.toUpperCase())).toBe(text);
});
