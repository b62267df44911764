import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import type { Finding, RuleId } from './finding.ts';
import { type Reached, widestChange } from './widen.ts';

const misfit = (rule: RuleId): Finding => ({
  ...{ rule, subject: rule, verdict: 'doesNotFit', margin: null, unmeasured: [], work: null },
  left: { value: 1, kind: 'length', source: 'design' },
  right: { value: 2, kind: 'length', source: 'library' },
});
const at = (of: string, rules: readonly RuleId[], vehicles = 0, waiting = 0): Reached<string> => ({
  ...{ of, vehicles, waiting, findings: rules.map(misfit) },
  verdict: rules.length > 0 ? 'doesNotFit' : 'fits',
});

describe('the change that would widen a kit most', () => {
  test('is of one part: what the cradle causes is cured by another cradle', () => {
    const found = widestChange([
      at('1.1', []),
      at('1.3', ['mountingPoints', 'commonSlide', 'newHoles'], 2),
      at('coupe', ['mountingPoints', 'boxInBay'], 5),
      at('bus', ['voltageWindow'], 1),
    ]);
    expect(found).toEqual({ change: 'cradle', opens: ['1.3'], vehicles: 2, waiting: 0 });
  });
  test('goes by who waits, then by vehicles, then by variants', () => {
    expect(widestChange([at('a', ['boxInBay'], 9), at('b', ['coupling'], 1, 1)])?.change).toBe('coupling');
    expect(widestChange([at('a', ['boxInBay']), at('b', ['boxInBay']), at('c', ['coupling'])])?.opens).toEqual([
      'a',
      'b',
    ]);
  });
  test('is none where everything fits, or nothing is cured by one change', () => {
    expect(widestChange([at('a', [])])).toBeNull();
    expect(widestChange([at('a', ['coupling', 'boxInBay'])])).toBeNull();
  });
  test('opens only what does not fit now, and nothing opens more', () => {
    const rules = ['mountingPoints', 'newHoles', 'boxInBay', 'coupling', 'bayMass', 'buses'] as const;
    const anyReached = fc.array(
      fc.tuple(fc.subarray([...rules]), fc.nat(3)).map(([own, n]) => at('v', own, n)),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(anyReached, (reached) => {
        const best = widestChange(reached);
        const alone = reached.filter(({ findings }) => findings.length === 1);
        return (
          (best === null || best.vehicles >= Math.max(0, ...alone.map(({ vehicles }) => vehicles))) &&
          (alone.length === 0 || best !== null)
        );
      }),
    );
  });
});
