import highsLoader from 'highs';
import { beforeAll, describe, expect, test } from 'vitest';
import { highsSolver } from '../milp/highs.ts';
import { lpSum, type Solver } from '../milp/solver.ts';
import { seeded } from '../spread/seeded.ts';
import { wrongs } from './checkPlan.fixture.ts';
import { makePlan } from './plan.ts';
import type { PlanProblem } from './problem.ts';
import { job, person, problem, stage } from './workshop.fixture.ts';

let solve: Solver;
beforeAll(async () => {
  solve = highsSolver(await highsLoader());
});

interface Small {
  readonly capacities: readonly number[];
  readonly stages: readonly { minutes: number; uses: readonly number[]; after: readonly number[] }[];
}

/** Up to 12 stages on two groups of people and one kind of tool. */
function smallCase(random: () => number): Small {
  const upTo = (n: number) => Math.floor(random() * n);
  const count = 6 + upTo(7);
  return {
    capacities: [1 + upTo(2), 1 + upTo(2), 1 + upTo(2)],
    stages: Array.from({ length: count }, (_, i) => ({
      minutes: 1 + upTo(6),
      uses: [upTo(2), ...(random() < 0.4 ? [2] : [])],
      after: Array.from({ length: i }, (_unused, before) => before).filter(() => random() < 0.22),
    })),
  };
}

const asProblem = ({ capacities, stages }: Small): PlanProblem =>
  problem({
    moveMinutes: 0,
    jobs: [job('j')],
    people: [0, 1].flatMap((skill) =>
      Array.from({ length: capacities[skill]! }, (_, i) => person(`${skill}-${i}`, { skills: [`s${skill}`] })),
    ),
    tools: Array.from({ length: capacities[2]! }, (_, i) => ({ id: `t${i}`, kind: 'tool', off: [] })),
    stages: stages.map(({ minutes, uses, after }, i) =>
      stage(`${i}`, {
        ...{ minutes, skill: `s${uses[0]}`, tools: uses.includes(2) ? ['tool'] : [] },
        after: after.map(String),
      }),
    ),
  });

/** The shortest makespan within a horizon that some plan keeps, as a mixed-integer programme in steps of time (Pritsker, Watters and Wolfe, 1969). */
function optimum({ capacities, stages }: Small, horizon: number): number {
  const at = (i: number, t: number) => `x${i}_${t}`;
  const times = (i: number) => Array.from({ length: horizon - stages[i]!.minutes + 1 }, (_, t) => t);
  const rows: string[] = [];
  stages.forEach(({ minutes, after }, i) => {
    rows.push(`${lpSum(times(i).map((t) => [1, at(i, t)]))} = 1`);
    rows.push(`m ${lpSum(times(i).map((t) => [-t, at(i, t)]))} >= ${minutes}`);
    for (const before of after)
      rows.push(
        `${lpSum([...times(i).map((t): [number, string] => [t, at(i, t)]), ...times(before).map((t): [number, string] => [-t, at(before, t)])])} >= ${stages[before]!.minutes}`,
      );
  });
  capacities.forEach((capacity, resource) => {
    for (let t = 0; t < horizon; t++) {
      const on = stages.flatMap(({ minutes, uses }, i) =>
        uses.includes(resource)
          ? times(i)
              .filter((s) => s <= t && s + minutes > t)
              .map((s): [number, string] => [1, at(i, s)])
          : [],
      );
      if (on.length > capacity) rows.push(`${lpSum(on)} <= ${capacity}`);
    }
  });
  const names = stages.flatMap((_, i) => times(i).map((t) => at(i, t)));
  const text = `Minimize\nm\nSubject To\n${rows.join('\n')}\nBounds\nm <= ${horizon}\nBinary\n${names.join(' ')}\nEnd\n`;
  const solved = solve(text, 60);
  expect(solved.state).toBe('optimal');
  return Math.round(solved.objective);
}

describe('against the best there is', () => {
  test('48 cases of up to 12 stages on three resources: at most 2 % over the optimal makespan in the mean', () => {
    const over: number[] = [];
    for (let seed = 1; seed <= 48; seed++) {
      const small = smallCase(seeded(seed * 7919));
      const plan = makePlan(asProblem(small), { seed: 1, passes: 400 });
      expect(wrongs(asProblem(small), plan.stages)).toEqual([]);
      const makespan = plan.jobs[0]!.end;
      const best = optimum(small, makespan);
      expect(makespan).toBeGreaterThanOrEqual(best);
      over.push(makespan / best - 1);
    }
    const mean = over.reduce((sum, one) => sum + one, 0) / over.length;
    expect(mean).toBeLessThanOrEqual(0.02);
  });
});
