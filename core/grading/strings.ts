import { lpSum, type Solver } from '../milp/solver.ts';
import { seeded } from '../spread/seeded.ts';

/** A module that could go into a string. */
export interface GradedModule {
  readonly id: string;
  readonly capacityAh: number;
}

export interface StringTask {
  readonly modules: readonly GradedModule[];
  /** Strings that lie side by side, and modules one after the other in each. */
  readonly strings: number;
  readonly perString: number;
  /** Nominal voltage of one module, V. */
  readonly moduleV: number;
}

export interface Strings {
  /** Ids of the modules of each string, the strongest first. */
  readonly strings: readonly (readonly string[])[];
  readonly weakestAh: number;
  /** Sum of capacities of the strongest string less that of the weakest, Ah. */
  readonly apartAh: number;
  /** Until the weakest module is empty. */
  readonly usableWh: number;
  /** How much closer together the strings could be at most, Ah; 0: proved that no other choice is better. */
  readonly boundAh: number;
  readonly proved: boolean;
}

/** Capacities are graded to a tenth of an ampere-hour: finer differences are nobody's. Common practice. */
const UNIT_AH = 0.1;
const inUnits = (ah: number): number => Math.round(ah / UNIT_AH);

/**
 * What can be drawn before the weakest module is empty, with the strings drawing alike: weakest × modules in series ×
 * strings × voltage. Where a string is stronger the rest stays in it. Common practice.
 */
export const usableWh = (weakestAh: number, { strings, perString, moduleV }: StringTask): number =>
  weakestAh * strings * perString * moduleV;

const sumOf = (modules: readonly GradedModule[]) =>
  modules.reduce((sum, { capacityAh }) => sum + inUnits(capacityAh), 0);

/** Modules dealt out as they come, back and forth, the strongest first: a good beginning. */
function dealt(modules: readonly GradedModule[], strings: number): GradedModule[][] {
  const out: GradedModule[][] = Array.from({ length: strings }, () => []);
  modules.forEach((module, i) => {
    const round = Math.floor(i / strings);
    const at = i % strings;
    out[round % 2 === 0 ? at : strings - 1 - at]!.push(module);
  });
  return out;
}

/** How far the strongest string is from the weakest, in units of grading. */
const apart = (strings: readonly (readonly GradedModule[])[]): number => {
  const sums = strings.map(sumOf);
  return Math.max(...sums) - Math.min(...sums);
};

/**
 * Changes one module for another, between two strings or with one left over, as long as that brings the strings closer to
 * their mean; ends where no such change helps.
 */
function evenOut(strings: GradedModule[][], left: GradedModule[]): GradedModule[][] {
  for (;;) {
    const sums = strings.map(sumOf);
    const total = sums.reduce((sum, one) => sum + one, 0);
    // Spread as a sum of squares about the mean, which a module from outside moves too.
    const spread = (changed: readonly number[]) => {
      const all = changed.reduce((sum, one) => sum + one, 0);
      return changed.reduce((sum, one) => sum + one * one, 0) - (all * all) / changed.length;
    };
    const now = sums.reduce((sum, one) => sum + one * one, 0) - (total * total) / sums.length;
    let best: { gain: number; swap: () => void } | null = null;
    const consider = (at: readonly (readonly [string: number, by: number])[], swap: () => void) => {
      const changed = [...sums];
      for (const [k, by] of at) changed[k]! += by;
      const gain = now - spread(changed);
      if (gain > 1e-6 && (!best || gain > best.gain)) best = { gain, swap };
    };
    for (const [a, one] of strings.entries())
      for (const [i, x] of one.entries()) {
        for (let b = a + 1; b < strings.length; b++)
          for (const [j, y] of strings[b]!.entries()) {
            const by = inUnits(y.capacityAh) - inUnits(x.capacityAh);
            if (by !== 0)
              consider(
                [
                  [a, by],
                  [b, -by],
                ],
                () => {
                  [one[i], strings[b]![j]] = [y, x];
                },
              );
          }
        for (const [j, y] of left.entries()) {
          const by = inUnits(y.capacityAh) - inUnits(x.capacityAh);
          if (by !== 0)
            consider([[a, by]], () => {
              [one[i], left[j]] = [y, x];
            });
        }
      }
    if (!best) return strings;
    (best as { swap: () => void }).swap();
  }
}

const TRIES = 24;

/**
 * Those that may go in, the strongest first: as strong at least as the weakest that is needed. Of several equally weak ones
 * there may be more than are needed.
 */
function eligible({ modules, strings, perString }: StringTask): GradedModule[] {
  const order = modules.toSorted((a, b) => b.capacityAh - a.capacityAh || (a.id < b.id ? -1 : 1));
  const weakest = order[strings * perString - 1]?.capacityAh;
  return weakest === undefined ? [] : order.filter(({ capacityAh }) => capacityAh >= weakest);
}

