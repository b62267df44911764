import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { StageTemplate } from '../kit/kit.ts';
import { stage } from '../kit/stageMakers.ts';
import { fittingProblems, type StageBy, usualFittedBy, wantsSerials } from './order.ts';

const stages: StageTemplate[] = [
  stage({ key: 'strip', name: 'Strip out', hours: 8, steps: [] }),
  stage({ key: 'looms', name: 'Looms', hours: 6, after: ['strip'], steps: [] }),
  stage({ key: 'power', name: 'First power', hours: 3, after: ['looms'], liveHv: true, people: 2, steps: [] }),
  stage({ key: 'prove', name: 'Prove', hours: 5, after: ['power'], steps: [] }),
  stage({ key: 'trim', name: 'Trim', hours: 4, after: ['looms'], steps: [] }),
  stage({ key: 'road', name: 'Road test', hours: 3, after: ['prove', 'trim'], steps: [] }),
];

describe('who does which stage of a kit that is sent', () => {
  test('live work and all that waits for it is done here, the rest by the fitter', () => {
    expect(usualFittedBy(stages)).toEqual({
      ...{ strip: 'fitter', looms: 'fitter', trim: 'fitter' },
      ...{ power: 'here', prove: 'here', road: 'here' },
    });
  });

  test('a client does no live work; an approved shop does', () => {
    const all = { kind: 'sent', fittedBy: {} } as const;
    expect(fittingProblems(stages, { ...all, fitter: 'client' })).toEqual([
      { problem: 'liveByClient', stage: 'First power' },
    ]);
    expect(fittingProblems(stages, { ...all, fitter: 'partner' })).toEqual([]);
  });

  test('what is done here needs the vehicle here', () => {
    const fittedBy = usualFittedBy(stages);
    expect(fittingProblems(stages, { kind: 'sentThenHere', fitter: 'client', fittedBy })).toEqual([]);
    expect(fittingProblems(stages, { kind: 'sent', fitter: 'partner', fittedBy }).map(({ stage: at }) => at)).toEqual([
      'First power',
      'Prove',
      'Road test',
    ]);
  });

  test('whatever the network, the usual division gives no client live work and nothing before it to us', () => {
    const network = fc
      .array(fc.record({ live: fc.boolean(), after: fc.array(fc.nat(30), { maxLength: 4 }) }), { maxLength: 25 })
      .map((rows) =>
        rows.map(({ live, after }, i) =>
          stage({
            ...{ key: `s${i}`, name: `Stage ${i}`, hours: 1, steps: [], liveHv: live },
            after: [...new Set(after.filter((n) => n < i).map((n) => `s${n}`))],
          }),
        ),
      );
    fc.assert(
      fc.property(network, (list) => {
        const fittedBy = usualFittedBy(list);
        if (fittingProblems(list, { kind: 'sentThenHere', fitter: 'client', fittedBy }).length > 0) return false;
        // A fitter never waits for us in the middle of their work.
        return list.every(
          ({ key, after }) =>
            fittedBy[key] === 'here' || after.every((before) => (fittedBy[before] as StageBy) === 'fitter'),
        );
      }),
    );
  });

  test('modules, drives and chargers carry numbers; bolts and cables do not', () => {
    expect((['module', 'drive', 'charger', 'contactorBox'] as const).every(wantsSerials)).toBe(true);
    expect((['cable', 'fuse', 'other', 'box'] as const).some(wantsSerials)).toBe(false);
  });
});