/** Nobody gets closer than this: with nothing left over, sums of whole units are alike only where they divide evenly. */
const leastApart = (modules: readonly GradedModule[], { strings, perString }: StringTask): number =>
  strings > 1 && modules.length === strings * perString && sumOf(modules) % strings !== 0 ? 1 : 0;

/**
 * Strings of which the weakest module is as strong as it can be (so the strongest modules go in) and which are as alike as
 * can be: their capacities added up differ by as little as possible. Found by dealing out and exchanging, from several
 * beginnings with a seed; what is found is the best where it meets the bound that whole units leave.
 *
 * @returns null where there are not enough modules
 */
export function formStrings(task: StringTask, seed = 1): Strings | null {
  const modules = eligible(task);
  const need = task.strings * task.perString;
  if (modules.length === 0) return null;
  const bound = leastApart(modules, task);
  const random = seeded(seed);
  const from = (order: readonly GradedModule[]) =>
    evenOut(dealt(order.slice(0, need), task.strings), order.slice(need));
  let best = from(modules);
  for (let n = 0; n < TRIES && task.strings > 1 && apart(best) > bound; n++) {
    const next = from(
      modules
        .map((module) => ({ module, at: random() }))
        .sort((a, b) => a.at - b.at)
        .map(({ module }) => module),
    );
    if (apart(next) < apart(best)) best = next;
  }
  return answer(task, best, bound);
}

function answer(task: StringTask, strings: readonly (readonly GradedModule[])[], bound: number): Strings {
  const weakestAh = Math.min(...strings.flat().map(({ capacityAh }) => capacityAh));
  const found = apart(strings);
  const sums = (one: readonly GradedModule[]) => one.reduce((sum, { capacityAh }) => sum + capacityAh, 0);
  const all = strings.map(sums);
  return {
    strings: strings.map((one) => one.toSorted((a, b) => b.capacityAh - a.capacityAh).map(({ id }) => id)),
    weakestAh,
    apartAh: Math.max(...all) - Math.min(...all),
    usableWh: usableWh(weakestAh, task),
    boundAh: Math.max(0, found - bound) * UNIT_AH,
    proved: found <= bound,
  };
}

/** More modules than this are too many for a proof while somebody waits. */
export const MOST_TO_PROVE = 40;

/**
 * The same choice proved with a mixed-integer solver: which module in which string, so that the strongest and the weakest
 * string are as close together as can be. Begins from what was found; where time runs out that stays, with its bound.
 *
 * minimise hi − lo, each module in one string at most, each string full, lo ≤ Σ capacity ≤ hi
 */
export function proveStrings(task: StringTask, found: Strings, solve: Solver, limitS: number): Strings {
  if (found.proved || task.strings < 2) return found;
  const modules = eligible(task);
  if (modules.length > MOST_TO_PROVE) return found;
  const x = (m: number, k: number) => `x${m}_${k}`;
  const names = modules.map((_, m) => m);
  const strings = Array.from({ length: task.strings }, (_, k) => k);
  // Deviations from the mean keep the numbers small; every string has as many, so that they compare alike.
  const mean = Math.round(sumOf(modules) / modules.length);
  const terms = (k: number) => names.map((m) => [inUnits(modules[m]!.capacityAh) - mean, x(m, k)] as const);
  const lp = [
    'Minimize',
    ' obj: hi - lo',
    'Subject To',
    ...names.map((m) => ` in${m}: ${lpSum(strings.map((k) => [1, x(m, k)]))} <= 1`),
    ...strings.map((k) => ` full${k}: ${lpSum(names.map((m) => [1, x(m, k)]))} = ${task.perString}`),
    ...strings.map((k) => ` hi${k}: ${lpSum([...terms(k), [-1, 'hi']])} <= 0`),
    ...strings.map((k) => ` lo${k}: ${lpSum([...terms(k), [-1, 'lo']])} >= 0`),
    'Bounds',
    ' hi free',
    ' lo free',
    'Binary',
    ...names.flatMap((m) => strings.map((k) => ` ${x(m, k)}`)),
    'End',
  ].join('\n');
  const solved = solve(lp, limitS);
  if (solved.state === 'none' || solved.state === 'stopped') return found;
  const picked = strings.map((k) => modules.filter((_, m) => solved.value(x(m, k)) > 0.5));
  const best = picked.every((one) => one.length === task.perString) ? picked : null;
  if (!best) return found;
  const optimum = Math.round(solved.objective);
  const mine = answer(task, best, solved.state === 'optimal' ? optimum : 0);
  return mine.apartAh <= found.apartAh + 1e-9 || mine.proved ? mine : found;
}

/** Other ways to choose, beside the best: as they were delivered, by their order in the list. */
export function asDelivered(task: StringTask): Strings | null {
  const need = task.strings * task.perString;
  if (task.modules.length < need) return null;
  const first = task.modules.slice(0, need);
  return answer(
    task,
    Array.from({ length: task.strings }, (_, k) => first.slice(k * task.perString, (k + 1) * task.perString)),
    0,
  );
}
